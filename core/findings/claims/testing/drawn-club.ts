import { aroundZero, seededRandom } from '../../../chance/seeded-random';
import type { PointGrade } from '../../points/points-model';
import type { ClaimedUnion } from '../claims';

/** What differs in a drawn club; nothing of it is a score or a fault. */
export interface Differences {
  /** Standard deviations on the log odds of days, hands and homes. */
  days: number;
  hands: number;
  homes: number;
  /** Whether methods differ in take and in how hard they are scored. */
  methods: boolean;
  /** Whether days and hands differ in how they are scored; hands that are scored higher also take better. */
  scoring: boolean;
}

/** Clubs in which neither a score nor a fault does anything, by what differs in them. */
export const NULL_KINDS: Readonly<Record<string, Differences>> = {
  'nothing differs': { days: 0, hands: 0, homes: 0, methods: false, scoring: false },
  days: { days: 0.9, hands: 0, homes: 0, methods: false, scoring: true },
  hands: { days: 0.3, hands: 0.7, homes: 0, methods: false, scoring: true },
  homes: { days: 0.3, hands: 0, homes: 0.9, methods: false, scoring: true },
  methods: { days: 0.3, hands: 0.3, homes: 0, methods: true, scoring: true },
  everything: { days: 0.8, hands: 0.5, homes: 0.5, methods: true, scoring: true },
};

/** One thing that is true of a drawn club. */
export type Truth = 'none' | 'dead wood' | 'weak hand' | 'binding' | 'lot is the workshop' | 'score';

const METHODS = [
  { name: 'chip', take: 0.4, mean: 88 },
  { name: 'cleft', take: -0.5, mean: 78 },
  { name: 'whip', take: 0, mean: 83 },
];
const POINTS = ['cambium', 'flatness', 'seal', 'bind'];

interface ClubSize {
  workshops: number;
  hands: number;
  each: number;
}

const USUAL: ClubSize = { workshops: 7, hands: 11, each: 6 };

/** A club's unions with known fates, with what its days truly add to the log odds. */
export interface DrawnClub {
  unions: ClaimedUnion[];
  days: Map<string, number>;
}

/**
 * A club drawn by a seed: workshops with wood of their own, hands that come to several of them, and each hand's home, where
 * most of what it made stands.
 */
export function drawnClub(seed: number, differ: Differences, truth: Truth = 'none', size = USUAL): DrawnClub {
  const random = seededRandom(seed * 7919 + 17);
  const spread = (sd: number): number => sd * aroundZero(random);
  const chance = (p: number): boolean => random() < p;
  const pick = (many: number): number => Math.floor(random() * many);
  const people = Math.round(size.hands * 1.6);
  const hands = Array.from({ length: people }, () => {
    const effect = spread(1);
    return { take: differ.hands * effect, strict: differ.scoring ? 4 * effect + spread(3) : 0 };
  });
  const homes = Array.from({ length: people }, () => spread(differ.homes));
  const days = new Map<string, number>();
  const unions: ClaimedUnion[] = [];
  for (let w = 0; w < size.workshops; w++) {
    const day = `day ${w}`;
    const effect = spread(differ.days);
    days.set(day, effect);
    const strict = differ.scoring ? spread(5) : 0;
    const lots = truth === 'lot is the workshop' && w === 2 ? 1 : 4;
    const there = Array.from({ length: people }, (_, h) => h)
      .sort(() => random() - 0.5)
      .slice(0, size.hands);
    if (truth === 'weak hand' && !there.includes(0) && w < 4) there[0] = 0;
    for (const h of there)
      for (let k = 0; k < size.each; k++) {
        const method = METHODS[differ.methods ? pick(3) : 2]!;
        const lot = pick(lots);
        const fatal = chance(0.08);
        const mean = 85 + (differ.methods ? method.mean - 83 : 0) + strict + hands[h]!.strict;
        const score = fatal ? 40 : Math.round(Math.min(100, Math.max(50, mean + spread(7))));
        const material = method.name === 'chip' || chance(0.5) ? 'film' : 'raffia';
        const atHome = chance(0.75);
        const odds =
          1.4 +
          effect +
          hands[h]!.take +
          (atHome ? homes[h]! : 0) +
          (differ.methods ? method.take : 0) +
          (truth === 'score' && !fatal ? (0.7 * (score - 85)) / 10 : 0) +
          (truth === 'binding' && material === 'raffia' ? -2 : 0) +
          (truth === 'weak hand' && h === 0 ? -1.7 - hands[0]!.take : 0) +
          (truth === 'dead wood' && w === 1 && lot === 0 ? -2.9 : 0) +
          (truth === 'lot is the workshop' && w === 2 ? -2 : 0);
        unions.push({
          alive: chance(1 / (1 + Math.exp(-odds))),
          method: method.name,
          score,
          fatal,
          groups: {
            workshop: day,
            grafter: `hand ${h}`,
            wood_lot: `lot ${w}.${lot}`,
            stock_lot: `stock ${w % 3}`,
            home: atHome ? `home ${h}` : 'club bed',
            material,
          },
          grades: Object.fromEntries(POINTS.map((point) => [point, gradeBy(random, score)])),
        });
      }
  }
  return { unions, days };
}

/** Lower scores come with more faults. */
function gradeBy(random: () => number, score: number): PointGrade {
  const poor = Math.min(0.6, Math.max(0.03, (100 - score) / 100));
  const at = random();
  if (at < poor / 6) return 'fatal';
  return at < poor ? 'poor' : 'good';
}
