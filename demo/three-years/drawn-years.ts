import { seededRandom } from '@/core/chance/seeded-random';
import { methodById } from '@/core/methods/registry';
import { pointsOf } from '@/core/methods/shown-technique';
import { exampleMeasures } from '@/core/methods/example-measures';
import type { Measures } from '@/core/methods/measures';
import type { Marks } from '@/core/score/rubric/judge-union';
import { drawnUnion, DRAWN_METHOD } from '../drawn-union';
import { AT_A_BENCH, BENCHES, type DayPlan } from './scenario';

/** What really did it, hidden from the pages: which of the days, and how many of what it touched died. */
export interface HiddenTruth {
  seed: number;
  warmLot: { day: number; lot: string; deaths: number };
  bench: { day: number; name: string; deaths: number };
  noon: { day: number; part: string; deaths: number };
  /** So many of each person's buds kept their tie. */
  ties: { day: number; each: number; deaths: number };
  pair: { days: number[]; variety: string; stock: string; deaths: number };
  /** A fault of everyday that kills; the others only look bad. */
  everyday: { point: string; deaths: number };
}

/** A keeper as it was made, and what became of it. */
export interface DrawnKeeper {
  seat: number;
  nth: number;
  method: string;
  variety: string;
  stock: string;
  /** Hours and parts of hours after midnight, at the site. */
  hour: number;
  /** 0 clumsy to 1 sure. */
  skill: number;
  marks: Marks;
  measures: Measures;
  tieLeft: boolean;
  /** When it was seen dead; null where it lives. `again` is the second look. */
  died: 'asked' | 'again' | null;
  heard: boolean;
  /** What somebody saw who looked why. */
  looks: string[];
}

/** Deaths that nothing but chance made, and people who do not answer. */
const CHANCE = 0.1;
const SILENT = 0.1;
/** What hands get wrong on any day, and how often, whoever they are. */
const EVERYDAY = ['hold', 'daylight', 'strokes', 'clean', 'bud', 'in-place'];
const WRONG = 0.13;
const FIRST_HOUR = 9;
const LAST_HOUR = 16.5;
const NOON = [11, 14] as const;

/**
 * Keepers of a day, drawn by chance: with a truth, what it touches dies of it; without one all die alike.
 *
 * @param day which of the days it is
 */
export function drawnDay(plan: DayPlan, day: number, seed: number, truth: HiddenTruth | null): DrawnKeeper[] {
  const random = seededRandom(seed * 101 + day);
  // Of their own, so that they move nothing else.
  const slips = seededRandom(seed * 977 + day);
  const sizes = seededRandom(seed * 389 + day);
  const skills = Array.from({ length: plan.people }, () => 0.55 + 0.4 * random());
  const keepers: DrawnKeeper[] = [];
  for (let seat = 1; seat <= plan.people; seat++)
    for (const { method, each, slips: slipsBark } of plan.methods)
      for (let nth = 0; nth < each; nth++) {
        const wood = plan.wood[nth % plan.wood.length]!;
        const stock = plan.stocks[Math.floor(nth / plan.wood.length) % plan.stocks.length]!;
        // Everybody works through the day at a pace of their own.
        const hour = FIRST_HOUR + (LAST_HOUR - FIRST_HOUR) * ((keepers.length * 0.618 + random() * 0.2) % 1);
        const fate = fateOf(
          { random, day, seat, nth, slips: slipsBark, hour, variety: wood.variety, stock: stock.stockType },
          truth,
        );
        keepers.push({
          seat,
          nth,
          method,
          variety: wood.variety,
          stock: stock.stockType,
          hour,
          skill: skills[seat - 1]!,
          ...withEveryday(fate, method, slips, truth),
          measures: measuresOf(method, sizes, skills[seat - 1]!),
          heard: random() > SILENT,
        });
      }
  return keepers;
}

interface Made {
  random: () => number;
  day: number;
  seat: number;
  nth: number;
  slips: boolean;
  hour: number;
  variety: string;
  stock: string;
}

type Fate = Pick<DrawnKeeper, 'marks' | 'tieLeft' | 'died' | 'looks'>;

function fateOf(made: Made, truth: HiddenTruth | null): Fate {
  const { random, day, seat, nth, slips, hour, variety, stock } = made;
  const chance = random();
  const roll = random();
  const seen = random() < 0.5;
  const plain: Fate = { marks: {}, tieLeft: false, died: null, looks: [] };
  const dies = (deaths: number, touched: Partial<Fate>): Fate =>
    roll < deaths
      ? { ...plain, died: 'asked', ...touched, looks: seen ? (touched.looks ?? []) : [] }
      : { ...plain, marks: touched.marks ?? {}, tieLeft: touched.tieLeft ?? false };
  if (truth) {
    const bench = BENCHES[Math.floor((seat - 1) / AT_A_BENCH)];
    const { warmLot, noon, ties, pair } = truth;
    if (day === warmLot.day && variety === warmLot.lot)
      return dies(warmLot.deaths, { looks: ['grew-then-collapsed', 'opened-stock-only'] });
    if (day === truth.bench.day && bench === truth.bench.name)
      return dies(truth.bench.deaths, { marks: { bind: 'fatal' }, looks: ['scion-wrinkled', 'opened-stock-only'] });
    if (day === noon.day && slips && hour >= NOON[0] && hour < NOON[1])
      return dies(noon.deaths, { marks: { slip: 'fatal' }, looks: ['never-moved', 'opened-none'] });
    if (day === ties.day && nth < ties.each && slips === false)
      return dies(ties.deaths, { tieLeft: true, looks: ['bulge-at-tie', 'grew-weeks-then-died'] });
    if (pair.days.includes(day) && variety === pair.variety && stock === pair.stock)
      return dies(pair.deaths, { died: 'again', looks: ['grew-seasons-then-died', 'yellowed', 'snapped-smooth'] });
  }
  return chance < CHANCE ? { ...plain, died: 'asked', looks: seen ? ['scion-plain'] : [] } : plain;
}

/** The same with what hands get wrong on any day; with a truth one of it kills. */
function withEveryday(fate: Fate, method: string, random: () => number, truth: HiddenTruth | null): Fate {
  const wrong: Marks = {};
  for (const { id, measured, faults } of pointsOf(methodById(method), {})) {
    const usual = EVERYDAY.includes(id) && !measured && faults.some(({ grade }) => grade === 'poor');
    if (usual && random() < WRONG) wrong[id] = 'poor';
  }
  const killed = random() < (truth && wrong[truth.everyday.point] ? truth.everyday.deaths : 0);
  return { ...fate, marks: { ...wrong, ...fate.marks }, ...(killed && fate.died === null ? { died: 'asked' } : {}) };
}

/** Whips as hands make them; of the others a clean one is measured, since their lengths are set by the wood. */
function measuresOf(method: string, random: () => number, skill: number): Measures {
  return method === DRAWN_METHOD.id ? drawnUnion(random, skill).measures : exampleMeasures(methodById(method));
}
