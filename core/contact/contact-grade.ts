import type { Grade } from './grade';
import type { LowContact } from './low-contact';

/** A share of contact that counts as matched, of a side or of a whole line. */
export const MATCHED = 0.6;

/** How good a contact is, in words that stand beside the drawing. */
export interface ContactGrade {
  grade: Grade;
  /** In a few words: "left side only, 53 %". */
  words: string;
  /** Why it is no better; null when nothing is wanting. */
  cause: LowContact | null;
}
