import { wayWords } from '@/core/aftercare/regraft/regraft-year';
import { madeWords } from '@/core/methods/made-words';
import { capital } from '@/core/units/capital';
import { dueTasks } from '@/core/aftercare/week/due-tasks';
import type { AnswerBack } from '@/core/follow-up/grower/grower-page';
import type { Wording, WordingKey } from '@/core/follow-up/wording/wording';
import type { ReportRow } from '@/db/models/follow-up-rows';
import { livingUnions } from '@/server/aftercare/living-unions';
import { unionPlans, type UnionWithPlan } from '@/server/aftercare/union-plans';
import type { Context } from '@/server/platform/context';
import type { AskedUnion } from '../asks/asked-unions';
import type { LengthUnit } from '@/core/units/length';

/** Of what a plan wants, no more is said on one page than somebody does in a week. */
const MOST_TASKS = 4;

/** What of an answer is said back. */
type Told = Pick<ReportRow, 'reading' | 'why' | 'nextLookOn' | 'said'>;

/** What is said back to an answer: how it reads, why, when to look again, what to do this week, and a second try. */
export function answerBack(
  report: Told,
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
    second: secondTry && plan ? secondWords(plan, wording, unit) : [],
  };
}

/** The same of an answer that was just kept, by its plan as the answer has left it. */
export async function backTo(
  context: Context,
  { union, plant }: AskedUnion,
  { report, secondTry }: { report: Told; secondTry: boolean },
  wording: Wording,
): Promise<AnswerBack> {
  const living = await livingUnions(context, { plantIds: [plant.id] });
  const plan = (await unionPlans(context, living)).find((each) => each.union.id === union.id);
  return answerBack(report, plan, { wording, unit: context.actor.lengthUnit, secondTry });
}

const sentence = (text: string): string => (/[.!?]$/.test(text) ? text : `${text}.`);

/** Of all that can still be tried, no more is named than somebody weighs up at a plant. */
const MOST_WAYS = 3;

/** What can still be tried on the stock, with which wood. */
function secondWords({ second }: UnionWithPlan, { say, day, trade }: Wording, unit: LengthUnit): string[] {
  const ways = second?.ways.slice(0, MOST_WAYS) ?? [];
  if (ways.length === 0) return second ? [say('page.second.keep')] : [];
  return ways.map((way) => {
    const words = trade(capital(wayWords(way, madeWords)), unit);
    return say('page.second.way', {
      way: words,
      from: day(way.from),
      to: day(way.to),
      wood: say(`page.second.wood.${way.wood}`, { sticks: second!.sticksLeft }),
    });
  });
}
