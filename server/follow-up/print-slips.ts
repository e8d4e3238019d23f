import { madeWords } from '@/core/methods/made-words';
import { printJob } from '@/server/jobs/run-job';
import { array, object } from 'yup';
import { questionsAsked, questionText } from '@/core/follow-up/asked-union';
import { questionOfRound, questionSaid } from '@/core/follow-up/round-question';
import { SAID } from '@/core/follow-up/said';
import type { Wording } from '@/core/follow-up/wording/wording';
import { formatCode } from '@/core/codes/plant-code';
import { calledOnPlant } from '@/core/methods/position';
import { ribbonById } from '@/core/plan/wood/ribbons';
import type { RoundRow } from '@/db/models/follow-up-rows';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { transact } from '@/db/transact';
import type { Slip } from '@/exchange/pdf/report-slips';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { id, paper } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { reachable } from './letters/letter-plan';
import { makeLink } from './letters/links';
import { askedGrowers, getRound, type Grower } from './rounds';
import { wordingFor } from './wordings';
import { seasonsOf } from '@/core/plan/dates/taught-on';
import { getSite } from '@/server/club/sites';
import { getWorkshop } from '@/server/plan/workshops';

const slipsInput = object({ paper: paper(), personIds: array(id('the person')).default([]) });

/** Slips for people who cannot be written to, or for the people named. Those who gave leave get a private link on it. */
export async function printSlips(context: Context, roundId: string, input: unknown): Promise<Buffer> {
  allow(context, 'assistant');
  const round = await getRound(context, roundId);
  const values = parse(slipsInput, input);
  const { db, actor, now } = context;
  const [workshop, all, club] = await Promise.all([
    getWorkshop(context, round.workshopId),
    askedGrowers(context, round),
    db.clubs.findOne({ where: { id: actor.clubId }, raw: true }),
  ]);
  const winter = seasonsOf(await getSite(context, workshop.siteId)) !== 'tropics';
  const chosen =
    values.personIds.length > 0
      ? all.filter(({ person }) => person !== null && values.personIds.includes(person.id))
      : all.filter(({ person }) => person !== null && !reachable(person));
  const slips = chosen.map((grower) => {
    const person = grower.person!;
    const link = person.mayContact && !person.erasedAt ? makeLink(context, roundId, person.id, 'slip') : null;
    const wording = wordingFor(person, club!);
    return { link, slip: slipOf(context, { round, workshop, winter, grower, wording, url: link?.url ?? null }) };
  });
  const pdf = await printJob(
    'print slips',
    slips.map(({ slip }) => slip),
    values.paper,
  );
  await transact(db, async (transaction) => {
    const links = slips.flatMap(({ link }) => (link ? [link.row] : []));
    await db.reportLinks.bulkCreate(links, { transaction });
    await context.deeds.add(now, { what: 'round', round }, ...links.map((link) => ({ what: 'link' as const, link })));
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

interface Printed {
  round: RoundRow;
  workshop: WorkshopRow;
  /** Whether one comes where they were made. */
  winter: boolean;
  grower: Grower;
  wording: Wording;
  url: string | null;
}

function slipOf({ actor }: Context, { round, workshop, winter, grower, wording, url }: Printed): Slip {
  const { keepers } = grower;
  const name = grower.person?.name;
  const { say, day } = wording;
  const placed = (position: Grower['keepers'][number]['position']): string =>
    position === 'sole' ? '' : say(`place.${position}`);
  return {
    title: name ?? ERASED_NAME,
    intro: say('slip.intro', {
      name: name ?? '',
      workshop: workshop.title,
      day: day(workshop.date),
    }),
    question: questionText(
      questionsAsked(
        keepers,
        (variant) =>
          questionSaid(
            wording,
            { kind: round.milestone, question: questionOfRound(variant, round.milestone) },
            actor.lengthUnit,
          ),
        winter,
      ),
      ({ code, position }) => calledOnPlant(formatCode(code), position),
    ),
    until: say('slip.until', { day: day(round.closesOn) }),
    answers: SAID.map((said) => say(`slip.${said}`)),
    link: url ? say('slip.link') : '',
    readBy: say('consent.read-by', { club: actor.clubName }),
    url,
    plants: keepers.map(({ code, position, wood, method, variant }) => ({
      code,
      variety: position === 'sole' ? wood.variety : `${wood.variety}, ${placed(position)}`,
      made: wording.trade(madeWords({ method, variant }), actor.lengthUnit),
      ribbon: ribbonById(wood.ribbon).name,
    })),
  };
}
