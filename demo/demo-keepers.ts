import { v7 as uuid } from 'uuid';
import { seededRandom } from '@/core/chance/seeded-random';
import { keeperSample } from '@/core/score/readiness/keeper-sample';
import type { Outlook } from '@/core/score/rubric/outlook';
import type { Actor, Context } from '@/server/platform/context';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { putJudgement } from '@/server/score/judgements';
import { drawnUnion } from './drawn-union';
import { HANDS } from './scenario';

/**
 * There was time for every second keeper: judged as it was joined, and most of them once more when they were wrapped and
 * tagged. The others stay unjudged.
 */
export async function judgeDemoKeepers(
  as: (actor: Actor, now: Date) => Context,
  assessor: Actor,
  workshopId: string,
  date: string,
): Promise<void> {
  const began = new Date(`${date}T14:20:00Z`);
  const keepers = (await listKeepers(as(assessor, began), workshopId)).filter(({ voidedAt }) => !voidedAt);
  const judged = keeperSample(
    keepers.map(({ unionId, seatId, place }) => ({ unionId, seatId, number: place })),
    'second',
  );
  const random = seededRandom(1_313);
  let minute = 0;
  for (const keeper of keepers.filter(({ unionId }) => judged.has(unionId))) {
    const [start, gain] = HANDS[keeper.seat.number - 1]!;
    const skill = Math.min(0.96, start + gain * 4);
    const { measures, marks } = drawnUnion(random, skill);
    const outlook: Outlook = skill + 0.3 * random() > 0.95 ? 'surely' : skill > 0.6 ? 'perhaps' : 'hardly';
    for (const stage of random() < 0.75 ? (['joined', 'keeper'] as const) : (['joined'] as const)) {
      const at = new Date(began.getTime() + (minute += 1.5) * 60_000);
      await putJudgement(as(assessor, at), uuid(), {
        workshopId,
        seatId: keeper.seatId,
        kind: 'keeper',
        unionId: keeper.unionId,
        number: keeper.place,
        method: keeper.method,
        stage,
        measures,
        marks: stage === 'keeper' && random() < 0.2 ? { ...marks, seal: 'poor' } : marks,
        note: '',
        deviceAt: at,
        outlook,
        outlookBy: 'assessor',
      });
    }
  }
}
