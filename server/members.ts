import { object, string } from 'yup';
import { v7 as uuid } from 'uuid';
import type { Role } from '@/db/models/rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context, type Services } from './context';
import { audit } from './audit';
import { email, text } from './fields';
import { parse } from './parse';
import { hashPassword } from './secrets';
import { openSession } from './sign-in';
import { notFound, UseCaseError } from './use-case-error';

const ROLES: Role[] = ['lead', 'assistant', 'viewer'];
const password = string().strict().required('Enter a password.').min(10, 'Use 10 characters or more for the password.').max(200, 'A password has 200 characters at most.');
const role = string().oneOf(ROLES, 'Choose lead, assistant or viewer.').required('Choose a role.');

const firstLead = object({ club: text("the club's name", 120), name: text('your name', 120), email: email().required('Enter your e-mail address.'), password });

/** True while nobody can sign in, so that the first page makes the lead's account. */
export async function needsFirstLead({ db }: Pick<Services, 'db'>): Promise<boolean> {
  return (await db.users.count()) === 0;
}

/** Makes the club and its lead on an empty database, and signs the lead in. Only the first one wins. */
export async function makeFirstLead(services: Services, input: unknown): Promise<{ token: string; expiresAt: Date }> {
  const { db, now } = services;
  const closed = new UseCaseError('conflict', 'This installation has its lead already. Sign in instead.');
  if (!(await needsFirstLead(services))) throw closed;
  const given = parse(firstLead, input);
  const passwordHash = await hashPassword(given.password);
  // A fixed id makes the primary key the guard: of two at once, one inserts.
  const clubId = '00000000-0000-7000-8000-000000000001';
  const userId = uuid();
  try {
    await transact(db, async (transaction) => {
      await db.clubs.create({ id: clubId, name: given.club, createdAt: now }, { transaction });
      await db.users.create({ id: userId, email: given.email, name: given.name, passwordHash, lengthUnit: 'mm', temperatureUnit: 'C' }, { transaction });
      await db.memberships.create({ clubId, userId, role: 'lead' }, { transaction });
      await audit(db, transaction, { clubId, actorId: userId, action: 'club made', subjectId: clubId, at: now });
    });
  } catch (error) {
    if (isDuplicate(error)) throw closed;
    throw error;
  }
  return openSession(services, userId, clubId);
}

export interface Member {
  userId: string;
  name: string;
  email: string;
  role: Role;
}

export async function listMembers(context: Context): Promise<Member[]> {
  const { db, actor } = context;
  allow(context, 'viewer');
  const memberships = await db.memberships.findAll({ where: { clubId: actor.clubId }, raw: true });
  const users = await db.users.findAll({ where: { id: memberships.map(({ userId }) => userId) }, raw: true });
  return memberships
    .map(({ userId, role: memberRole }) => {
      const user = users.find(({ id }) => id === userId)!;
      return { userId, name: user.name, email: user.email, role: memberRole };
    })
    .sort((a, b) => a.name.localeCompare(b.name));
}

const newMember = object({ name: text('a name', 120), email: email().required('Enter an e-mail address.'), password, role });

/** Adds somebody to the club, with a first password to hand over. An account of that address is joined to the club as it is. */
export async function addMember(context: Context, input: unknown): Promise<void> {
  allow(context, 'lead');
  const { db, actor, now } = context;
  const given = parse(newMember, input);
  const passwordHash = await hashPassword(given.password);
  try {
    await transact(db, async (transaction) => {
      const known = await db.users.findOne({ where: { email: given.email }, transaction, raw: true });
      const userId = known?.id ?? uuid();
      if (!known) {
        await db.users.create({ id: userId, email: given.email, name: given.name, passwordHash, lengthUnit: 'mm', temperatureUnit: 'C' }, { transaction });
      }
      await db.memberships.create({ clubId: actor.clubId, userId, role: given.role as Role }, { transaction });
      await audit(db, transaction, { clubId: actor.clubId, actorId: actor.userId, action: 'member added', subjectId: userId, at: now });
    });
  } catch (error) {
    if (isDuplicate(error)) throw new UseCaseError('conflict', 'This address belongs to the club already. Change its role below instead.', { email: 'Already a member.' });
    throw error;
  }
}

const change = object({ role: string().oneOf([...ROLES, 'none'], 'Choose lead, assistant, viewer or none.').required('Choose a role.') });

/** Gives a member another role, or takes the membership away; the last lead stays. Sessions follow at once. */
export async function changeMember(context: Context, userId: string, input: unknown): Promise<void> {
  allow(context, 'lead');
  const { db, actor, now } = context;
  const given = parse(change, input);
  await transact(db, async (transaction) => {
    const members = await db.memberships.findAll({ where: { clubId: actor.clubId }, transaction, lock: transaction.LOCK.UPDATE, raw: true });
    if (!members.some((member) => member.userId === userId)) throw notFound('This member');
    const leads = members.filter((member) => member.role === 'lead' && member.userId !== userId);
    if (given.role !== 'lead' && leads.length === 0) throw new UseCaseError('conflict', 'A club needs a lead. Make somebody else lead first.');
    const where = { clubId: actor.clubId, userId };
    if (given.role === 'none') {
      await db.memberships.destroy({ where, transaction });
      await db.sessions.destroy({ where, transaction });
    } else {
      await db.memberships.update({ role: given.role as Role }, { where, transaction });
    }
    await audit(db, transaction, { clubId: actor.clubId, actorId: actor.userId, action: `member ${given.role}`, subjectId: userId, at: now });
  });
}

const preferences = object({
  lengthUnit: string().oneOf(['mm', 'in'] as const, 'Choose millimetres or inches.').required('Choose millimetres or inches.'),
  temperatureUnit: string().oneOf(['C', 'F'] as const, 'Choose °C or °F.').required('Choose °C or °F.'),
});

/** A user's own units. */
export async function changeUnits(context: Context, input: unknown): Promise<void> {
  const given = parse(preferences, input);
  await context.db.users.update(given, { where: { id: context.actor.userId } });
}
