import { object, string } from 'yup';
import { v7 as uuid } from 'uuid';
import type { Role } from '@/core/club/role';
import { holdGuard } from '@/db/guard';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context, type Services } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { parse } from '@/server/platform/parse';
import { deliverLetters } from '@/server/platform/outbox';
import { refuseCommonPassword } from './password-rules';
import { makePasswordLink, newUser } from './passwords';
import { hashPassword } from '@/server/platform/secrets';
import { needConfirmed } from './sessions';
import { openSession } from './sign-in';
import { prepareAccountLetter } from './account-letters';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { firstLead, newMember, preferences } from '@/core/club/member-input';
import { ROLES } from '@/core/club/role';

/** True while nobody can sign in, so that the first page makes the lead's account. */
export async function needsFirstLead({ db }: Pick<Services, 'db'>): Promise<boolean> {
  return (await db.users.count()) === 0;
}

/** Makes the club and its lead on an empty database, and signs the lead in. Only the first one wins. */
export async function makeFirstLead(
  services: Services,
  input: unknown,
  device = '',
): Promise<{ token: string; expiresAt: Date }> {
  const { db, now } = services;
  const closed = new UseCaseError('conflict', 'This installation has its lead already. Sign in instead.');
  if (!(await needsFirstLead(services))) throw closed;
  const values = parse(firstLead, input);
  refuseCommonPassword(values.password, [values.name, values.email, values.club]);
  const passwordHash = await hashPassword(values.password);
  // A fixed id makes the primary key the guard: of two at once, one inserts.
  const clubId = '00000000-0000-7000-8000-000000000001';
  const userId = uuid();
  try {
    await transact(db, async (transaction) => {
      await db.clubs.create({ id: clubId, name: values.club, createdAt: now }, { transaction });
      await db.users.create(
        { id: userId, email: values.email, name: values.name, passwordHash, lengthUnit: 'mm', temperatureUnit: 'C' },
        { transaction },
      );
      await db.memberships.create({ clubId, userId, role: 'lead' }, { transaction });
      await audit(db, transaction, { clubId, actorId: userId, action: 'club made', subjectId: clubId, at: now });
    });
  } catch (error) {
    if (isDuplicate(error)) throw closed;
    throw error;
  }
  return openSession(services, userId, clubId, device);
}

export interface Member {
  userId: string;
  name: string;
  email: string;
  role: Role;
  /** Was asked to join and has not said yes. */
  asked: boolean;
}

export async function listMembers(context: Context): Promise<Member[]> {
  const { db, actor } = context;
  allow(context, 'viewer');
  const where = { clubId: actor.clubId };
  const [memberships, invitations] = await Promise.all([
    db.memberships.findAll({ where, raw: true }),
    actor.role === 'lead' ? db.invitations.findAll({ where, raw: true }) : [],
  ]);
  const all = [
    ...memberships.map((membership) => ({ ...membership, asked: false })),
    ...invitations.map((invitation) => ({ ...invitation, asked: true })),
  ];
  const users = await db.users.findAll({ where: { id: all.map(({ userId }) => userId) }, raw: true });
  return all
    .map(({ userId, role: memberRole, asked }) => {
      const user = users.find(({ id }) => id === userId)!;
      return { userId, name: user.name, email: user.email, role: memberRole, asked };
    })
    .sort((a, b) => a.name.localeCompare(b.name));
}

/**
 * Asks somebody to join the club. Whoever has no account yet gets one without a password; who has one
 * is asked for their consent. Both go by a link that is sent to them and told to the lead, to hand it
 * over at the bench: nobody learns from it whether there was an account.
 *
 * @returns the link, which exists in clear only here and in the letter.
 */
/** Members by name, as those whose help a union may have been made with. */
export async function listHelpers(context: Context): Promise<{ id: string; name: string }[]> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  const memberships = await db.memberships.findAll({ where: { clubId }, raw: true });
  const users = await db.users.findAll({ where: { id: memberships.map(({ userId }) => userId) }, raw: true });
  return users.map(({ id, name }) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name));
}

