import { mixedModel, type MixedFit } from '@/core/findings/mixed/mixed-model';
import type { MixedUnion } from '@/core/findings/mixed/mixed-design';
import { type PointCost, pointCostsWithIntervals } from '@/core/findings/points/point-costs';
import { type JudgedFate, pointsModel, type PointsModel } from '@/core/findings/points/points-model';
import {
  proposedWeights,
  type ProposedWeights,
  type WeighedFate,
  type Weighing,
} from '@/core/findings/points/proposed-weights';
import { type GrownBetween, type SurvivalBand, survivalBands } from '@/core/findings/survival/survival-bands';

/** Told how far a model has got, 0 to 1. */
type Tell = (share: number) => void;

/** Looks a mixed model usually takes: its progress is a guess that does not reach the end before it does. */
const USUAL_LOOKS = 24;

/** Models of findings, by name; each takes what it is fitted to and tells how far it has got. */
export const MODELS = {
  mixed: (unions: MixedUnion[], tell: Tell): MixedFit =>
    mixedModel(unions, (looks) => tell(1 - Math.exp((-2 * looks) / USUAL_LOOKS))),
  points: (known: JudgedFate[], tell: Tell): { model: PointsModel; costs: PointCost[] } => {
    const model = pointsModel(known);
    return { model, costs: pointCostsWithIntervals(known, model, 1, tell) };
  },
  weights: ({ known, now }: { known: WeighedFate[]; now: Weighing }): ProposedWeights => proposedWeights(known, now),
  survival: ({ plants, days }: { plants: GrownBetween[]; days: number[] }, tell: Tell): SurvivalBand[] =>
    survivalBands(plants, days, 1, (fits, all) => tell(fits / all)),
};
