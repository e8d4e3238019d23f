import { madeKey, questionsAsked, questionText } from '@/core/follow-up/asked-union';
import { POSITION_WORDS } from '@/core/methods/position';
import { methodById } from '@/core/methods/registry';
import type { Milestone } from '@/core/methods/milestones';
import { questionWords } from '@/core/methods/timetable/round-advice';
import { advisedRounds } from '@/core/plan/dates/advised-rounds';
import { addDays } from '@/core/units/iso-date';
import { allow, type Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { latestReports } from './reports';
import { askedOf, growers, reachable, todayAt } from './rounds';
import { followedUp, keepersMade } from '@/server/plan/made-unions';
import { taughtOn } from '@/server/plan/taught';
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
  const roundId = rounds.map(({ id }) => id);
  const [messages, links] = await Promise.all([
    db.messages.findAll({ where: { clubId, roundId }, raw: true }),
    db.reportLinks.findAll({ where: { clubId, roundId }, raw: true }),
  ]);
  return rounds.map((round) => {
    const asked = askedOf(round, all);
    return {
      id: round.id,
      milestone: round.milestone,
      question: questionText(
        questionsAsked(
          asked.flatMap(({ keepers }) => keepers),
          round.milestone,
          context.actor.lengthUnit,
        ),
        ({ method }) => methodById(method).name,
      ),
      opensOn: round.opensOn,
      closesOn: round.closesOn,
      closed: today > round.closesOn,
      sentSoFar: messages.filter((message) => message.roundId === round.id).length,
      growers: asked.map(({ seat, keepers }) => {
        const mine = messages.filter((message) => message.roundId === round.id && message.personId === seat.personId);
        const own = links.filter((link) => link.roundId === round.id && link.personId === seat.personId);
        return {
          seatNumber: seat.number,
          personId: seat.personId,
          name: seat.person.name ?? ERASED_NAME,
          reachable: reachable(seat),
          written: mine.length,
          openLinks: own.filter(({ withdrawnAt }) => withdrawnAt === null).length,
          plants: keepers.map(({ unionId, code, wood, position }) => {
            const report = reports.find((report) => report.unionId === unionId && report.roundId === round.id);
            return {
              unionId,
              code,
              place: position === 'sole' ? '' : POSITION_WORDS[position],
              variety: wood.variety,
              ribbon: wood.ribbon,
              answer: report?.answer ?? null,
              note: report?.note ?? '',
              seenOn: report?.seenOn ?? null,
              source: report?.source ?? null,
            };
          }),
        };
      }),
    };
  });
}

/** A round that could be made next, with the days it is best asked on. */
export interface RoundChoice {
  milestone: Milestone;
  /** Which unions it asks of; empty for all of the day. */
  asks: string;
  /** Whose it is in words, where it is not everybody's. */
  whose: string;
  question: string;
  opensOn: string;
  closesOn: string;
}

/** Days a round stays open at least, so that people find the time to look. */
const OPEN_DAYS = 21;

/**
 * Rounds that the unions of a workshop ask for and that were not made yet, each on its own days: what is looked at in the
 * same window is asked in one round, and what is looked at in another has its own.
 */
export async function roundChoices(context: Context, workshopId: string): Promise<RoundChoice[]> {
  allow(context, 'viewer');
  const workshop = await getWorkshop(context, workshopId);
  const [rounds, taught, made] = await Promise.all([
    listRounds(context, workshopId),
    taughtOn(context, workshop),
    keepersMade(context, workshopId),
  ]);
  const known = (asks: string, milestone: Milestone): boolean =>
    rounds.some(
      (round) => round.milestone === milestone && (round.asks === '' || round.asks.split(' ').includes(asks)),
    );
  const all = advisedRounds(followedUp(taught, made), workshop.date);
  return all.flatMap(({ milestone, due, asks }): RoundChoice[] => {
    const open = asks.filter(
      ({ method, variant }) => !known(madeKey({ method: method.id, variant: variant.id }), milestone),
    );
    if (open.length === 0) return [];
    const everybody = all.every((round) => round.milestone !== milestone || round.due.from === due.from);
    return [
      {
        milestone,
        asks: everybody
          ? ''
          : open.map(({ method, variant }) => madeKey({ method: method.id, variant: variant.id })).join(' '),
        whose: everybody ? '' : [...new Set(open.map(({ method }) => method.name))].join(', '),
        question: [...new Set(open.map(({ question }) => questionWords(question, context.actor.lengthUnit)))].join(
          ' / ',
        ),
        opensOn: due.from,
        closesOn: [due.to, addDays(due.from, OPEN_DAYS)].sort().at(-1)!,
      },
    ];
  });
}
