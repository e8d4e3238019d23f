import type { Database } from '@/db/database';
import { allow, type Context, type Services } from './context';

/** How old an unsent file has to be before it is taken for one whose transaction never was, ms. */
const ORPHANED = 10 * 60_000;

/**
 * Hands letters that wait to the mail service: those of a dying server too. One that cannot be handed
 * over stays and keeps none of the others back.
 *
 * @param clubId letters to the growers of one club, and those about accounts; all when left out.
 * @returns how many of the letters to growers are still waiting.
 */
export async function deliverLetters({ db, mail }: Pick<Services, 'db' | 'mail'>, clubId?: string): Promise<number> {
  const messages = await db.messages.findAll({
    where: { state: 'queued', ...(clubId ? { clubId } : {}) },
    attributes: ['id'],
    order: [['id', 'ASC']],
    raw: true,
  });
  const letters = await db.accountLetters.findAll({ where: { state: 'queued' }, attributes: ['id'], raw: true });
  const confirmations = await db.mailReplies.findAll({
    where: { confirmation: 'queued', ...(clubId ? { clubId } : {}) },
    attributes: ['id'],
    raw: true,
  });
  const released = async (rows: { id: string }[]): Promise<string[]> => {
    const done: string[] = [];
    for (const { id } of rows) {
      try {
        if (await mail.release(id)) done.push(id);
      } catch (error) {
        console.error('A letter could not be handed to the mail service and waits:', id, error);
      }
    }
    return done;
  };
  const sent = {
    messages: await released(messages),
    letters: await released(letters),
    confirmations: await released(confirmations),
  };
  if (sent.messages.length > 0) await db.messages.update({ state: 'delivered' }, { where: { id: sent.messages } });
  if (sent.letters.length > 0) await db.accountLetters.update({ state: 'delivered' }, { where: { id: sent.letters } });
  if (sent.confirmations.length > 0)
    await db.mailReplies.update({ confirmation: 'delivered' }, { where: { id: sent.confirmations } });
  return messages.length - sent.messages.length;
}

/** Removes files that no letter speaks of: their server died before it had noted them, or their person was erased. */
export async function sweepOutbox({ db, mail, now }: Pick<Services, 'db' | 'mail' | 'now'>): Promise<number> {
  const files = await mail.unsent();
  const known = await knownLetters(
    db,
    files.map(({ id }) => id),
  );
  const orphans = files.filter(({ id, since }) => !known.has(id) && now.getTime() - since.getTime() > ORPHANED);
  for (const { id } of orphans) await mail.discard(id);
  return orphans.length;
}

/** Those of some ids that a row speaks of. */
export async function knownLetters(db: Database, ids: string[]): Promise<Set<string>> {
  if (ids.length === 0) return new Set();
  const rows = await Promise.all([
    db.messages.findAll({ where: { id: ids }, attributes: ['id'], raw: true }),
    db.accountLetters.findAll({ where: { id: ids }, attributes: ['id'], raw: true }),
    db.mailReplies.findAll({ where: { id: ids }, attributes: ['id'], raw: true }),
  ]);
  return new Set(rows.flat().map(({ id }) => id));
}

export interface OutboxMessage {
  id: string;
  at: Date;
  to: string;
  subject: string;
  /** Null when the message was erased with its person. */
  text: string | null;
}

/** What the simulated mail service has sent for the club, latest first. */
export async function outbox(context: Context, most = 200): Promise<OutboxMessage[]> {
  // Bodies hold private links, so this is for those who may send them.
  allow(context, 'assistant');
  const {
    db,
    mail,
    actor: { clubId },
  } = context;
  const rows = await db.messages.findAll({
    where: { clubId, state: 'delivered' },
    order: [
      ['createdAt', 'DESC'],
      ['id', 'DESC'],
    ],
    limit: most,
    raw: true,
  });
  return Promise.all(
    rows.map(async ({ id, createdAt, subject }) => {
      const sent = await mail.read(id);
      return { id, at: createdAt, subject, to: sent?.to ?? 'erased', text: sent?.text ?? null };
    }),
  );
}

/** Letters of the club that wait to be handed to the mail service, and since when. */
export async function waitingLetters(context: Context): Promise<{ count: number; since: Date | null }> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId },
  } = context;
  const where = { clubId, state: 'queued' as const };
  return {
    count: await db.messages.count({ where }),
    since: (await db.messages.min('createdAt', { where })) as Date | null,
  };
}
