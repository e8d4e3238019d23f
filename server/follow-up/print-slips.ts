import { array, object } from 'yup';
import { questionsAsked, questionText } from '@/core/follow-up/asked-union';
import { formatCode } from '@/core/codes/plant-code';
import { calledOnPlant, POSITION_WORDS } from '@/core/methods/position';
import { ribbonById } from '@/core/plan/wood/ribbons';
import { transact } from '@/db/transact';
import { reportSlipsPdf } from '@/exchange/pdf/report-slips';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { id, paper } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { makeLink } from './round-messages';
import { askedGrowers, getRound, reachable } from './rounds';
import { getWorkshop } from '@/server/plan/workshops';

const slipsInput = object({ paper: paper(), personIds: array(id('the person')).default([]) });

/** Slips for people who cannot be written to, or for the people named. Those who gave leave get a private link on it. */
export async function printSlips(context: Context, roundId: string, input: unknown): Promise<Buffer> {
  allow(context, 'assistant');
  const round = await getRound(context, roundId);
  const values = parse(slipsInput, input);
  const workshop = await getWorkshop(context, round.workshopId);
  const all = await askedGrowers(context, round);
  const chosen =
    values.personIds.length > 0
      ? all.filter(({ seat }) => values.personIds.includes(seat.personId))
      : all.filter(({ seat }) => !reachable(seat));
  const { db, actor, now } = context;
  const slips = chosen.map(({ seat, keepers }) => {
    const link =
      seat.person.mayContact && !seat.person.erasedAt ? makeLink(context, roundId, seat.personId, 'slip') : null;
    return {
      link,
      slip: {
        name: seat.person.name ?? ERASED_NAME,
        clubName: actor.clubName,
        workshop: workshop.title,
        workshopDate: workshop.date,
        question: questionText(questionsAsked(keepers, round.milestone, actor.lengthUnit), ({ code, position }) =>
          calledOnPlant(formatCode(code), position),
        ),
        closesOn: round.closesOn,
        url: link?.url ?? null,
        plants: keepers.map(({ code, position, wood }) => ({
          code,
          variety: position === 'sole' ? wood.variety : `${wood.variety}, ${POSITION_WORDS[position]}`,
          ribbon: ribbonById(wood.ribbon).name,
        })),
      },
    };
  });
  const pdf = await reportSlipsPdf(
    slips.map(({ slip }) => slip),
    values.paper,
  );
  await transact(db, async (transaction) => {
    await db.reportLinks.bulkCreate(
      slips.flatMap(({ link }) => (link ? [link.row] : [])),
      { transaction },
    );
    await audit(db, transaction, {
      clubId: actor.clubId,
      actorId: actor.userId,
      action: `slips printed: ${slips.length}`,
      subjectId: roundId,
      at: now,
    });
  });
  return pdf;
}
