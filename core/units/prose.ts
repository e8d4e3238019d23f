import { formatLength, fromMillimetres, type LengthUnit } from './length';
import { formatTemperature, type TemperatureUnit } from './temperature';

/** A length that prose speaks of, mm: one that is usual, or a range of them; or, where `read`, what a caliper read. */
export interface SaidLength {
  mm: number;
  to?: number;
  read?: true;
}

/** A temperature that prose speaks of, degC, or a sum of warmth, degC days. */
export type SaidWarmth = { celsius: number } | { degreeDays: number };
type Said = SaidLength | SaidWarmth;

/** A sentence with figures in it, which are written in the units of whoever reads; plain values, so that it can be sent. */
export interface MeasuredProse {
  said: readonly string[];
  figures: readonly Said[];
}

/** Words with or without figures in them. */
export type Prose = string | MeasuredProse;

/** A usual length for {@link prose}, or one up to another. */
export function mm(from: number, to?: number): SaidLength {
  return to === undefined ? { mm: from } : { mm: from, to };
}

/** A length for {@link prose} that was measured or worked out, written to its last figure. */
export function measured(length: number): SaidLength {
  return { mm: length, read: true };
}

/** A temperature for {@link prose}, degC. */
export function celsius(value: number): SaidWarmth {
  return { celsius: value };
}

/** A sum of warmth for {@link prose}, degC days. */
export function warmthSum(value: number): SaidWarmth {
  return { degreeDays: value };
}

const isFigure = (part: Said | Prose | number): part is Said => typeof part === 'object' && !('said' in part);

/**
 * Words with lengths in them, as a template; other words may stand in them, measured themselves or not.
 *
 * @example written(prose`Leave ${mm(6, 13)} of the face.`, 'in') // 'Leave 1/4 to 1/2 in of the face.'
 */
export function prose(template: TemplateStringsArray, ...parts: (Said | Prose | number)[]): MeasuredProse {
  const said = [template[0]!];
  const figures: Said[] = [];
  const add = (text: string): void => void said.push(said.pop()! + text);
  parts.forEach((part, i) => {
    if (typeof part !== 'object') add(String(part));
    else if (isFigure(part)) {
      figures.push(part);
      said.push('');
    } else {
      add(part.said[0]!);
      figures.push(...part.figures);
      said.push(...part.said.slice(1));
    }
    add(template[i + 1]!);
  });
  return { said, figures };
}

/** Words as they are read, lengths in one unit and temperatures in another. */
export function written(words: Prose, unit: LengthUnit, temperature: TemperatureUnit = 'C'): string {
  if (typeof words === 'string') return words;
  const figure = (said: Said): string => {
    if ('mm' in said) return saidLength(said, unit);
    if ('celsius' in said) return formatTemperature(said.celsius, temperature);
    return `${Math.round(temperature === 'C' ? said.degreeDays : said.degreeDays * 1.8)} °${temperature} days`;
  };
  return words.said.reduce((text, next, i) => text + figure(words.figures[i - 1]!) + next);
}

/** Whether words say the same. */
export function sameProse(a: Prose, b: Prose): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

/** Steps of an inch that hands speak of, by the size of the length, mm: finer ones for shorter lengths. */
const INCH_STEPS: readonly [below: number, denominator: number][] = [
  [5, 16],
  [16, 8],
  [100, 4],
  [Infinity, 2],
];

/**
 * A length in words: one that was read to its last figure; a usual one in whole mm, or in the fractions of an inch that
 * are on a ruler.
 *
 * @example saidLength({ mm: 200, to: 230 }, 'in') // '8 to 9 in'
 */
export function saidLength({ mm: from, to, read }: SaidLength, unit: LengthUnit): string {
  if (read) return formatLength(from, unit);
  const figure = (mm: number): string => (unit === 'mm' ? String(mm) : fraction(mm));
  const [low, high] = [figure(from), to === undefined ? null : figure(to)];
  return `${high === null || high === low ? low : `${low} to ${high}`} ${unit}`;
}

function fraction(mm: number): string {
  const inches = fromMillimetres(mm, 'in');
  const denominator = INCH_STEPS.find(([below]) => mm < below)![1];
  const parts = Math.max(1, Math.round(inches * denominator));
  const whole = Math.floor(parts / denominator);
  const rest = parts - whole * denominator;
  if (rest === 0) return String(whole);
  const common = [16, 8, 4, 2].find((divisor) => rest % divisor === 0 && denominator % divisor === 0) ?? 1;
  return `${whole > 0 ? `${whole} ` : ''}${rest / common}/${denominator / common}`;
}
