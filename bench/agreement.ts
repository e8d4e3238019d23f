import { krippendorffAlpha } from '@/core/score/agreement/krippendorff-alpha';

/*
 * node --import tsx bench/agreement.ts
 * Time of Krippendorff's alpha over 10,000 units of three assessors, ms; under 100 is asked.
 */

let state = 7;
const draw = (): number => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647;
for (const [metric, values] of [
  ['ordinal', 3],
  ['interval', 101],
] as const) {
  const units = Array.from({ length: 10_000 }, () => Array.from({ length: 3 }, () => Math.floor(draw() * values)));
  const began = performance.now();
  const alpha = krippendorffAlpha(units, metric)!;
  console.log(`${metric}: ${(performance.now() - began).toFixed(1)} ms, alpha ${alpha.toFixed(4)}`);
}
