import { percent } from '../../units/percent';
import type { SurvivalFit } from '../survival/turnbull';

/**
 * When plants die, in a sentence: the stretch of days in which most did, and what lives after the last visit.
 *
 * @param deaths plants that were seen dead
 */
export function survivalSentence({ steps }: SurvivalFit, deaths: number): string {
  const seen = steps.filter(({ to }) => to !== null);
  const worst = seen.reduce<(typeof seen)[number] | null>(
    (most, step) => (step.mass > (most?.mass ?? 0) ? step : most),
    null,
  );
  if (!worst || deaths === 0) return 'None of them was seen dead, so there is nothing to say of when they die.';
  const all = seen.reduce((sum, { mass }) => sum + mass, 0);
  const left = seen.at(-1)!.survivalAfter;
  return `Most died between day ${worst.from} and day ${worst.to} after the union was made (${percent(worst.mass / all)} of all that died); ${percent(left)} still live after day ${seen.at(-1)!.to}.`;
}
