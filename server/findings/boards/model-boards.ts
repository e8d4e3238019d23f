import type { ModelBoard } from '@/core/findings/boards/model-views';
import { counted } from '@/core/units/counted';
import { comparedOf, pointsOfFacts } from '@/server/findings/models/model-view';
import { reckoned } from '@/server/findings/models/reckoned';
import { remembered } from '@/server/club/remembered';
import type { Context } from '@/server/platform/context';
import { scopeOf } from './scope';

interface Asked {
  board: ModelBoard;
  /** The model is not there yet: its sentence comes with a later look. */
  running: boolean;
}

async function rememberedModel(
  context: Context,
  name: string,
  input: unknown,
  make: (context: Context, input: unknown) => Promise<Asked>,
): Promise<ModelBoard> {
  const { board } = await remembered(context, name, input, (look) => make(look, input), {
    keep: ({ running }) => !running,
  });
  return board;
}

/** What differs: the model's sentence as soon as it is reckoned. */
export function differsBoard(context: Context, input: unknown): Promise<ModelBoard> {
  return rememberedModel(context, 'what differs', input, makeDiffersBoard);
}

async function makeDiffersBoard(context: Context, input: unknown): Promise<Asked> {
  const { view: scope, facts } = await scopeOf(context, input);
  const view = await comparedOf(context, scope.filter, facts, reckoned);
  const about = `What differs among ${counted(scope.keepers, 'keeper')} ${scope.whose}, with lots, days and hands weighed at once`;
  return {
    board: { scope, sentence: view.state === 'done' ? view.view.sentence : about },
    running: view.state === 'reckoning',
  };
}

/** What to teach next, likewise; what they died of is asked for with the rest. */
export function teachBoard(context: Context, input: unknown): Promise<ModelBoard> {
  return rememberedModel(context, 'what to teach', input, makeTeachBoard);
}

async function makeTeachBoard(context: Context, input: unknown): Promise<Asked> {
  const { view: scope, facts } = await scopeOf(context, input);
  const view = await pointsOfFacts(context, facts, reckoned, () => Promise.resolve(new Map()));
  const about = `What faults cost ${counted(scope.keepers, 'keeper')} ${scope.whose}, and what to teach next`;
  return {
    board: { scope, sentence: view.state === 'done' ? view.view.sentence : about },
    running: view.state === 'reckoning',
  };
}
