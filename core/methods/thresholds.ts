/** Where the grades of measured points change. Shares 0 to 1, lengths mm. */
export interface Thresholds {
  /** Share of contact, of a side or of a whole line, that counts as matched. */
  matched: number;
  /** Summed hollow of the faces from which light is seen. */
  hairline: number;
  /** Gap from which a face stands open; fatal over more than half its length. */
  open: number;
  /** How far lengths may differ, and pass the ends of the method's range, as a share. */
  lengthTolerance: number;
  /** Strip of face that may show above the rim. */
  windowFrom: number;
  windowTo: number;
}

export type ThresholdId = keyof Thresholds;

/** Source: usual practice, judging a union on the bench; `matched` is the contact model's. */
export const USUAL_THRESHOLDS: Readonly<Thresholds> = {
  matched: 0.6,
  hairline: 0.2,
  open: 0.5,
  lengthTolerance: 0.1,
  windowFrom: 6,
  windowTo: 13,
};

/** What each is called, and what it may be. */
export const THRESHOLD_WORDS: Record<ThresholdId, { name: string; unit: 'share' | 'mm'; least: number; most: number }> =
  {
    matched: { name: 'Contact that counts as matched', unit: 'share', least: 0.1, most: 1 },
    hairline: { name: 'Hollow from which light is seen', unit: 'mm', least: 0.05, most: 2 },
    open: { name: 'Gap at which faces stand open', unit: 'mm', least: 0.1, most: 3 },
    lengthTolerance: { name: 'Leeway of lengths', unit: 'share', least: 0, most: 0.5 },
    windowFrom: { name: 'Window, least', unit: 'mm', least: 0, most: 50 },
    windowTo: { name: 'Window, most', unit: 'mm', least: 1, most: 60 },
  };
