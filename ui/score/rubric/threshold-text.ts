import { THRESHOLD_WORDS, type ThresholdId, USUAL_THRESHOLDS } from '@/core/methods/thresholds';
import { fromMillimetres, type LengthUnit, toMillimetres } from '@/core/units/length';

/** A threshold as it stands in its field: shares in percent, lengths in the reader's unit. */
export function thresholdText(id: ThresholdId, value: number, unit: LengthUnit): string {
  const shown = THRESHOLD_WORDS[id].unit === 'share' ? value * 100 : fromMillimetres(value, unit);
  return String(Math.round(shown * 1000) / 1000);
}

/** What is said behind a threshold's name. */
export function thresholdUnit(id: ThresholdId, unit: LengthUnit): string {
  return THRESHOLD_WORDS[id].unit === 'share' ? '%' : unit;
}

/**
 * A threshold as it was typed, as a share or in mm. A field nobody touched says what it stood for to its last figure,
 * not what inches make of it.
 *
 * @param saved what the club has in place of the usual.
 */
export function readThreshold(
  id: ThresholdId,
  text: string,
  typed: number,
  unit: LengthUnit,
  saved: number | undefined,
): number {
  for (const known of [saved, USUAL_THRESHOLDS[id]])
    if (known !== undefined && text === thresholdText(id, known, unit)) return known;
  return THRESHOLD_WORDS[id].unit === 'share' ? typed / 100 : toMillimetres(typed, unit);
}
