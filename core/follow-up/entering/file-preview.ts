import type { Said } from '../said';

/** A line of a file of answers, as it is shown before anything is kept. */
export interface FileAnswer {
  line: number;
  code: string;
  variety: string;
  grower: string;
  said: Said | null;
  seenOn: string;
  growthMm: number | null;
  note: string;
  /** Why it is left out; empty where it is kept. */
  problem: string;
}

export interface FilePreview {
  rows: FileAnswer[];
  notes: readonly string[];
  /** Lines that would be kept. */
  good: number;
}
