import type { ModelView, WeightsView } from '@/core/findings/boards/model-views';
import { answersMissing, MINIMUM } from '@/core/findings/facts/answers-missing';
import { EVERYTHING, type FindingsFilter } from '@/core/findings/facts/findings-filter';
import { WORKSHOPS_NEEDED, type WeighedFate, type Weighing } from '@/core/findings/points/proposed-weights';
import { weightsSentence } from '@/core/findings/sentences/weights-sentence';
import { methodById } from '@/core/methods/registry';
import { pointsOf } from '@/core/methods/shown-technique';
import { editedRule } from '@/core/score/rubric/rubric-edits';
import { judgedKeepers } from '@/server/findings/facts/judged-keepers';
import { keeperFacts } from '@/server/findings/facts/keeper-facts';
import type { Context } from '@/server/platform/context';
import { UseCaseError } from '@/server/platform/use-case-error';
import { rubricEdits } from '@/server/score/rubric-editor';
import type { Ask } from './reckoned';

/** Weights by which the rubric of a method would foretell the take better, of all its judged keepers; only a proposal. */
export async function weightsView(context: Context, filter: FindingsFilter, ask: Ask): Promise<ModelView<WeightsView>> {
  if (!filter.method) throw new UseCaseError('invalid', 'Choose a method: weights are those of its rubric.');
  const method = methodById(filter.method);
  const { edits } = await rubricEdits(context, method.id);
  const { weights, fatalCap, caps } = editedRule(method, {}, edits);
  const judged = await judgedKeepers(context, await keeperFacts(context, { ...EVERYTHING, method: method.id }));
  const known = judged.flatMap(({ workshopId, grades, fate }): WeighedFate[] =>
    fate === 'unknown' ? [] : [{ workshop: workshopId, grades, alive: fate === 'alive' }],
  );
  const missing = missingForWeights(known, method.name);
  if (missing) return missing;
  const start = editedRule(method, {}, {}).weights;
  const now: Weighing = caps ? { weights, fatalCap, caps, start } : { weights, fatalCap, start };
  const found = await ask('weights', { known, now });
  if (found.state !== 'done') return found;
  const { weights: then, between, ...tried } = found.result;
  return {
    state: 'done',
    id: found.id,
    view: {
      ...tried,
      sentence: weightsSentence(found.result, known.length, method.name),
      known: known.length,
      proposed:
        then &&
        pointsOf(method, {}).map(({ id, name }) => ({
          point: id,
          name,
          now: weights[id] ?? 0,
          then: then[id] ?? 0,
          ...(between[id] ?? { low: 0, high: 0 }),
        })),
    },
  };
}

function missingForWeights(known: readonly WeighedFate[], method: string): ModelView<never> | null {
  const alive = known.filter((union) => union.alive).length;
  const dead = known.length - alive;
  const missing = answersMissing({ alive, dead }, MINIMUM.points);
  const workshops = new Set(known.map(({ workshop }) => workshop)).size;
  if (missing === 0 && workshops >= WORKSHOPS_NEEDED) return null;
  const enough =
    missing > 0
      ? `about ${missing} more answers would do`
      : `keepers of ${WORKSHOPS_NEEDED} workshops at least are needed, and these are of ${workshops}`;
  return {
    state: 'missing',
    missing: { known: known.length, rarer: Math.min(alive, dead), missing },
    sentence: `Whether other weights would foretell the take of ${method.toLowerCase()} better cannot be said yet: ${known.length} judged keepers have a known fate (${alive} live, ${dead} died); ${enough}.`,
  };
}
