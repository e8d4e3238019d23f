import { chiSquareTail } from '../../statistics/chi-square-tail';
import { logistic } from '../../statistics/logistic';
import { Z90 } from '../../statistics/normal-points';
import { quantile } from '../../statistics/quantile';
import { adjustedDesign, type AdjustedUnion } from '../mixed/adjusted-design';
import { adjustedFit, type AdjustedFit, adjustedTerms } from '../mixed/adjusted-model';
import { dependsOn } from '../mixed/mixed-design';
import { tens } from './logistic-fit';
import { SCORE_BINS } from './murphy-parts';

/** A keeper that was judged itself. */
export type JudgedUnion = AdjustedUnion & { score: number; fatal: boolean };

/** Of a hundred average keepers, how many would live. */
export interface OfHundred {
  from: number;
  to: number;
  keepers: number;
  alive: number;
  /** By the model, with days, hands and methods as they are. */
  wouldLive: number;
}

/** What ten points of score mean for the same hand on the same day. */
export interface ScoreSlope {
  slope: number;
  low: number;
  high: number;
  /** Only then is it said that a higher score lives oftener. */
  claims: boolean;
  /** Why it cannot be told; null where it can. */
  untold: string | null;
  /** Chance to live with a fatal fault and without, of average keepers; null where none had one. */
  fatal: { with: number; without: number; keepers: number; low: number; high: number } | null;
  /** Bins with enough keepers without a fatal fault. */
  bins: OfHundred[];
  /** Whether a line over the score is enough; where it is not, each bin has a take of its own. */
  straight: boolean;
  keepers: number;
  workshops: number;
  /** Half of all scores without a fatal fault lie between. */
  spread: { low: number; high: number; above95: number };
  /** Judged keepers more that would settle whether there is such a slope, if it is as large as it seems; null where it is none. */
  more: number | null;
}

/** A bin of fewer keepers is not drawn. */
const DRAWN_FROM = 10;

/**
 * What the score means once days, hands, lots and methods are taken into account.
 *
 * @throws RangeError for no unions, all alive or all dead, or where no finite fit exists
 */
export function scoreSlope(unions: readonly JudgedUnion[], onLook: (looks: number) => void = () => {}): ScoreSlope {
  const design = adjustedDesign(unions, 'score');
  const fit = adjustedFit(design, onLook);
  const { fixed } = adjustedTerms(fit);
  const term = (name: string) => fixed.find((column) => column.name === name);
  const s = term('s');
  const [slope, error] = [s?.estimate ?? 0, s?.standardError ?? 0];
  const low = slope - Z90 * error;
  const untold = s ? design.slopeUntold : (design.slopeUntold ?? 'All scores are alike.');
  const claims = untold === null && low > 0;
  const plain = unions.filter(({ fatal }) => !fatal).map(({ score }) => score);
  const rising = [...plain].sort((a, b) => a - b);
  return {
    slope,
    low,
    high: slope + Z90 * error,
    claims,
    untold,
    fatal: fatalShare(fit, unions, term('fatal')),
    ...shapeOf(fit, unions, s !== undefined && untold === null),
    keepers: unions.length,
    workshops: new Set(unions.map(({ groups }) => groups.workshop)).size,
    spread: {
      low: quantile(rising, 0.25) ?? 0,
      high: quantile(rising, 0.75) ?? 0,
      above95: plain.filter((score) => score > 95).length / Math.max(1, plain.length),
    },
    more:
      untold === null && slope > 0 && !claims
        ? Math.ceil(unions.length * Math.max(0.1, ((Z90 * error) / slope) ** 2 - 1))
        : null,
  };
}

/** Log odds of each union at the modes, in the design's order, with its place among the unions. */
function oddsOf({ laplace, mode }: AdjustedFit): { at: number; odds: number }[] {
  return Array.from(laplace.rows.layout.order, (at, i) => {
    const chance = mode.chances[i]!;
    return { at, odds: Math.log(chance / (1 - chance)) };
  });
}

