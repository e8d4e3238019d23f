import { v7 as uuid } from 'uuid';
import { addDays } from '@/core/units/iso-date';
import { lookForCause } from '@/server/findings/causes/cause-looks';
import { importAnswers } from '@/server/follow-up/entering/answers-file';
import { addRound } from '@/server/follow-up/rounds';
import type { Keeper } from '@/server/plan/keepers-of-workshop';
import type { Guild, MadeKeeper } from './guild';
import type { DayPlan } from './scenario';

/** Answers came as a table from the guild's autumn walk; some of the dead were looked at more closely. */
export async function answerDrawn(
  { as, lead, assistant }: Guild,
  plan: DayPlan,
  workshopId: string,
  keepers: readonly MadeKeeper[],
): Promise<void> {
  const walk = async (
    milestone: string,
    days: number,
    answers: readonly (readonly [Keeper, 'alive' | 'dead'])[],
  ): Promise<void> => {
    const date = addDays(plan.date, days);
    const context = as(assistant, new Date(`${date}T17:00:00Z`));
    await addRound(as(lead, new Date(`${addDays(date, -7)}T08:00:00Z`)), workshopId, uuid(), {
      milestone,
      opensOn: addDays(date, -7),
      closesOn: addDays(date, 21),
    });
    const lines = answers.map(([{ code }, answer]) => `${code},${answer},${date},,`);
    const { left } = await importAnswers(
      context,
      uuid(),
      new TextEncoder().encode(['code,answer,seen_on,growth,note', ...lines].join('\n')),
    );
    if (left > 0) throw new Error(`${left} answers of ${plan.title} were left out.`);
  };
  const heard = keepers.filter(([, drawn]) => drawn.heard);
  await walk(
    plan.milestone,
    plan.asked,
    heard.map(([keeper, { died }]) => [keeper, died === 'asked' ? 'dead' : 'alive']),
  );
  if (plan.again !== null)
    await walk(
      'wintered',
      plan.again,
      heard
        .filter(([, { died }]) => died !== 'asked')
        .map(([keeper, { died }]) => [keeper, died === 'again' ? 'dead' : 'alive']),
    );
  for (const [{ unionId }, { died, looks }] of heard)
    if (died !== null)
      for (const code of looks) {
        const seenOn = addDays(plan.date, (died === 'asked' ? plan.asked : plan.again!) + 1);
        await lookForCause(as(assistant, new Date(`${seenOn}T17:00:00Z`)), uuid(), { unionId, code, seenOn });
      }
}
