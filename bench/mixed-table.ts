import { aroundZero, seededRandom } from '@/core/chance/seeded-random';
import type { MixedUnion } from '@/core/findings/mixed/mixed-design';

const METHODS = ['chip', 'cleft', 'whip'] as const;
const METHOD_EFFECTS = [0, -0.7, -0.2];
const SPREADS = { wood: 0.7, stock: 0.3, workshop: 0.5, grafter: 0.6 };

/** A table of a region: grafters nested in workshops, wood and stock lots crossed with them. */
export function mixedTable({
  unions,
  grafters,
  workshops,
  woodLots,
  stockLots,
  seed,
}: {
  unions: number;
  grafters: number;
  workshops: number;
  woodLots: number;
  stockLots: number;
  seed: number;
}): MixedUnion[] {
  const random = seededRandom(seed);
  const effects = (count: number, spread: number): number[] =>
    Array.from({ length: count }, () => spread * aroundZero(random));
  const [wood, stock] = [effects(woodLots, SPREADS.wood), effects(stockLots, SPREADS.stock)];
  const [day, hand] = [effects(workshops, SPREADS.workshop), effects(grafters, SPREADS.grafter)];
  const pick = (count: number): number => Math.floor(random() * count);
  return Array.from({ length: unions }, () => {
    const grafter = pick(grafters);
    const workshop = grafter % workshops;
    const [w, s, m] = [pick(woodLots), pick(stockLots), pick(METHODS.length)];
    const score = Math.round(Math.min(100, Math.max(20, 80 + 12 * aroundZero(random))));
    const eta =
      1.2 + METHOD_EFFECTS[m]! + 0.045 * (score - 80) + wood[w]! + stock[s]! + day[workshop]! + hand[grafter]!;
    return {
      alive: random() < 1 / (1 + Math.exp(-eta)),
      method: METHODS[m]!,
      score,
      groups: { wood_lot: `w${w}`, stock_lot: `s${s}`, workshop: `d${workshop}`, grafter: `g${grafter}` },
    };
  });
}
