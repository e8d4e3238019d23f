import type { KnittingKin } from '../../plan/phenology/assumptions';
import type { BatchProgress } from './batch';
import type { HoldBack } from './hold-back';
import type { KnittingBand } from '@/core/plan/phenology/knitting-rate';
import type { ProposedCallusing } from './opened-batch';
import type { OutOfRange } from './out-of-range';

/** Grafts of one kind that came to a callus place on one day. */
export interface CallusBatch {
  /** Names it among the others. */
  key: string;
  kin: KnittingKin;
  variety: string;
  since: string;
  /** The day they left; null while they stand there. */
  leftOn: string | null;
  plants: { plantId: string; code: string }[];
  /** Null where nothing was read: then the plain way goes on. */
  progress: BatchProgress | null;
  /** The day to look at the first one, by the plain way. */
  lookOn: string;
  /** Days by the forecast, of the site; null where it stands still. */
  doneOn: string | null;
  soonestOn: string | null;
  latestOn: string | null;
  done: boolean;
  /** Since when they have leaves, and what can be done with them; null while they have none. */
  leafed: (HoldBack & { on: string }) | null;
}

/** One that was opened to look, beside what had been reckoned. */
export interface OpenedGraft {
  id: string;
  on: string;
  kin: KnittingKin;
  code: string | null;
  callused: boolean;
  note: string;
  knitDays: number;
}

/** A callus place with what its logger told. */
export interface CallusView {
  today: string;
  kin: KnittingKin | null;
  band: KnittingBand | null;
  /** Where cuts knit fully, °C, and who says so. */
  range: { from: number; to: number; source: string | null } | null;
  /** Days of full warmth after which a graft is taken for callused, and who says so. */
  callused: number;
  callusedSource: string | null;
  readings: number;
  from: string | null;
  lastAt: string | null;
  lastValue: number | null;
  /** For the chart: in stretches, their lowest and highest. */
  plotted: { at: string; value: number }[];
  /** Knit days of each calendar day. */
  days: { on: string; knit: number; heatHours: number; frostHours: number }[];
  spells: OutOfRange[];
  letters: number;
  batches: CallusBatch[];
  opened: OpenedGraft[];
  proposed: ProposedCallusing | null;
  logs: { id: string; fileName: string; from: string; to: string; readings: number; added: number; notes: string[] }[];
  /** Clocks of the site. */
  zone: string;
}
