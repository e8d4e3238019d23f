import { standsOpen } from '../../contact/hollow';
import { FACE_GAP_LIMIT } from '../../contact/limits';
import type { Grade } from '../../scoring/grade';

/** Both cuts within this share of the longer one count as one length; a range has the same leeway at its ends. */
export const LENGTH_TOLERANCE = 0.1;
/** Light is seen from this gap on, mm: what people call a hairline. */
export const HAIRLINE = 0.2;

/** Grade of faces by their summed hollow, mm. */
export function flatnessGrade(open: number): Grade {
  if (standsOpen(open, FACE_GAP_LIMIT)) return 'fatal';
  return open >= HAIRLINE - 1e-9 ? 'poor' : 'good';
}

/** Grade of cut lengths: alike, and in the method's range. "About 25" is no sharp limit. */
export function lengthGrade(lengths: number[], range: { from: number; to: number }): Grade {
  const longest = Math.max(...lengths);
  const alike = longest - Math.min(...lengths) <= LENGTH_TOLERANCE * longest + 1e-9;
  const inRange = lengths.every((length) => length >= range.from * (1 - LENGTH_TOLERANCE) && length <= range.to * (1 + LENGTH_TOLERANCE));
  return alike && inRange ? 'good' : 'poor';
}

/** Grade of the strip of face left above the rim: 6 to 13 mm is right. */
export function windowGrade(window: number): Grade {
  return window >= 6 - 1e-9 && window <= 13 + 1e-9 ? 'good' : 'poor';
}
