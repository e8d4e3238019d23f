import { GONE, type Happening } from '@/core/aftercare/happening';
import { groupedBy } from '@/core/units/grouped-by';
import type { DailyWarmth } from '@/core/aftercare/plan/task-days';
import { withoutWinter } from '@/core/follow-up/asks/without-winter';
import { roundDays } from '@/core/follow-up/asks/round-days';
import { type UnionAsk, unionAsks } from '@/core/follow-up/asks/union-asks';
import { countingAnswers } from '@/core/findings/take/counting-answers';
import { asksOf, variantMade } from '@/core/follow-up/asked-union';
import { outOfTheCool } from '@/core/methods/timetable/out-of-the-cool';
import { type SignDays, signDays } from '@/core/follow-up/signs/sign-days';
import type { SeenWhen } from '@/core/follow-up/signs/read-signs';
import { SIGNS_BY_WAY, type SignVariant } from '@/core/follow-up/signs/signs';
import { dateOfUsualDay, usualDay } from '@/core/follow-up/signs/usual-days';
import type { Variant } from '@/core/methods/variant';
import { daysBetween, type IsoDate } from '@/core/units/iso-date';
import type { PersonRow } from '@/db/models/club-rows';
import type { ReportRow, RoundRow } from '@/db/models/follow-up-rows';
import { holderOf } from '@/server/aftercare/hand-on';
import { livingUnions, type WhichUnions } from '@/server/aftercare/living-unions';
import type { LivingUnion } from '@/server/aftercare/living-union';
import { once, type SiteLife, siteLives } from '@/server/aftercare/site-lives';
import { unionWarmths } from '@/server/aftercare/warmth/union-warmth';
import { UNSET } from '@/db/unset';
import type { Context } from '@/server/platform/context';
import { groupByUnion } from '@/server/score/scored-unions';

/** A keeper with all that it is asked, who has it, and by which days its signs are read. */
export interface AskedUnion extends LivingUnion {
  /** Who has it, or made it where it stays with the club. */
  person: PersonRow;
  seatNumber: number;
  today: IsoDate;
  asks: UnionAsk[];
  /** The one thing that is due today; null where nothing is. */
  due: UnionAsk | null;
  /** Answers that were not set aside, in the order of their coming. */
  reports: ReportRow[];
  rounds: RoundRow[];
  variant: Variant;
  signVariant: SignVariant;
  signDays: SignDays;
  /** How a look on a day is read. */
  seenWhen: (seenOn: IsoDate) => SeenWhen;
  /** The date of a day of usual warmth. */
  dateOf: (day: number) => IsoDate;
}

/** Keepers of the club, a day or some plants, with what each is asked today. */
export async function askedUnions(context: Context, which: WhichUnions = {}): Promise<AskedUnion[]> {
  return asksOfLiving(context, await livingUnions(context, which));
}

