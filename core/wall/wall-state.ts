import type { DayBlock } from '../benches/time-plan';
import type { DisplayList } from '../drawing/display-list';

/** What the wall of a bench day shows: how far the room is, and nobody's failure. */
export interface WallState {
  /** Changes whenever anything on the wall does. */
  seq: number;
  title: string;
  /** Everybody by seat: how many unions were seen, and whether they are ready. Empty where only totals are shown. */
  people: { label: string; seen: number; ready: boolean }[];
  totals: { people: number; unions: number; ready: number };
  fault: { name: string; good: string; how: string; times: number; of: number; side: DisplayList; lines: DisplayList; point: string } | null;
  /** The day in blocks, minutes since midnight at the site, and what time it is there; null on another day. */
  day: { blocks: DayBlock[]; now: number | null };
}
