import type { ScopeView } from '@/core/findings/boards/board-views';
import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import { levelNames } from '@/server/findings/causes/level-names';
import type { Context } from '@/server/platform/context';
import { scopeOf } from './scope';

export interface UnionBehind extends KeeperFact {
  maker: string;
}

export interface UnionsBehind {
  scope: ScopeView;
  unions: UnionBehind[];
  /** There are more than are shown. */
  more: number;
}

const MOST = 400;

/** The unions behind a figure, one by one. */
export async function unionsBehind(context: Context, input: unknown): Promise<UnionsBehind> {
  const { facts, view } = await scopeOf(context, input);
  const nameOf = await levelNames(context);
  return {
    scope: view,
    more: Math.max(0, facts.length - MOST),
    unions: facts.slice(0, MOST).map((fact) => ({ ...fact, maker: nameOf({ kind: 'grafter', level: fact.makerId }) })),
  };
}
