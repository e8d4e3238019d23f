import { type ReadyRule, USUAL_READY_RULE } from '@/core/score/readiness/ready-rule';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { putPart, readPart } from '@/server/plan/plan-parts';
import { settingsInput } from '@/core/score/rubric/settings-input';

/** How a workshop is scored, apart from its rubric. */
export interface ScoringSettings {
  ready: ReadyRule;
  /** Share of practice unions that a second assessor scores without seeing the first score, 0 to 1. */
  blindRate: number;
  /** What the wall calls people by, if at all. */
  wall: 'names' | 'seats' | 'totals';
}

export const USUAL_SCORING: ScoringSettings = { ready: USUAL_READY_RULE, blindRate: 0, wall: 'seats' };

export async function scoringSettings(
  context: Context,
  workshopId: string,
): Promise<ScoringSettings & { version: number }> {
  const { version, body } = await readPart<ScoringSettings>(context, workshopId, 'scoring');
  return { ...(body ?? USUAL_SCORING), version };
}

export async function putScoringSettings(context: Context, workshopId: string, input: unknown): Promise<number> {
  allow(context, 'assistant');
  return putPart(context, workshopId, 'scoring', input, parse(settingsInput, input));
}
