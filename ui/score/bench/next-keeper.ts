import { keeperSample, type Sample } from '@/core/score/readiness/keeper-sample';
import { type BenchKeeper, type BenchState, judgedKeeper } from './bench-data';

/** The keeper to judge after one: of the same hand first, then of whoever sits next; only those that the sample takes. */
export function nextToJudge(
  state: Pick<BenchState, 'seats' | 'keepers' | 'unions'>,
  sample: Sample,
  after: BenchKeeper | null,
): BenchKeeper | null {
  const taken = keeperSample(state.keepers, sample);
  const seatAt = (seatId: string): number => state.seats.findIndex(({ id }) => id === seatId);
  const from = after ? seatAt(after.seatId) : 0;
  const turn = ({ seatId }: BenchKeeper): number => (seatAt(seatId) - from + state.seats.length) % state.seats.length;
  const open = state.keepers.filter(
    ({ unionId, seatId }) =>
      taken.has(unionId) && unionId !== after?.unionId && seatAt(seatId) >= 0 && !judgedKeeper(state, unionId),
  );
  return open.sort((a, b) => turn(a) - turn(b) || a.number - b.number)[0] ?? null;
}
