import type { Keeper } from '@/server/plan/keepers-of-workshop';
import type { Actor, Context } from '@/server/platform/context';
import type { DrawnKeeper } from './drawn-years';

/** Whose hands the years pass through. */
export interface Guild {
  as: (actor: Actor, now: Date) => Context;
  lead: Actor;
  assistant: Actor;
  siteId: string;
}

/** A keeper with what was drawn of it. */
export type MadeKeeper = [Keeper, DrawnKeeper];
