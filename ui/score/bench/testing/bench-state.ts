import { seatPeople, usualRoom } from '@/core/plan/benches/room';
import { exampleMeasures } from '@/core/methods/example-measures';
import { METHODS } from '@/core/methods/registry';
import { defaultRule, type Marks } from '@/core/score/rubric/judge-union';
import type { BenchJudgement, BenchKeeper, BenchState, BenchUnion, LoadedMethods } from '../bench-data';

const method = METHODS[0]!;
/** The method of the bench, loaded. */
export const LOADED: LoadedMethods = new Map([[method.id, method]]);

/** A judgement by Maren. */
export function judgement(
  id: string,
  score: number,
  changes: Partial<BenchJudgement> & { marks?: Marks } = {},
): BenchJudgement {
  return {
    id,
    assessorId: 'm',
    assessor: 'Maren',
    method: method.id,
    stage: 'joined',
    outlook: null,
    outlookBy: null,
    strokes: null,
    score,
    contact: 1,
    contactWords: 'both sides',
    measures: exampleMeasures(method),
    marks: {},
    note: '',
    blind: false,
    earlier: [],
    attempt: { score, fatal: false, recut: false },
    ...changes,
  };
}

/** A union of seat `s1`, `s2`… judged once. */
export function union(seat: number, number: number, score: number, changes: Partial<BenchJudgement> = {}): BenchUnion {
  const id = `u${seat}-${number}`;
  return {
    id,
    kind: 'practice',
    method: method.id,
    stage: 'joined',
    seatId: `s${seat}`,
    number,
    counts: `j${id}`,
    judgements: [judgement(`j${id}`, score, changes)],
    likelyDouble: false,
    glyph: { runs: [], fatal: null },
    seenAt: 5,
  };
}

/** A keeper of seat `s1`, `s2`…, not judged. */
export function keeper(seat: number, number: number, changes: Partial<BenchKeeper> = {}): BenchKeeper {
  return {
    unionId: `k${number}`,
    plantId: `p${number}`,
    code: 'K7M4XQ',
    seatId: `s${seat}`,
    number,
    method: method.id,
    variant: 'usual',
    position: 'sole',
    variety: 'Grey Heron',
    ribbon: 'marsh',
    stock: 'Reedmoor',
    ...changes,
  };
}

/** A bench day of so many people at benches of `perBench`, nobody scored yet. */
export function benchState(people: number, changes: Partial<BenchState> = {}, perBench = 4): BenchState {
  const seats = Array.from({ length: people }, (_, i) => ({
    id: `s${i + 1}`,
    number: i + 1,
    name: `Person ${i + 1}`,
    briefed: true,
  }));
  const room = usualRoom(Math.max(1, people), perBench, (n) => `Bench ${n}`);
  return {
    workshop: { id: 'w', title: 'Day', date: '2027-03-06', method: method.id },
    methods: [
      {
        id: method.id,
        name: method.name,
        planned: true,
        practised: true,
        variant: method.variants[0]!.id,
        rule: defaultRule(method),
      },
    ],
    settings: { ready: { last: 3, score: 75 }, blindRate: 0, wall: 'seats' },
    unit: 'mm',
    assessor: { id: 'm', name: 'Maren' },
    seats,
    unions: [],
    unseen: [],
    room: {
      ...room,
      seating: seatPeople(
        room,
        seats.map((seat) => ({ ...seat, leftHanded: false })),
      ),
    },
    keepers: [],
    stockRanges: [],
    takenAt: 10,
    ...changes,
  };
}
