import { copyFileSync, existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Database } from '@/db/database';
import type { Deed } from '@/server/platform/deed-log';

/** How much of each kind was done again; nothing is counted that the backup knew already. */
export interface Redone {
  leave: number;
  roles: number;
  passwords: number;
  letters: number;
  /** Clubs whose only lead by the backup had left since: left as lead, since somebody has to be. */
  keptLeads: number;
}

type Of<What extends Deed['what']> = Extract<Deed, { what: What }>;

/**
 * Does again what was done after a backup was made: leave taken back, roles and memberships that ended, passwords, links and
 * letters. What it speaks of has to be in the backup; a person who came later is not there to be written to.
 *
 * @param deeds in the order in which they were done
 */
export async function redoDeeds(db: Database, deeds: readonly Deed[]): Promise<Redone> {
  const each = <What extends Deed['what']>(what: What): Of<What>[] =>
    deeds.filter((deed): deed is Of<What> => deed.what === what);
  const { roles, keptLeads } = await redoRoles(db, each('role'));
  return {
    leave: await redoLeave(db, each('leave')),
    roles,
    keptLeads,
    passwords: await redoPasswords(db, each('password')),
    letters: await redoLetters(
      db,
      each('round'),
      each('link'),
      each('link closed'),
      each('letter'),
      each('account letter'),
    ),
  };
}

/** The last deed of each subject. */
function last<Each>(deeds: readonly Each[], subject: (deed: Each) => string): Each[] {
  return [...new Map(deeds.map((deed) => [subject(deed), deed])).values()];
}

async function redoLeave(db: Database, deeds: readonly Of<'leave'>[]): Promise<number> {
  let changed = 0;
  for (const { clubId, personId, mayContact } of last(deeds, ({ personId }) => personId)) {
    const where = { clubId, id: personId, mayContact: !mayContact, erasedAt: null as never };
    changed += (await db.people.update({ mayContact }, { where }))[0];
  }
  return changed;
}

async function redoRoles(db: Database, deeds: readonly Of<'role'>[]): Promise<Pick<Redone, 'roles' | 'keptLeads'>> {
  let roles = 0;
  let keptLeads = 0;
  for (const { clubId, userId, role } of last(deeds, (deed) => `${deed.clubId} ${deed.userId}`)) {
    const where = { clubId, userId };
    if (role === 'none') await db.invitations.destroy({ where });
    const member = await db.memberships.findOne({ where, raw: true });
    if (!member || member.role === role) continue;
    if (member.role === 'lead' && (await db.memberships.count({ where: { clubId, role: 'lead' } })) === 1) {
      keptLeads++;
      continue;
    }
    if (role === 'none') await db.memberships.destroy({ where });
    else await db.memberships.update({ role }, { where });
    roles++;
  }
  return { roles, keptLeads };
}

async function redoPasswords(db: Database, deeds: readonly Of<'password'>[]): Promise<number> {
  let changed = 0;
  for (const { userId, passwordHash } of last(deeds, ({ userId }) => userId)) {
    const user = await db.users.findOne({ where: { id: userId }, raw: true });
    if (!user || user.passwordHash === passwordHash) continue;
    await db.users.update({ passwordHash }, { where: { id: userId } });
    changed++;
    // Links for a new password were worth nothing once it was set.
    await db.passwordLinks.update({ usedAt: new Date() }, { where: { userId, usedAt: null as never } });
  }
  return changed;
}

async function redoLetters(
  db: Database,
  rounds: readonly Of<'round'>[],
  links: readonly Of<'link'>[],
  closed: readonly Of<'link closed'>[],
  letters: readonly Of<'letter'>[],
  accountLetters: readonly Of<'account letter'>[],
): Promise<number> {
  for (const { round } of rounds)
    if (await db.workshops.count({ where: { clubId: round.clubId, id: round.workshopId } }))
      await db.rounds.bulkCreate([round], { ignoreDuplicates: true });
  const known = async (clubId: string, roundId: string | null, personId: string): Promise<boolean> =>
    (roundId === null || (await db.rounds.count({ where: { clubId, id: roundId } })) > 0) &&
    (await db.people.count({ where: { clubId, id: personId, erasedAt: null as never } })) > 0;
  for (const { link } of links)
    if (await known(link.clubId, link.roundId, link.personId))
      await db.reportLinks.bulkCreate([link], { ignoreDuplicates: true });
  for (const { clubId, linkId } of closed)
    await db.reportLinks.update(
      { withdrawnAt: new Date() },
      { where: { clubId, id: linkId, withdrawnAt: null as never } },
    );
  let written = 0;
  for (const { message, asks } of letters) {
    const [set] = await db.messages.update({ state: 'delivered' }, { where: { id: message.id, state: 'queued' } });
    written += set;
    if (set > 0 || (await db.messages.count({ where: { id: message.id } })) > 0) continue;
    if (!(await known(message.clubId, message.roundId, message.personId))) continue;
    await db.messages.bulkCreate([message], { ignoreDuplicates: true });
    for (const ask of asks)
      if (await db.unions.count({ where: { clubId: ask.clubId, id: ask.unionId } }))
        await db.letterAsks.bulkCreate([ask], { ignoreDuplicates: true });
    written++;
  }
  const id = accountLetters.map((letter) => letter.id);
  if (id.length > 0) await db.accountLetters.update({ state: 'delivered' }, { where: { id, state: 'queued' } });
  return written;
}

/** Brings files of letters that the backup did not have yet to those that it had. */
export async function bringLetters(db: Database, from: string, to: string): Promise<void> {
  if (!existsSync(from)) return;
  const messages = await db.messages.findAll({ where: { state: 'delivered' }, attributes: ['id'], raw: true });
  mkdirSync(to, { recursive: true, mode: 0o700 });
  for (const { id } of messages) {
    const [there, here] = [join(from, `${id}.eml`), join(to, `${id}.eml`)];
    if (existsSync(there) && !existsSync(here)) copyFileSync(there, here);
  }
}
