import type { TakeBoard } from '../boards/board-views';
import type { CompareView, CostsView } from '../boards/model-views';
import type { IsoDate } from '../../units/iso-date';

/** A year's or a club's findings on paper: the same as a page. */
export interface ClubReport {
  clubName: string;
  /** "of the club", "of 2025". */
  whose: string;
  madeOn: IsoDate;
  /** What was done. */
  done: { workshops: number; keepers: number; people: number; methods: { name: string; keepers: number }[] };
  take: Pick<TakeBoard, 'sentence' | 'milestone' | 'milestones' | 'unions' | 'plants' | 'varieties' | 'runs'>;
  /** What explains the differences; null where too little is known. */
  differs: CompareView | null;
  score: string;
  /** Causes by how many died of them. */
  causes: { sentence: string; counts: { words: string; count: number; settled: number }[]; shared: string[] };
  when: string;
  teach: CostsView | null;
  /** What is not known, a sentence each. */
  unknown: string[];
}

/** Tables of a report that can be had as CSV. */
export const REPORT_TABLES = ['take', 'workshops', 'levels', 'causes', 'points'] as const;
export type ReportTable = (typeof REPORT_TABLES)[number];
