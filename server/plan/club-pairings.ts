import type { Pairing } from '@/core/methods/compatibility/compatibility';
import { allow, type Context } from '@/server/platform/context';

/** The club's own rows, which stand before the usual ones. */
export async function clubPairings(context: Context): Promise<(Pairing & { id: string })[]> {
  allow(context, 'viewer');
  const rows = await context.db.compatibility.findAll({
    where: { clubId: context.actor.clubId, withdrawn: false },
    order: [
      ['stock', 'ASC'],
      ['scion', 'ASC'],
    ],
    raw: true,
  });
  return rows.map(({ id: pairId, stock, scion, verdict, note, source }) => ({
    id: pairId,
    stock,
    scion,
    verdict,
    note,
    source,
  }));
}
