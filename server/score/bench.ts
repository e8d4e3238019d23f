import { clockOffset } from '@/server/platform/clock';
import { Op, QueryTypes } from 'sequelize';
import { type Room, seatPeople, usualRoom } from '@/core/plan/benches/room';
import { STOCK_RANGES } from '@/core/methods/stock-ranges';
import { USUAL_SETTINGS } from '@/core/plan/quantities/needs';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { methodById } from '@/core/methods/registry';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import { dayTaught } from '@/server/plan/taught';
import { attemptOf } from './attempts';
import { workshopBriefing } from '@/server/teach/briefing';
import { allow, type Context } from '@/server/platform/context';
import { readPart } from '@/server/plan/plan-parts';
import { currentRule } from '@/server/teach/current-rule';
import { spoiledAtSeats } from './spoiled-cuts';
import { type ScoredUnion, type SeenJudgement, unionsSeen, type UnseenUnion } from './scored-unions';
import { type ScoringSettings, scoringSettings } from './scoring-settings';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { listSeats, type SeatedPerson } from '@/server/plan/seats';
import { getWorkshop } from '@/server/plan/workshops';

/** What the scoring bench of a workshop is opened with, on the page and on devices that keep it. */
export async function openBench(context: Context, workshopId: string) {
  allow(context, 'viewer');
  const workshop = await getWorkshop(context, workshopId);
  const { actor } = context;
  const takenAt = await databaseTime(context);
  const [seats, { scored, unseen }, briefing, settings, taught, keepers] = await Promise.all([
    listSeats(context, workshopId),
    unionsSeen(context, workshop),
    workshopBriefing(context, workshopId),
    scoringSettings(context, workshopId),
    dayTaught(context, workshop),
    listKeepers(context, workshopId),
  ]);
  const present = seats.filter(({ absent }) => !absent);
  return {
    workshop: plainWorkshop(workshop),
    methods: await benchMethods(context, workshop, taught, [...scored.map(({ counts }) => counts), ...keepers]),
    settings: plainSettings(settings),
    unit: actor.lengthUnit,
    assessor: { id: actor.userId, name: actor.name },
    seats: present.map(({ id, number, person }) => ({
      id,
      number,
      name: person.name ?? ERASED_NAME,
      briefed: briefing.acknowledged.get(person.id)?.current ?? false,
    })),
    unions: scored.map(plainUnion),
    // A viewer scores nothing, so nothing waits for them.
    unseen:
      actor.role === 'viewer'
        ? []
        : unseen.map(({ id, seatId, number, method }: UnseenUnion) => ({ id, seatId, number, method })),
    room: await benchRoom(context, workshopId, present),
    keepers: keepers.filter(({ voidedAt }) => !voidedAt).map(plainKeeper),
    spoiled: (await spoiledAtSeats(context, workshopId)) ?? [],
    stockRanges: STOCK_RANGES,
    takenAt,
  };
}

/** The database's clock, which also dates changes: servers' own may differ. Asked before anything is read. */
async function databaseTime({ db }: Context): Promise<number> {
  const [row] = await db.sequelize.query<{ at: Date }>('SELECT NOW(3) AS at', { type: QueryTypes.SELECT });
  return row!.at.getTime() + clockOffset();
}

/** A change may become visible this long after it was dated, ms: what is asked for overlaps by it. */
const OVERLAP = 5000;

/**
 * What changed at a bench since it was read, for a device that has the rest: the unions that changed,
 * ids of those that have nothing to show any more, and which want this reader as second assessor.
 */
export async function benchChanges(context: Context, workshopId: string, since: Date) {
  allow(context, 'viewer');
  const workshop = await getWorkshop(context, workshopId);
  const takenAt = await databaseTime(context);
  const [changed, waiting] = await Promise.all([
    unionsSeen(context, workshop, { changedAt: { [Op.gte]: new Date(since.getTime() - clockOffset() - OVERLAP) } }),
    unionsSeen(context, workshop, { secondWanted: true, secondSettledAt: null }),
  ]);
  return {
    unions: changed.scored.map(plainUnion),
    gone: [...changed.others, ...changed.unseen.map(({ id }) => id)],
    unseen:
      context.actor.role === 'viewer'
        ? []
        : waiting.unseen.map(({ id, seatId, number, method }) => ({ id, seatId, number, method })),
    assessor: { id: context.actor.userId, name: context.actor.name },
    spoiled: (await spoiledAtSeats(context, workshopId, new Date(since.getTime() - OVERLAP))) ?? undefined,
    takenAt,
  };
}

/** The methods a bench judges by, the plan's first, each in the variant it is on the day and with the club's rule for it. */
async function benchMethods(
  context: Context,
  workshop: WorkshopRow,
  { taught, variantOn, schoolsOf }: Awaited<ReturnType<typeof dayTaught>>,
  judged: readonly { method: string }[],
) {
  const planned = [workshop.method, ...taught.map(({ method }) => method.id)];
  const ids = [...new Set([...planned, ...judged.map(({ method }) => method)])];
  return Promise.all(
    ids.map(async (id) => ({
      id,
      name: methodById(id).name,
      planned: planned.includes(id),
      practised: taught.some(({ plan }) => plan.method === id && plan.practiceEach > 0),
      variant: variantOn(methodById(id)),
      rule: await currentRule(context, id, schoolsOf(methodById(id))),
    })),
  );
}

function plainKeeper({ id, unionId, code, seatId, place, method, variant, position, wood, stock }: Keeper) {
  return {
    unionId,
    plantId: id,
    code,
    seatId,
    number: place,
    method,
    variant,
    position,
    variety: wood.variety,
    ribbon: wood.ribbon,
    stock: stock.stockType,
  };
}

function plainWorkshop({ id, title, date, method }: WorkshopRow) {
  return { id, title, date, method };
}

function plainSettings({ ready, blindRate, wall }: ScoringSettings): ScoringSettings {
  return { ready, blindRate, wall };
}

/** The room as it was drawn; without a drawing everybody sits in the order of their numbers. */
async function benchRoom(context: Context, workshopId: string, present: SeatedPerson[]): Promise<Room> {
  const { body } = await readPart<Room>(context, workshopId, 'room');
  if (body) return body;
  const room = usualRoom(Math.max(1, present.length), USUAL_SETTINGS.peoplePerBench, (n) => `Bench ${n}`);
  return { ...room, seating: seatPeople(room, present) };
}

function plainUnion(union: ScoredUnion) {
  return {
    id: union.id,
    kind: union.kind,
    method: union.counts.method,
    stage: union.counts.stage,
    seatId: union.seatId,
    number: union.number,
    likelyDouble: union.likelyDouble,
    glyph: union.glyph,
    counts: union.counts.id,
    seenAt: Math.max(...union.judgements.map(({ madeAt }) => madeAt.getTime())),
    judgements: union.judgements.map(plain),
  };
}

function plain({
  id,
  assessorId,
  assessorName,
  method,
  stage,
  outlook,
  outlookBy,
  strokes,
  score,
  contact,
  contactWords,
  measures,
  marks,
  fatal,
  note,
  blind,
  earlier,
}: SeenJudgement) {
  return {
    id,
    assessorId,
    assessor: assessorName,
    method,
    stage,
    outlook,
    outlookBy,
    strokes,
    score,
    contact,
    contactWords,
    measures,
    marks,
    note,
    blind,
    earlier: earlier.map((judgement) => judgement.score),
    attempt: attemptOf({ score, fatal, marks }),
  };
}
