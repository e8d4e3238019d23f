import { roundQuestion } from '@/core/follow-up/round-question';
import type { Milestone } from '@/core/methods/milestones';
import { questionWords } from '@/core/methods/timetable/round-advice';
import { advisedRounds } from '@/core/plan/dates/advised-rounds';
import { addDays } from '@/core/units/iso-date';
import { formatLength } from '@/core/units/length';
import { allow, type Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { latestReports } from './reports';
import { growers, reachable, todayAt } from './rounds';
import { mainTaught, taughtOn } from '@/server/plan/taught';
import { getWorkshop } from '@/server/plan/workshops';
import { listRounds } from '@/server/plan/rounds-of-workshop';

/** What the Follow-up page shows: each round with its growers, how they were asked and what they said. */
export async function followUp(context: Context, workshopId: string) {
  const {
    db,
    actor: { clubId },
  } = context;
  const [rounds, all, reports, today] = await Promise.all([
    listRounds(context, workshopId),
    growers(context, workshopId),
    latestReports(context, workshopId),
    todayAt(context, workshopId),
  ]);
  const { variant } = await mainTaught(context, await getWorkshop(context, workshopId));
  const length = (mm: number): string => formatLength(mm, context.actor.lengthUnit);
  const roundId = rounds.map(({ id }) => id);
  const [messages, links] = await Promise.all([
    db.messages.findAll({ where: { clubId, roundId }, raw: true }),
    db.reportLinks.findAll({ where: { clubId, roundId }, raw: true }),
  ]);
  return rounds.map((round) => ({
    id: round.id,
    milestone: round.milestone,
    question: roundQuestion(variant, round.milestone, length),
    opensOn: round.opensOn,
    closesOn: round.closesOn,
    closed: today > round.closesOn,
    sentSoFar: messages.filter((message) => message.roundId === round.id).length,
    growers: all.map(({ seat, keepers }) => {
      const mine = messages.filter((message) => message.roundId === round.id && message.personId === seat.personId);
      const own = links.filter((link) => link.roundId === round.id && link.personId === seat.personId);
      return {
        seatNumber: seat.number,
        personId: seat.personId,
        name: seat.person.name ?? ERASED_NAME,
        reachable: reachable(seat),
        written: mine.length,
        openLinks: own.filter(({ withdrawnAt }) => withdrawnAt === null).length,
        plants: keepers.map(({ unionId, code, wood }) => {
          const report = reports.find((report) => report.unionId === unionId && report.roundId === round.id);
          return {
            unionId,
            code,
            variety: wood.variety,
            ribbon: wood.ribbon,
            answer: report?.answer ?? null,
            note: report?.note ?? '',
            source: report?.source ?? null,
          };
        }),
      };
    }),
  }));
}

/** A round that could be made next, with the days it is best asked on. */
export interface RoundChoice {
  milestone: Milestone;
  question: string;
  opensOn: string;
  closesOn: string;
}

/** Days a round stays open at least, so that people find the time to look. */
const OPEN_DAYS = 21;

/** Rounds that the unions of a workshop ask for and that were not made yet, each on its own days. */
export async function roundChoices(context: Context, workshopId: string): Promise<RoundChoice[]> {
  allow(context, 'viewer');
  const workshop = await getWorkshop(context, workshopId);
  const [rounds, taught] = await Promise.all([listRounds(context, workshopId), taughtOn(context, workshop)]);
  const choices = new Map<Milestone, RoundChoice>();
  for (const { milestone, due, asks } of advisedRounds(taught, workshop.date)) {
    if (rounds.some((round) => round.milestone === milestone)) continue;
    const known = choices.get(milestone);
    const closesOn = [known?.closesOn ?? '', due.to, addDays(due.from, OPEN_DAYS)].sort().at(-1)!;
    choices.set(milestone, {
      milestone,
      question: known?.question ?? questionWords(asks[0]!.question, (mm) => formatLength(mm, context.actor.lengthUnit)),
      opensOn: known?.opensOn ?? due.from,
      closesOn,
    });
  }
  return [...choices.values()];
}
