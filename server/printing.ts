import { array, number, object, string } from 'yup';
import { MILESTONE_WORDS } from '@/core/findings/milestones';
import { ribbonById } from '@/core/lots/ribbons';
import { methodById } from '@/core/methods/registry';
import { reportSlipsPdf } from '@/exchange/pdf/report-slips';
import { scoreSheetPdf } from '@/exchange/pdf/score-sheet';
import { LEAST_TAG, MOST_TAG, tagsPdf } from '@/exchange/pdf/tags';
import { transact } from '@/db/transact';
import { allow, type Context } from './context';
import { audit } from './audit';
import { id, paper, paperInput } from './fields';
import { listKeepers } from './keepers';
import { parse } from './parse';
import { makeLink } from './round-messages';
import { currentRule } from './rubrics';
import { getRound, growers, reachable } from './rounds';
import { ERASED_NAME, listSeats } from './seats';
import { notFound } from './use-case-error';
import { getWorkshop } from './workshops';

const side = (what: string, least: number, most: number) =>
  number().typeError(`Enter the ${what} of the tag in mm.`).min(least, `A tag needs a ${what} of ${least} mm or more for its code and its QR code.`).max(most, `A tag has a ${what} of ${most} mm at most.`);

const tagsInput = object({
  paper: paper(),
  width: side('width', LEAST_TAG.width, MOST_TAG.width).default(60),
  height: side('height', LEAST_TAG.height, MOST_TAG.height).default(25),
  code: string().default(''),
});

/** Tags of a workshop's living keepers, or of the one with `code` again. */
export async function printTags(context: Context, workshopId: string, input: unknown): Promise<Buffer> {
  const workshop = await getWorkshop(context, workshopId);
  const given = parse(tagsInput, input);
  const keepers = (await listKeepers(context, workshopId)).filter((keeper) => !keeper.voidedAt && (given.code === '' || keeper.code === given.code));
  if (given.code !== '' && keepers.length === 0) throw notFound('A keeper with this code');
  const tags = keepers.map(({ code, wood, stock, seat }) => ({
    code, url: `${context.publicUrl}/u/${code}`, variety: wood.variety, stock: stock.stockType, date: workshop.date, initials: initials(seat.person.name),
  }));
  return tagsPdf(tags, given.paper, { width: given.width, height: given.height });
}

function initials(name: string | null): string {
  return (name ?? '').split(/\s+/).filter(Boolean).map((part) => `${[...part][0]!.toUpperCase()}.`).slice(0, 3).join(' ');
}

export async function printScoreSheet(context: Context, workshopId: string, input: unknown): Promise<Buffer> {
  const workshop = await getWorkshop(context, workshopId);
  const given = parse(paperInput, input);
  const seats = (await listSeats(context, workshopId)).filter(({ absent }) => !absent).map(({ number: seat, person }) => ({ number: seat, name: person.name ?? ERASED_NAME }));
  const rule = await currentRule(context, workshop.method, workshop.schools);
  return scoreSheetPdf({ method: methodById(workshop.method), rule, title: workshop.title, date: workshop.date, seats, unit: context.actor.lengthUnit }, given.paper);
}

const slipsInput = object({ paper: paper(), personIds: array(id('the person')).default([]) });

/** Slips for people who cannot be written to, or for the people named. Those who gave leave get a private link on it. */
export async function printSlips(context: Context, roundId: string, input: unknown): Promise<Buffer> {
  allow(context, 'assistant');
  const round = await getRound(context, roundId);
  const given = parse(slipsInput, input);
  const workshop = await getWorkshop(context, round.workshopId);
  const all = await growers(context, round.workshopId);
  const chosen = given.personIds.length > 0 ? all.filter(({ seat }) => given.personIds.includes(seat.personId)) : all.filter(({ seat }) => !reachable(seat));
  const { db, actor, now } = context;
  const slips = chosen.map(({ seat, keepers }) => {
    const link = seat.person.mayContact && !seat.person.erasedAt ? makeLink(context, roundId, seat.personId, 'slip') : null;
    return {
      link,
      slip: {
        name: seat.person.name ?? ERASED_NAME, clubName: actor.clubName, workshop: workshop.title, workshopDate: workshop.date,
        question: MILESTONE_WORDS[round.milestone].question, closesOn: round.closesOn, url: link?.url ?? null,
        plants: keepers.map(({ code, wood }) => ({ code, variety: wood.variety, ribbon: ribbonById(wood.ribbon).name })),
      },
    };
  });
  const pdf = await reportSlipsPdf(slips.map(({ slip }) => slip), given.paper);
  await transact(db, async (transaction) => {
    await db.reportLinks.bulkCreate(slips.flatMap(({ link }) => (link ? [link.row] : [])), { transaction });
    await audit(db, transaction, { clubId: actor.clubId, actorId: actor.userId, action: `slips printed: ${slips.length}`, subjectId: roundId, at: now });
  });
  return pdf;
}
