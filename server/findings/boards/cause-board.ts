import { remembered } from '@/server/club/remembered';
import type { ScopeView } from '@/core/findings/boards/board-views';
import { EVERYTHING } from '@/core/findings/facts/findings-filter';
import type { FateBoard } from '@/core/findings/shared/fate-board';
import { fatesSentence } from '@/core/findings/shared/fates-sentence';
import { clubFates, workshopFates } from '@/server/findings/causes/fate-board';
import type { Context } from '@/server/platform/context';
import { scopeOf } from './scope';

export interface CauseBoard {
  scope: ScopeView;
  sentence: string;
  fates: FateBoard;
  /** What whoever looks may change. */
  may: { settle: boolean; strike: boolean };
}

/** Why keepers of a filter died. What is evidence of one is still weighed within its whole workshop. */
export function causeBoard(context: Context, input: unknown): Promise<CauseBoard> {
  return remembered(context, 'causes', input, (look) => makeCauseBoard(look, input));
}

async function makeCauseBoard(context: Context, input: unknown): Promise<CauseBoard> {
  const { facts, view } = await scopeOf(context, input);
  const { workshopId, ...chosen } = view.filter;
  const whole = Object.entries(chosen).every(([name, value]) => value === EVERYTHING[name as keyof typeof chosen]);
  const inScope = whole ? null : new Set(facts.map(({ unionId }) => unionId));
  const fates = workshopId ? await workshopFates(context, workshopId, inScope) : await clubFates(context, inScope);
  const { role } = context.actor;
  return {
    scope: view,
    sentence: whole ? `${fatesSentence(fates)}.` : `Of keepers ${view.whose}: ${fatesSentence(fates)}.`,
    fates,
    may: { settle: role === 'lead', strike: role !== 'viewer' },
  };
}
