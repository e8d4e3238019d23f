import type { DayBlock } from '../../plan/benches/time-plan';
import type { DisplayList } from '../../drawing/display-list';
import type { FaultShown } from '../../teach/fault-shown';

/** What the wall of a bench day shows: how far the room is, and nobody's failure. */
export interface WallState {
  /** Changes whenever anything on the wall does. */
  seq: number;
  title: string;
  /** Everybody by seat: how many unions were seen, and whether they are ready. Empty where only totals are shown. */
  people: { label: string; seen: number; ready: boolean }[];
  /** Unions are practice; keepers are those that were judged. */
  totals: { people: number; unions: number; ready: number; keepers: number };
  fault: {
    name: string;
    good: string;
    how: string;
    times: number;
    outOf: number;
    /** The step it comes from, right beside wrong, where a step draws it. */
    shown: FaultShown | null;
    /** Else the room's latest union that has it, from the side and as its lines lie, with the point to ring. */
    union: { side: DisplayList; lines: DisplayList; point: string } | null;
  } | null;
  /** The day in blocks, minutes since midnight at the site, and what time it is there; null on another day. */
  day: { blocks: DayBlock[]; now: number | null };
}
