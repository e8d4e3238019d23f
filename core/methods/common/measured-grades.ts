import { ROUNDING } from '@/core/units/tolerance';
import { standsOpen } from '../../contact/hollow';
import type { Grade } from '../../contact/grade';
import { type Thresholds, USUAL_THRESHOLDS } from '../thresholds';

/** Grade of faces by their summed hollow, mm. Light is seen from a hairline on. */
export function flatnessGrade(hollow: number, { open, hairline }: Thresholds = USUAL_THRESHOLDS): Grade {
  if (standsOpen(hollow, open)) return 'fatal';
  return hollow >= hairline - ROUNDING ? 'poor' : 'good';
}

/** Grade of cut lengths: alike, and in the method's range. "About 25" is no sharp limit. */
export function lengthGrade(
  lengths: number[],
  range: { from: number; to: number },
  { lengthTolerance }: Thresholds = USUAL_THRESHOLDS,
): Grade {
  const longest = Math.max(...lengths);
  const alike = longest - Math.min(...lengths) <= lengthTolerance * longest + ROUNDING;
  const inRange = lengths.every(
    (length) => length >= range.from * (1 - lengthTolerance) && length <= range.to * (1 + lengthTolerance),
  );
  return alike && inRange ? 'good' : 'poor';
}

/** Grade of the strip of face left above the rim. */
export function windowGrade(window: number, { windowFrom, windowTo }: Thresholds = USUAL_THRESHOLDS): Grade {
  return window >= windowFrom - ROUNDING && window <= windowTo + ROUNDING ? 'good' : 'poor';
}