export async function addMember(context: Context, input: unknown): Promise<{ url: string }> {
  allow(context, 'lead');
  needConfirmed(context);
  const { db, actor, now } = context;
  const values = parse(newMember, input);
  const taken = new UseCaseError(
    'conflict',
    'This address belongs to the club already. Change its role below instead.',
    { email: 'Already a member.' },
  );
  const known = await db.users.findOne({ where: { email: values.email }, raw: true });
  if (known && (await db.memberships.findOne({ where: { clubId: actor.clubId, userId: known.id }, raw: true })))
    throw taken;
  const user = known ?? newUser(values.email, values.name);
  const { row, url } = makePasswordLink(context, user.id, 'hand-over');
  // Called as the lead calls them: the name in an account of another club is not this club's to know.
  const letter = await prepareAccountLetter(
    context,
    { ...user, name: values.name },
    `${actor.clubName} asks you to join`,
    [
      `${actor.name} asks you to join ${actor.clubName} on Pear Bench as ${values.role}. Say yes here within a week:\n${url}`,
      'If you do not know them, do nothing.',
    ],
  );
  try {
    await transact(db, async (transaction) => {
      if (!known) await db.users.create(user, { transaction });
      // Asked again, they are asked anew: the last role and the last link count.
      await db.invitations.upsert(
        { clubId: actor.clubId, userId: user.id, role: values.role as Role, invitedBy: actor.userId, invitedAt: now },
        { transaction },
      );
      await db.passwordLinks.create(row, { transaction });
      await letter.note(transaction);
      await audit(db, transaction, {
        clubId: actor.clubId,
        actorId: actor.userId,
        action: 'member asked',
        subjectId: user.id,
        at: now,
      });
    });
  } catch (error) {
    await context.mail.discard(letter.id);
    if (isDuplicate(error)) throw taken;
    throw error;
  }
  await deliverLetters(context);
  return { url };
}

/** A link by which a member chooses a new password, for the lead to hand over; not for those who are in another club too. */
export async function handOverPassword(context: Context, userId: string): Promise<{ url: string }> {
  allow(context, 'lead');
  needConfirmed(context);
  const { db, actor, now } = context;
  const memberships = await db.memberships.findAll({ where: { userId }, raw: true });
  if (!memberships.some(({ clubId }) => clubId === actor.clubId)) throw notFound('This member');
  if (memberships.length > 1)
    throw new UseCaseError(
      'conflict',
      'This account belongs to another club as well, so its owner asks for a link where they sign in.',
    );
  const { row, url } = makePasswordLink(context, userId, 'forgotten');
  await transact(db, async (transaction) => {
    await db.passwordLinks.create(row, { transaction });
    await audit(db, transaction, {
      clubId: actor.clubId,
      actorId: actor.userId,
      action: 'password link handed over',
      subjectId: userId,
      at: now,
    });
  });
  return { url };
}

const change = object({
  role: string()
    .oneOf([...ROLES, 'none'], 'Choose lead, assistant, viewer or none.')
    .required('Choose a role.'),
});

/** Gives a member another role, or takes the membership away; the last lead stays. Sessions follow at once. */
export async function changeMember(context: Context, userId: string, input: unknown): Promise<void> {
  allow(context, 'lead');
  needConfirmed(context);
  const { db, actor, now } = context;
  const values = parse(change, input);
  await transact(db, async (transaction) => {
    // Two leads who make each other something else in one moment would leave none.
    await holdGuard(db, transaction, actor.clubId, 'leads');
    const members = await db.memberships.findAll({ where: { clubId: actor.clubId }, transaction, raw: true });
    if (
      values.role === 'none' &&
      (await db.invitations.destroy({ where: { clubId: actor.clubId, userId }, transaction })) > 0
    ) {
      await audit(db, transaction, {
        clubId: actor.clubId,
        actorId: actor.userId,
        action: 'invitation taken back',
        subjectId: userId,
        at: now,
      });
      await context.deeds.add(now, { what: 'role', clubId: actor.clubId, userId, role: 'none' });
      return;
    }
    if (!members.some((member) => member.userId === userId)) throw notFound('This member');
    const leads = members.filter((member) => member.role === 'lead' && member.userId !== userId);
    if (values.role !== 'lead' && leads.length === 0)
      throw new UseCaseError('conflict', 'A club needs a lead. Make somebody else lead first.');
    const where = { clubId: actor.clubId, userId };
    if (values.role === 'none') {
      await db.memberships.destroy({ where, transaction });
      await db.sessions.destroy({ where, transaction });
    } else {
      await db.memberships.update({ role: values.role as Role }, { where, transaction });
    }
    await audit(db, transaction, {
      clubId: actor.clubId,
      actorId: actor.userId,
      action: `member ${values.role}`,
      subjectId: userId,
      at: now,
    });
    await context.deeds.add(now, { what: 'role', clubId: actor.clubId, userId, role: values.role });
  });
}

/** A user's own units. */
export async function changeUnits(context: Context, input: unknown): Promise<void> {
  const values = parse(preferences, input);
  await context.db.users.update(values, { where: { id: context.actor.userId } });
}
