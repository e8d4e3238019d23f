import { adjustedDesign, type AdjustedUnion } from '@/core/findings/mixed/adjusted-design';
import { adjustedFit, adjustedTerms } from '@/core/findings/mixed/adjusted-model';
import { comparison, type Comparison } from '@/core/findings/mixed/comparison';
import { adjustedCosts, type PointCost } from '@/core/findings/points/adjusted-costs';
import {
  proposedWeights,
  type ProposedWeights,
  type WeighedFate,
  type Weighing,
} from '@/core/findings/points/proposed-weights';
import { type JudgedUnion, scoreSlope, type ScoreSlope } from '@/core/findings/score/score-slope';
import { type GrownBetween, type SurvivalBand, survivalBands } from '@/core/findings/survival/survival-bands';

/** Told how far a model has got, 0 to 1. */
type Tell = (share: number) => void;

/** Looks a mixed model usually takes: its progress is a guess that does not reach the end before it does. */
const USUAL_LOOKS = 40;

const guessed =
  (tell: Tell) =>
  (looks: number): void =>
    tell(1 - Math.exp((-2 * looks) / USUAL_LOOKS));

/** Models of findings, by name; each takes what it is fitted to and tells how far it has got. */
export const MODELS = {
  mixed: (unions: AdjustedUnion[], tell: Tell): Comparison => comparison(unions, tell),
  points: (known: AdjustedUnion[], tell: Tell): { terms: ReturnType<typeof adjustedTerms>; costs: PointCost[] } => {
    const fit = adjustedFit(adjustedDesign(known, 'points'), guessed(tell));
    return { terms: adjustedTerms(fit), costs: adjustedCosts(known, fit) };
  },
  slope: (unions: JudgedUnion[], tell: Tell): ScoreSlope => scoreSlope(unions, guessed(tell)),
  weights: ({ known, now }: { known: WeighedFate[]; now: Weighing }): ProposedWeights => proposedWeights(known, now),
  survival: ({ plants, days }: { plants: GrownBetween[]; days: number[] }, tell: Tell): SurvivalBand[] =>
    survivalBands(plants, days, 1, (fits, all) => tell(fits / all)),
};
