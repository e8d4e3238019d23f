import { remembered } from '@/server/club/remembered';
import type { FailedBefore } from '@/core/findings/shared/failed-before';
import { countsWords } from '@/core/findings/shared/shared-evidence';
import { sharedFactors } from '@/core/findings/shared/shared-factors';
import { allow, type Context } from '@/server/platform/context';
import { fateRows, knownFates } from './known-fates';
import { levelNames } from './level-names';

/**
 * Lots, pairs and hours in which clearly more died than beside them, over all workshops of the club. From counts alone, so
 * that the ledger and a plan can ask for it on every look.
 */
export function failedBefore(context: Context): Promise<FailedBefore> {
  return remembered(context, 'what failed before', null, (look) => makeFailedBefore(look));
}

async function makeFailedBefore(context: Context): Promise<FailedBefore> {
  allow(context, 'viewer');
  const rows = await fateRows(context, null);
  const found: FailedBefore = { lots: [], pairs: [], days: [] };
  if (rows.length === 0) return found;
  const fates = await knownFates(context, rows, new Set());
  const named = sharedFactors(fates).filter((level) => level.named && level.explainedBy === null);
  if (named.length === 0) return found;
  const { db, actor } = context;
  const [nameOf, lots] = await Promise.all([
    levelNames(context),
    db.woodLots.findAll({
      where: { clubId: actor.clubId },
      attributes: ['id', 'variety', 'source', 'sourceId'],
      raw: true,
    }),
  ]);
  for (const level of named) {
    const same = level.inseparable.map((other) => nameOf(other));
    const counts = `${countsWords(level)}${same.length > 0 ? ` (the same grafts as ${same.join(' and ')}, so that nobody can tell which it is)` : ''}`;
    const first = rows[level.members[0]!]!;
    if (level.kind === 'wood-lot') {
      const lot = lots.find(({ id }) => id === level.level);
      if (lot)
        found.lots.push({ lotId: lot.id, variety: lot.variety, source: lot.source, sourceId: lot.sourceId, counts });
    } else if (level.kind === 'pair') {
      found.pairs.push({ variety: first.variety, stockType: first.stockType, counts });
    } else if (level.kind === 'day') {
      found.days.push({ date: first.madeOn, name: nameOf(level), counts });
    }
  }
  return found;
}