/** The same of unions that were read already. */
export async function asksOfLiving(context: Context, living: readonly LivingUnion[]): Promise<AskedUnion[]> {
  if (living.length === 0) return [];
  const {
    db,
    actor: { clubId },
  } = context;
  const sites = [...new Map(living.map(({ site }) => [site.id, site])).values()];
  const workshopId = [...new Set(living.map(({ workshop }) => workshop.id))];
  const unionId = living.map(({ union }) => union.id);
  const seatIds = [...new Set(living.map(({ plant }) => plant.seatId))];
  const seats = await db.seats.findAll({ where: { clubId, id: seatIds }, raw: true });
  const seatOf = new Map(seats.map((seat) => [seat.id, seat]));
  const holderAt = (plant: LivingUnion['plant']): string | null => {
    const maker = seatOf.get(plant.seatId);
    return maker ? holderOf(plant, maker) : null;
  };
  const personIds = [...new Set(living.flatMap(({ plant }) => holderAt(plant) ?? []))];
  const [lives, { warmthOf }, people, rounds, reports] = await Promise.all([
    siteLives(context, sites),
    unionWarmths(context, living),
    db.people.findAll({ where: { clubId, id: personIds }, raw: true }),
    db.rounds.findAll({ where: { clubId, workshopId }, order: [['opensOn', 'ASC']], raw: true }),
    db.reports.findAll({ where: { clubId, unionId, setAsideAt: UNSET }, order: [['turn', 'ASC']], raw: true }),
  ]);
  const personOf = new Map(people.map((person) => [person.id, person]));
  const reportsOf = groupByUnion(reports);
  const roundsOf = groupedBy(rounds, (round) => round.workshopId);
  const days = new Map<string, ReturnType<typeof roundDays>>();
  return living.flatMap((union): AskedUnion[] => {
    const seat = seatOf.get(union.plant.seatId);
    const person = personOf.get(holderAt(union.plant) ?? '');
    if (!seat || !person) return [];
    const life = lives.get(union.site.id)!;
    const made = variantMade(union.union);
    const variant = life.winter ? made : withoutWinter(made);
    const { warmth } = warmthOf(union, variant.wayOn, life.today);
    const { madeOn } = union.union;
    const plantedOn = plantedOut(union);
    const own = once(
      days,
      [union.union.method, variant.id, life.winter, madeOn, union.site.id, union.wood.species, warmth, plantedOn],
      () =>
        roundDays(
          variant,
          madeOn,
          { turnsOf: life.turnsOf(union.wood.species), ...(warmth ? { warmth } : {}) },
          plantedOn,
        ),
    );
    const said = reportsOf.get(union.union.id) ?? [];
    const asking = (roundsOf.get(union.workshop.id) ?? []).filter((round) => asksOf(round, union.union));
    const asks = unionAsks({
      days: own,
      rounds: asking,
      answers: answersOfRounds(said),
      ended: hasEnded(union),
      today: life.today,
    });
    return [
      {
        ...union,
        person,
        seatNumber: seat.number,
        today: life.today,
        asks,
        due: asks.find(({ state }) => state === 'due') ?? null,
        reports: said,
        rounds: asking,
        variant,
        ...reading(union, variant, life, warmth),
      },
    ];
  });
}

/** By which days the signs of a union are read. */
function reading(
  living: LivingUnion,
  { wayOn }: Variant,
  life: SiteLife,
  warmth: DailyWarmth | undefined,
): Pick<AskedUnion, 'signVariant' | 'signDays' | 'seenWhen' | 'dateOf'> {
  const { union, wood } = living;
  const signVariant = SIGNS_BY_WAY[wayOn];
  const dayOf = (seenOn: IsoDate): number => usualDay(union.madeOn, seenOn, warmth);
  const outOn =
    signVariant === 'bench'
      ? outOfTheCool(union.madeOn, { turnsOf: life.turnsOf(wood.species) }, plantedOut(living))
      : null;
  const inLeaf = leavesAfter(union.madeOn, life.turnsOf(wood.species));
  return {
    signVariant,
    signDays: signDays(life.assumption),
    seenWhen: (seenOn) => ({
      variant: signVariant,
      day: dayOf(seenOn),
      sinceLeaf: inLeaf !== null && inLeaf <= seenOn ? daysBetween(inLeaf, seenOn) : null,
      ...(outOn === null ? {} : { sinceOut: outOn <= seenOn ? dayOf(seenOn) - dayOf(outOn) : null }),
    }),
    dateOf: (day) => dateOfUsualDay(union.madeOn, day, warmth),
  };
}

/** The day a keeper was planted out, as far as it was noted. */
function plantedOut({ marks }: LivingUnion): IsoDate | undefined {
  return marks.find(({ task, outcome }) => task === 'plant-out' && outcome === 'done')?.doneOn;
}

/** The day plants of a kind come into leaf for the first time after a union was made; null where they never do. */
function leavesAfter(madeOn: IsoDate, turnsOf: ReturnType<SiteLife['turnsOf']>): IsoDate | null {
  const year = Number(madeOn.slice(0, 4));
  const days = [year, year + 1].map((each) => turnsOf(each)['leaves-out']);
  return days.find((day) => day !== undefined && day > madeOn) ?? null;
}

/** The answer to each round that counts; of two, the later. */
function answersOfRounds(reports: readonly ReportRow[]): ReportRow[] {
  return [...groupedBy(reports, ({ roundId }) => roundId).values()].flatMap((own) => countingAnswers(own).at(-1) ?? []);
}

/** Dead with nothing against it, voided, opened to look, cut away, or gone: nobody is asked of it any more. */
function hasEnded({ facts, plant, seen }: LivingUnion): boolean {
  return (
    plant.voidedAt !== null ||
    seen.some(
      ({ kind, about }) =>
        kind === 'opened' || kind === 'cut-away' || (kind === 'happened' && GONE.includes(about as Happening)),
    ) ||
    (facts !== null && facts.firstDeadOn !== null && !facts.contradicted)
  );
}
