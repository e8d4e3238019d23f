import { dueTasks } from '@/core/aftercare/week/due-tasks';
import type { AnswerBack } from '@/core/follow-up/grower/grower-page';
import type { Wording, WordingKey } from '@/core/follow-up/wording/wording';
import type { ReportRow } from '@/db/models/follow-up-rows';
import { livingUnions } from '@/server/aftercare/living-unions';
import { unionPlans, type UnionWithPlan } from '@/server/aftercare/union-plans';
import type { Context } from '@/server/platform/context';
import type { AskedUnion } from '../asks/asked-unions';
import type { KeptAnswer } from '../reports';
import type { LengthUnit } from '@/core/units/length';

/** Of what a plan wants, no more is said on one page than somebody does in a week. */
const MOST_TASKS = 4;

/** What is said back to an answer: how it reads, why, when to look again, what to do this week, and a second try. */
export function answerBack(
  report: Pick<ReportRow, 'reading' | 'why' | 'nextLookOn' | 'said'>,
  plan: UnionWithPlan | undefined,
  { wording, unit, secondTry }: { wording: Wording; unit: LengthUnit; secondTry: boolean },
): AnswerBack {
  const { say, day } = wording;
  const { reading, why, nextLookOn } = report;
  const tasks = plan ? dueTasks(plan.tasks, plan.ties, plan.today, undefined, plan.shade) : [];
  const sleeps = why === 'sleeps-till-spring';
  return {
    reading: reading ? say(`reading.${reading}`) : '',
    why: why ? say(`why.${why}` as WordingKey) : '',
    next: nextLookOn ? say('next.on', { day: day(nextLookOn) }) : sleeps ? say('next.spring') : '',
    week: tasks.slice(0, MOST_TASKS).map(({ name }) => sentence(wording.trade(name, unit))),
    second: secondTry && plan ? secondWords(plan, wording) : [],
  };
}

/** The same of an answer that was just kept, by its plan as the answer has left it. */
export async function backTo(
  context: Context,
  { union, plant }: AskedUnion,
  { report, secondTry }: Pick<KeptAnswer, 'report' | 'secondTry'>,
  wording: Wording,
): Promise<AnswerBack> {
  const living = await livingUnions(context, { plantIds: [plant.id] });
  const [plan] = await unionPlans(
    context,
    living.filter((each) => each.union.id === union.id),
  );
  return answerBack(report, plan, { wording, unit: context.actor.lengthUnit, secondTry });
}

const sentence = (text: string): string => (/[.!?]$/.test(text) ? text : `${text}.`);

/** What can still be tried this season, with the sticks that are left. */
function secondWords({ second, wood }: UnionWithPlan, { say, day }: Wording): string[] {
  if (!second) return [];
  const { redoBy, whyNot, budIn } = second;
  const sticks = Math.max(0, wood.sticks - wood.booked);
  const redo =
    whyNot !== null
      ? []
      : [redoBy ? say('page.second.redo', { sticks, day: day(redoBy) }) : say('page.second.redo-open', { sticks })];
  const bud = budIn ? [say('page.second.bud', { from: day(budIn.from), to: day(budIn.to) })] : [];
  return redo.length + bud.length > 0 ? [...redo, ...bud] : [say('page.second.keep')];
}
