import type { IsoDate } from '@/core/units/iso-date';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import type { Context } from '@/server/platform/context';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import type { AskedUnion } from './asks/asked-unions';

/** A death that was told before any round asked. */
export interface ToldDeath {
  /** Names it, so that the same told twice is one. */
  id: string;
  /** The day it was seen; empty for today at the site. */
  seenOn: IsoDate | '';
  note: string;
  /** Who entered it; null for the grower. */
  enteredBy: string | null;
}

/**
 * Keeps that a union died, where no round asked of it yet: a death is news on any day. Told twice it is kept once.
 */
export async function keepToldDeath(
  { db, now, actor: { clubId } }: Context,
  { union, today }: AskedUnion,
  { id, seenOn, note, enteredBy }: ToldDeath,
): Promise<void> {
  const row = { id, clubId, unionId: union.id, kind: 'ended' as const, about: 'died', lengthMm: null, note };
  try {
    await transact(db, async (transaction) => {
      const known = await db.unionObservations.findOne({ where: { id }, transaction, raw: true });
      if (known) return;
      await db.unionObservations.create(
        { ...row, seenOn: seenOn || today, seenBy: enteredBy, recordedAt: now, takenBackAt: null },
        { transaction },
      );
      await refreshUnionFacts(db, clubId, [union.id], transaction);
      await audit(db, transaction, { clubId, actorId: enteredBy, action: 'death told', subjectId: union.id, at: now });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
}