function fatalShare(
  fit: AdjustedFit,
  unions: readonly JudgedUnion[],
  term: { estimate: number; standardError: number } | undefined,
): ScoreSlope['fatal'] {
  if (!term) return null;
  const { design, parameters } = fit;
  const scored = design.fixed.flatMap(({ name, values }, j) => (name.startsWith('s') ? [{ values, j }] : []));
  const plain = oddsOf(fit).filter(({ at }) => !unions[at]!.fatal);
  // What a fatal fault leaves of each: its score says nothing any more.
  const without = plain.map(
    ({ at, odds }) => odds - scored.reduce((sum, { values, j }) => sum + parameters[j]! * values[at]!, 0),
  );
  const mean = (shift: number): number =>
    without.reduce((sum, odds) => sum + logistic(odds + shift), 0) / Math.max(1, without.length);
  return {
    with: mean(term.estimate),
    low: mean(term.estimate - Z90 * term.standardError),
    high: mean(term.estimate + Z90 * term.standardError),
    without: plain.reduce((sum, { odds }) => sum + logistic(odds), 0) / Math.max(1, plain.length),
    keepers: unions.filter(({ fatal }) => fatal).length,
  };
}

/** A line is not enough where bins of their own fit so much better. */
const BENT = 0.05;

/** What bins would have, by the line over the score or, where that is not enough, by the bins themselves. */
function shapeOf(
  fit: AdjustedFit,
  unions: readonly JudgedUnion[],
  isTold: boolean,
): Pick<ScoreSlope, 'bins' | 'straight'> {
  if (!isTold) return { bins: [], straight: true };
  const bent = bentFit(fit, unions);
  const straight = bent === null;
  const used = bent ?? fit;
  const terms = used.design.fixed.flatMap(({ name, values }, j) =>
    name === 's' || name.startsWith(BIN) ? [{ name, values, coefficient: used.parameters[j]! }] : [],
  );
  return { straight, bins: binsOf(used, unions, terms) };
}

const BIN = 'scored-';

/** The same model with a take of its own for each bin beside the line, where that fits better beyond chance; else null. */
function bentFit(fit: AdjustedFit, unions: readonly JudgedUnion[]): AdjustedFit | null {
  const fixed = [...fit.design.fixed];
  for (const [i, from] of SCORE_BINS.entries()) {
    const next = SCORE_BINS[i + 1] ?? Infinity;
    const values = Float64Array.from(unions, ({ score, fatal }) => Number(!fatal && score >= from && score < next));
    const inside = values.reduce((sum, x) => sum + x, 0);
    if (inside >= DRAWN_FROM && !dependsOn(values, fixed)) fixed.push({ name: `${BIN}${from}`, values, heldTo: null });
  }
  const added = fixed.length - fit.design.fixed.length;
  if (added === 0) return null;
  const bins = adjustedFit({ ...fit.design, fixed });
  return chiSquareTail(2 * (bins.value - fit.value), added) < BENT ? bins : null;
}

interface ScoreTerm {
  name: string;
  values: Float64Array;
  coefficient: number;
}

/** Each bin: all keepers without a fatal fault as they are, but for the score, which is the bin's mean. */
function binsOf(fit: AdjustedFit, unions: readonly JudgedUnion[], terms: readonly ScoreTerm[]): OfHundred[] {
  const plain = oddsOf(fit).filter(({ at }) => !unions[at]!.fatal);
  const own = (at: number): number =>
    terms.reduce((sum, { values, coefficient }) => sum + coefficient * values[at]!, 0);
  return SCORE_BINS.flatMap((from, i): OfHundred[] => {
    const next = SCORE_BINS[i + 1] ?? Infinity;
    const members = plain.map(({ at }) => unions[at]!).filter(({ score }) => score >= from && score < next);
    if (members.length < DRAWN_FROM) return [];
    const middle = members.reduce((sum, { score }) => sum + tens(score), 0) / members.length;
    const there = terms.reduce(
      (sum, { name, coefficient }) => sum + coefficient * (name === 's' ? middle : Number(name === `${BIN}${from}`)),
      0,
    );
    const chance = plain.reduce((sum, { at, odds }) => sum + logistic(odds + there - own(at)), 0) / plain.length;
    return [
      {
        from,
        to: next === Infinity ? 100 : next - 1,
        keepers: members.length,
        alive: members.filter(({ alive }) => alive).length,
        wouldLive: Math.round(100 * chance),
      },
    ];
  });
}
