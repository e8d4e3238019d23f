import type { Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { latestReports } from './reports';
import { growers, reachable, todayAt } from './rounds';
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
  return rounds.map((round) => ({
    id: round.id,
    milestone: round.milestone,
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
