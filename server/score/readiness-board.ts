import { learningCurves } from '@/core/score/readiness/learning-curve';
import { countedAttempts, isReady } from '@/core/score/readiness/ready-rule';
import { LEAST_ATTEMPTS, outlook } from '@/core/score/readiness/until-ready';
import { cuttingMinutesLeft, unionsWithin } from '@/core/plan/benches/time-left';
import { minutesForUnions } from '@/core/plan/benches/time-plan';
import { methodById } from '@/core/methods/registry';
import { dateInZone, timeInZone } from '@/core/units/zoned-date';
import { allow, type Context } from '@/server/platform/context';
import { attemptOf } from './attempts';
import { dayBlocks } from '@/server/plan/bench-plan';
import { keeperDoors, practisedAs } from './keeper-permits';
import { kept } from '@/server/platform/kept';
import { quantities } from '@/server/plan/quantities';
import { practiceUnions } from './scored-unions';
import { scoringSettings } from './scoring-settings';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { listSeats } from '@/server/plan/seats';

/** Everybody's way to living wood by one method of the day: scores so far, the curve through them, how many more it may take, and who may make keepers. */
export async function readinessBoard(context: Context, workshopId: string, asked: string | null = null) {
  allow(context, 'viewer');
  const amounts = await quantities(context, workshopId);
  const { workshop, site, plan } = amounts;
  const taught = plan.methods.map(({ method }) => methodById(method));
  const method = taught.find(({ id }) => id === asked) ?? methodById(workshop.method);
  const [
    practised,
    seats,
    { scored },
    settings,
    doors,
    {
      day: { body: day },
      blocks: { blocks },
    },
  ] = await Promise.all([
    practisedAs(context, workshop, method.id),
    listSeats(context, workshopId),
    practiceUnions(context, workshop),
    scoringSettings(context, workshopId),
    keeperDoors(context, workshopId, method.id),
    dayBlocks(context, workshopId, amounts),
  ]);
  const present = seats.filter(({ absent }) => !absent);
  const attempts = present.map((seat) =>
    scored
      .filter(({ seatId, counts }) => seatId === seat.id && practised(counts.method))
      .map(({ counts }) => attemptOf(counts)),
  );
  const scores = attempts.map((own) => countedAttempts(own).map(({ score }) => score!));
  const curves = scores.some(({ length }) => length > 0) ? kept('learning curves', scores, learningCurves) : null;
  // What the plan gives everybody to practise on.
  const planned = plan.methods.find((row) => row.method === method.id)?.practiceEach ?? 0;
  // On the day itself the clock says what can still be made; before and after it, the plan.
  const today = dateInZone(context.now, site.timeZone);
  const minutesLeft =
    today === workshop.date ? cuttingMinutesLeft(blocks, method.name, timeInZone(context.now, site.timeZone)) : null;
  return {
    method: { id: method.id, name: method.name },
    taught: taught.map(({ id, name }) => ({ id, name })),
    settings,
    planned,
    minutesLeft,
    over: today > workshop.date,
    // A class's pace is told once several of it have made enough unions to have one.
    curves: curves && toldOfClass(scores) ? { rate: curves.rate, scatter: curves.scatter } : null,
    people: present.map((seat, i) => {
      const own = attempts[i]!;
      const ready = isReady(own, settings.ready);
      const curve = curves?.people[i] ?? null;
      const seen = curve ? outlook(own, curve, settings.ready) : null;
      const left =
        minutesLeft === null
          ? Math.max(0, planned - own.length)
          : unionsWithin(minutesLeft, own.length, day, present.length);
      const within = seen?.within(left) ?? null;
      return {
        seatId: seat.id,
        number: seat.number,
        name: seat.person.name ?? ERASED_NAME,
        attempts: own,
        ready,
        door: doors.get(seat.id)!,
        outlook: seen && { next: seen.next, attempts: seen.attempts, beyond: seen.beyond },
        left,
        minutes: seen?.attempts
          ? minutesForUnions(own.length + 1, own.length + Math.ceil(seen.attempts), day.firstUnion, day.falling)
          : null,
        // More likely than not they will not be ready with what the day, or the plan, still gives them.
        needsHelp: !ready && within !== null && within < 0.5,
        within,
        line: curve && seen?.next ? lineOf(curve, Math.max(6, own.length + 2)) : null,
      };
    }),
  };
}

/** A hand's curve as it is drawn over so many attempts. */
function lineOf(curve: ReturnType<typeof learningCurves>['people'][number], attempts: number) {
  return Array.from({ length: attempts }, (_, n) => {
    const { mean, half } = curve!.at(n + 1);
    return { n: n + 1, mean, half };
  });
}

/** People who have made as many unions as a curve is told from, before anything is said of the class. */
const PEOPLE_TOLD_OF = 3;

function toldOfClass(scores: readonly (readonly number[])[]): boolean {
  return scores.filter(({ length }) => length >= LEAST_ATTEMPTS).length >= PEOPLE_TOLD_OF;
}
