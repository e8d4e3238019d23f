import { asksWithoutWinter } from '@/core/follow-up/asks/without-winter';
import type { GrowerGraft, GrowerPage, RestingGraft } from '@/core/follow-up/grower/grower-page';
import { writtenTo } from '@/core/follow-up/letters/written-to';
import { looksOfRound } from '@/core/follow-up/grower/looks-of-round';
import { questionOfRound, questionSaid } from '@/core/follow-up/round-question';
import { SAID } from '@/core/follow-up/said';
import { askedSigns, choicesOfSigns } from '@/core/follow-up/signs/asked-signs';
import type { Wording } from '@/core/follow-up/wording/wording';
import { madeWords } from '@/core/methods/made-words';
import type { RoundKind } from '@/core/methods/milestones';
import { daysBetween } from '@/core/units/iso-date';
import type { LengthUnit } from '@/core/units/length';
import type { ReportRow, RoundRow } from '@/db/models/follow-up-rows';
import { standingWords } from '@/server/aftercare/places/standing-words';
import type { Services } from '@/server/platform/context';
import { kept } from '@/server/platform/kept';
import { livingUnions } from '@/server/aftercare/living-unions';
import type { LivingUnion } from '@/server/aftercare/living-union';
import { unionPlans, type UnionWithPlan } from '@/server/aftercare/union-plans';
import { type AskedUnion, asksOfLiving } from '../asks/asked-unions';
import { plantsOfPeople } from '../asks/plants-of-people';
import { roundToAnswer } from '../reports';
import { wordings } from '../wordings';
import { answerBack } from './answer-back';
import { growersTasks } from './growers-tasks';
import { openLink } from './open-link';

/**
 * What a grower sees behind a private link: what is asked of their own plants today, with what they told so far, and when
 * the others are asked. Names of members are left out.
 *
 * @param chosen a union of which nothing is asked, that they want to tell of all the same
 */
export async function growerPage(services: Services, token: string, chosen: string | null = null): Promise<GrowerPage> {
  const { reader, person, club, wording } = await openLink(services, token);
  const { db, actor } = reader;
  const { clubId, lengthUnit } = actor;
  const plantIds = await plantsOfPeople(reader, [person.id]);
  const living = plantIds.length === 0 ? [] : await livingUnions(reader, { plantIds });
  const unionId = living.map(({ union }) => union.id);
  const lots = [...new Set(living.map(({ wood }) => wood.id))];
  const [asked, plans, ribbons, photos, stands] = await Promise.all([
    asksOfLiving(reader, living),
    unionPlans(reader, living),
    db.workshopWoodLots.findAll({ where: { clubId, woodLotId: lots }, raw: true }),
    db.photos.findAll({ where: { clubId, unionId, withdrawn: false }, attributes: ['unionId'], raw: true }),
    standingWords(
      reader,
      living.map(({ plant }) => plant.id),
    ),
  ]);
  const ribbonOf = ({ wood, workshop }: AskedUnion): string =>
    ribbons.find((lot) => lot.woodLotId === wood.id && lot.workshopId === workshop.id)?.ribbon ?? '';
  const own = asked
    .map((each) => ({ asked: each, round: roundShown(each, chosen) }))
    .sort(
      (a, b) => a.asked.union.madeOn.localeCompare(b.asked.union.madeOn) || a.asked.plant.place - b.asked.plant.place,
    );
  const grafts = own.flatMap(({ asked: each, round }): GrowerGraft[] =>
    round
      ? [
          graftOf(each, round, {
            wording,
            unit: lengthUnit,
            ribbon: ribbonOf(each),
            plan: plans.find(({ union }) => union.id === each.union.id),
            stands: stands.get(each.plant.id) ?? '',
            photos: photos.filter((photo) => photo.unionId === each.union.id).length,
          }),
        ]
      : [],
  );
  return {
    name: person.name ?? '',
    clubName: club.name,
    today: asked[0]?.today ?? services.now.toISOString().slice(0, 10),
    mayContact: person.mayContact,
    hasAddress: writtenTo(person) !== null,
    language: wording.language,
    languages: wordings().map(({ language, name }) => ({ language, name })),
    grafts,
    tasks: growersTasks(plans, { personId: person.id, wording, unit: lengthUnit }),
    plants: living.flatMap((each) => ownPlant(each, plans, wording)),
    resting: own.flatMap(({ asked: each, round }) => (round ? [] : [restingOf(each, wording)])),
    left: grafts.filter(
      ({ told, unionId: id }) => told === null && asked.some(({ due, union }) => union.id === id && due),
    ).length,
  };
}

