import { parentPort } from 'node:worker_threads';
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

/*
 * What runs in the thread that reckons models, so that nobody else's request waits for it: see reckoned.ts.
 */

type Tell = (share: number) => void;

/** Looks a mixed model usually takes: its progress is a guess that does not reach the end before it does. */
const USUAL_LOOKS = 24;

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

interface Job {
  id: string;
  kind: keyof typeof MODELS;
  from: unknown;
}

/** Ten words a second are enough to see it go on. */
const TELL_EVERY = 100;

parentPort?.on('message', ({ id, kind, from }: Job) => {
  let told = 0;
  const tell: Tell = (share) => {
    if (Date.now() - told < TELL_EVERY) return;
    told = Date.now();
    parentPort!.postMessage({ id, share });
  };
  try {
    parentPort!.postMessage({ id, result: (MODELS[kind] as (from: unknown, tell: Tell) => unknown)(from, tell) });
  } catch (error) {
    const refused = error instanceof RangeError;
    parentPort!.postMessage({ id, [refused ? 'refused' : 'fault']: (error as Error)[refused ? 'message' : 'stack'] });
  }
});
