import type { ModelBoard } from '@/core/findings/boards/model-views';
import { counted } from '@/core/units/counted';
import { comparedOf, pointsOfFacts } from '@/server/findings/models/model-view';
import { reckoned } from '@/server/findings/models/reckoned';
import type { Context } from '@/server/platform/context';
import { scopeOf } from './scope';

/** What differs: the model's sentence as soon as it is reckoned. */
export async function differsBoard(context: Context, input: unknown): Promise<ModelBoard> {
  const { view: scope, facts } = await scopeOf(context, input);
  const view = await comparedOf(context, scope.filter, facts, reckoned);
  const about = `What differs among ${counted(scope.keepers, 'keeper')} ${scope.whose}, with lots, days and hands weighed at once`;
  return { scope, sentence: view.state === 'done' ? view.view.sentence : about };
}

/** What to teach next, likewise; what they died of is asked for with the rest. */
export async function teachBoard(context: Context, input: unknown): Promise<ModelBoard> {
  const { view: scope, facts } = await scopeOf(context, input);
  const view = await pointsOfFacts(context, facts, reckoned, () => Promise.resolve(new Map()));
  const about = `What faults cost ${counted(scope.keepers, 'keeper')} ${scope.whose}, and what to teach next`;
  return { scope, sentence: view.state === 'done' ? view.view.sentence : about };
}