/** A plant of theirs on which the union still lives. */
function ownPlant(
  { union, plant, wood }: LivingUnion,
  plans: readonly UnionWithPlan[],
  { say }: Wording,
): GrowerPage['plants'] {
  if (plans.find((plan) => plan.union.id === union.id)?.ended) return [];
  const position = union.position === 'sole' ? '' : say(`place.${union.position}`);
  return [{ unionId: union.id, code: plant.code, variety: wood.variety, position }];
}

/** So long after an answer it still stands open on the page, to be changed. */
const OPEN_DAYS = 14;

/** The round a page shows of a union: what is due, what was told lately, or what somebody chose to tell. */
function roundShown(asked: AskedUnion, chosen: string | null): RoundRow | null {
  const { due, rounds, reports, today, union } = asked;
  if (due?.roundId) return rounds.find(({ id }) => id === due.roundId) ?? null;
  const last = reports.at(-1);
  const lately = last && daysBetween(last.cameOn, today) <= OPEN_DAYS;
  if (lately) return rounds.find(({ id }) => id === last.roundId) ?? null;
  return chosen === union.id ? (roundToAnswer(asked) ?? null) : null;
}

interface Shown {
  wording: Wording;
  unit: LengthUnit;
  ribbon: string;
  plan: UnionWithPlan | undefined;
  stands: string;
  photos: number;
}

function graftOf(asked: AskedUnion, round: RoundRow, shown: Shown): GrowerGraft {
  const { union, plant, wood, stock, variant, signVariant, signDays, reports, due } = asked;
  const { wording, unit, ribbon, plan, stands, photos } = shown;
  const kind = round.milestone;
  const groups = askedSigns(signVariant, kind, signDays.grown, !asksWithoutWinter(variant));
  const question = questionOfRound(variant, kind);
  const last = reports.filter(({ roundId }) => roundId === round.id).at(-1);
  // Asked again, it starts anew.
  const report = last && !(due?.lookedBefore && due.roundId === round.id) ? last : null;
  return {
    unionId: union.id,
    code: plant.code,
    variety: wood.variety,
    stockType: stock.stockType,
    ribbon,
    method: wording.trade(madeWords(union), unit),
    madeOn: union.madeOn,
    position: union.position === 'sole' ? '' : wording.say(`place.${union.position}`),
    stands,
    kind,
    question: questionSaid(wording, { kind, question }, unit, signDays.grown),
    groups,
    sayings: sayingsOf(kind, wording),
    grown: signDays.grown,
    measured: groups.some(({ options }) => options.some(({ signs }) => signs.growth !== undefined)),
    looks: kept(
      'looks of a round',
      { method: union.method, variant: variant.id, schools: union.schools, kind, unit },
      (made) => looksOfRound(made, made.kind, made.unit),
    ),
    told: report ? toldSoFar(report, groups, plan, wording, unit) : null,
    photos,
  };
}

function toldSoFar(
  report: ReportRow,
  groups: GrowerGraft['groups'],
  plan: UnionWithPlan | undefined,
  wording: Wording,
  unit: LengthUnit,
): GrowerGraft['told'] {
  const signs = report.signs ?? {};
  const secondTry = report.answer === 'dead' || report.why === 'fed-growth';
  return {
    choices: choicesOfSigns(groups, signs),
    said: report.said,
    snapped: signs.snapped === true,
    growthMm: signs.growth !== undefined && signs.growth > 1 ? signs.growth : null,
    seenOn: report.seenOn,
    note: report.note,
    back: answerBack(report, plan, { wording, unit, secondTry }),
  };
}

/** What can be said in so many words, before any sign. */
function sayingsOf(kind: RoundKind, { say }: Wording): GrowerGraft['sayings'] {
  if (kind === 'crop')
    return SAID.map((said) => ({
      said,
      words: said === 'alive' || said === 'unsure' ? say(`said.crop-${said}`) : say(`said.${said}`),
    }));
  return SAID.map((said) => ({ said, words: say(`said.${said}`) }));
}

/** When a union is asked of next, in words. */
function restingOf(asked: AskedUnion, { say, day }: Wording): RestingGraft {
  const { asks, plant, wood, union } = asked;
  const again = asks.find(({ state }) => state === 'again');
  const next = asks.find(({ state }) => state === 'to-come' || state === 'due');
  const ended =
    asks.length > 0 && asks.every(({ state }) => state === 'ended' || state === 'answered' || state === 'over');
  return {
    code: plant.code,
    variety: wood.variety,
    when: again
      ? say('page.asked-again', { day: day(again.askOn) })
      : next
        ? say('page.asked-on', { day: day(next.askOn) })
        : say(ended && asks.some(({ state }) => state === 'ended') ? 'page.ended' : 'page.asked-done'),
    mayTell: roundToAnswer(asked) !== undefined,
    unionId: union.id,
  };
}
