import { v7 as uuid } from 'uuid';
import type { ReportLinkRow } from '@/db/models/follow-up-rows';
import { transact } from '@/db/transact';
import { UNSET } from '@/db/unset';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { hashToken, makeToken } from '@/server/platform/secrets';
import { getRound } from '../rounds';

/** A private link for a person; only its hash is kept. It opens all of theirs, the round is what it was made for. */
export function makeLink(
  context: Pick<Context, 'actor' | 'now' | 'publicUrl'>,
  roundId: string | null,
  personId: string,
  kind: 'mail' | 'slip',
): { row: ReportLinkRow; url: string } {
  const token = makeToken();
  return {
    row: {
      id: uuid(),
      clubId: context.actor.clubId,
      roundId,
      personId,
      tokenHash: hashToken(token),
      kind,
      createdAt: context.now,
      withdrawnAt: null,
    },
    url: `${context.publicUrl}/r/${token}`,
  };
}

/** Withdraws all links a person was given for a round: none of them opens any more. */
export async function withdrawLinks(context: Context, roundId: string, personId: string): Promise<void> {
  allow(context, 'assistant');
  const round = await getRound(context, roundId);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await transact(db, async (transaction) => {
    const where = { clubId, roundId: round.id, personId, withdrawnAt: UNSET };
    const links = await db.reportLinks.findAll({ where, attributes: ['id'], transaction, raw: true });
    await db.reportLinks.update({ withdrawnAt: now }, { where, transaction });
    await audit(db, transaction, { clubId, actorId: userId, action: 'links withdrawn', subjectId: personId, at: now });
    await context.deeds.add(now, ...links.map(({ id }) => ({ what: 'link closed' as const, clubId, linkId: id })));
  });
}
