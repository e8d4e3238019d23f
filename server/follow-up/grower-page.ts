import { normaliseCode } from '@/core/codes/plant-code';
import type { LifeEvent } from '@/core/aftercare/life/plant-life';
import type { GrowerPlantLife } from '@/core/follow-up/grower-plant-life';
import type { GrowerPage } from '@/core/follow-up/grower-page';
import { asksOf, questionsAsked, variantMade } from '@/core/follow-up/asked-union';
import { POSITION_WORDS } from '@/core/methods/position';
import { thisWeek } from '@/core/follow-up/this-week';
import type { Answer } from '@/core/methods/milestones';
import { exampleMeasures } from '@/core/methods/example-measures';
import type { Method } from '@/core/methods/method';
import { methodById } from '@/core/methods/registry';
import { defaultRule, judgeUnion } from '@/core/score/rubric/judge-union';
import { kept } from '@/server/platform/kept';
import { tasksFor } from '@/core/methods/timetable/tasks-by-way';
import { shownTechnique } from '@/core/methods/shown-technique';
import type { LengthUnit } from '@/core/units/length';
import { clubUnits } from '@/server/platform/club-units';
import { dateInZone } from '@/core/units/zoned-date';
import type { PersonRow } from '@/db/models/club-rows';
import type { ReportLinkRow, RoundRow } from '@/db/models/follow-up-rows';
import type { WorkshopRow } from '@/db/models/plan-rows';
import type { UnionRow } from '@/db/models/union-rows';
import { holdGuard } from '@/db/guard';
import { transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import type { Actor, Context, Services } from '@/server/platform/context';
import { plantLife } from '@/server/aftercare/plant-life';
import { unionPicture } from '@/server/aftercare/union-picture';
import { erasePersonRows } from '@/server/club/erase-person';
import { id } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { limitAttempts } from '@/server/platform/rate-limit';
import { answerInput } from '@/core/follow-up/answer-input';
import { addReport, seenDay } from './reports';
import { hashToken } from '@/server/platform/secrets';
import { UseCaseError } from '@/server/platform/use-case-error';

/** Days after a round's closing for which its links still open, to read. */
const READABLE_DAYS = 365;

interface Opened {
  link: ReportLinkRow;
  round: RoundRow;
  workshop: WorkshopRow;
  person: PersonRow;
  clubName: string;
  today: string;
}

/** Finds what a link opens, or says why it does not. Changes nothing. */
async function open({ db, now }: Services, token: string): Promise<Opened> {
  const link = await db.reportLinks.findOne({ where: { tokenHash: hashToken(token) }, raw: true });
  if (!link)
    throw new UseCaseError(
      'not-found',
      'This link is not one of ours. Check that all of it was copied, or ask the club for a new one.',
    );
  if (link.withdrawnAt)
    throw new UseCaseError('gone', 'This link was withdrawn. Ask the club for a new one if you would like to answer.');
  const { clubId } = link;
  const [round, person, club] = await Promise.all([
    db.rounds.findOne({ where: { clubId, id: link.roundId }, raw: true }),
    db.people.findOne({ where: { clubId, id: link.personId }, raw: true }),
    db.clubs.findOne({ where: { id: clubId }, raw: true }),
  ]);
  const workshop = await db.workshops.findOne({ where: { clubId, id: round!.workshopId }, raw: true });
  const site = await db.sites.findOne({ where: { clubId, id: workshop!.siteId }, raw: true });
  const today = dateInZone(now, site!.timeZone);
  const daysOver = (Date.parse(today) - Date.parse(round!.closesOn)) / 86_400_000;
  if (daysOver > READABLE_DAYS)
    throw new UseCaseError('gone', 'This link has expired. Ask the club for a new one if you would like to answer.');
  return { link, round: round!, workshop: workshop!, person: person!, clubName: club!.name, today };
}

/** What a grower sees behind a private link: their own plants and their answers so far. */
export async function growerPage(services: Services, token: string): Promise<GrowerPage> {
  const { link, round, workshop, person, clubName, today } = await open(services, token);
  const { db } = services;
  const { clubId } = link;
  const seats = await db.seats.findAll({ where: { clubId, workshopId: workshop.id, personId: person.id }, raw: true });
  const plants = await db.plants.findAll({
    where: { clubId, workshopId: workshop.id, seatId: seats.map((seat) => seat.id), voidedAt: null },
    order: [['place', 'ASC']],
    raw: true,
  });
  const [{ lengthUnit }, unions, wood, stocks, ribbons] = await Promise.all([
    clubUnits(db, clubId),
    db.unions.findAll({ where: { clubId, plantId: plants.map((plant) => plant.id) }, raw: true }),
    db.woodLots.findAll({ where: { clubId, id: plants.map(({ woodLotId }) => woodLotId) }, raw: true }),
    db.stockLots.findAll({ where: { clubId, id: plants.map(({ stockLotId }) => stockLotId) }, raw: true }),
    db.workshopWoodLots.findAll({ where: { clubId, workshopId: workshop.id }, raw: true }),
  ]);
  const reports = await db.reports.findAll({
    where: { clubId, roundId: round.id, unionId: unions.map((union) => union.id) },
    order: [['turn', 'ASC']],
    raw: true,
  });
  const own = plants.flatMap((plant) =>
    unions.filter((union) => union.plantId === plant.id && asksOf(round, union)).map((union) => ({ ...union, plant })),
  );
  const asked = questionsAsked(own, round.milestone, lengthUnit);
  const methods = [...new Set(own.map(({ method }) => method))];
  const last = new Map(reports.map((report) => [report.unionId, report]));
  return {
    name: person.name ?? '',
    clubName,
    workshopTitle: workshop.title,
    workshopDate: workshop.date,
    milestone: round.milestone,
    drawings: methods.map((id) => joinedDrawing(methodById(id), lengthUnit)),
    questions: asked.map(({ question }) => question),
    today,
    closesOn: round.closesOn,
    closed: today > round.closesOn,
    mayContact: person.mayContact,
    plants: own.map((union) => {
      const { id: unionId, plant, position } = union;
      const report = last.get(unionId);
      return {
        unionId,
        question: asked.find(({ unions: put }) => put.includes(union))!.question,
        drawing: methods.indexOf(union.method),
        place: position === 'sole' ? '' : POSITION_WORDS[position],
        code: plant.code,
        variety: wood.find((lot) => lot.id === plant.woodLotId)!.variety,
        stockType: stocks.find((lot) => lot.id === plant.stockLotId)!.stockType,
        ribbon: ribbons.find(({ woodLotId }) => woodLotId === plant.woodLotId)!.ribbon,
        answer: report?.answer ?? null,
        note: report?.note ?? '',
        seenOn: report?.seenOn ?? null,
        advice: report ? advice(round, union, report.answer, lengthUnit) : null,
      };
    }),
  };
}

/** One of a grower's own plants: its life, what it wants next, how it was joined. Names of members are left out. */
export async function growerPlant(services: Services, token: string, code: string): Promise<GrowerPlantLife> {
  const { link, workshop, person, clubName } = await open(services, token);
  const { clubId } = link;
  const { db } = services;
  const plant = await db.plants.findOne({
    where: { clubId, workshopId: workshop.id, code: normaliseCode(code).slice(0, 12), voidedAt: null },
    raw: true,
  });
  const seat =
    plant && (await db.seats.findOne({ where: { clubId, id: plant.seatId, personId: person.id }, raw: true }));
  if (!plant || !seat)
    throw new UseCaseError('not-found', 'This plant is not one of yours. Open it from the list of your grafts.');
  const units = await clubUnits(db, clubId);
  const reader: Actor = {
    userId: person.id,
    clubId,
    role: 'viewer',
    name: '',
    clubName,
    ...units,
    sessionId: '',
    confirmedAt: null,
  };
  const context: Context = { ...services, actor: reader };
  const life = await plantLife(context, plant.code);
  const drawings = await Promise.all(life.unions.map(({ unionId }) => unionPicture(context, unionId)));
  const unions = life.unions.map((union) => ({ ...union, events: union.events.map(unnamed) }));
  return { clubName, unit: units.lengthUnit, plant: { ...life, unions }, drawings };
}

/** An entry without who made it. */
function unnamed(event: LifeEvent): LifeEvent {
  const { id: eventId, on, kind, words, to } = event;
  return { id: eventId, on, kind, words, ...(to === undefined ? {} : { to }) };
}

/** How a method joins wood, drawn from its example figures: a reminder of where to look. */
function joinedDrawing(method: Method, unit: LengthUnit): GrowerPage['drawings'][number] {
  const drawing = kept('a joined union', { method: method.id, unit }, () =>
    judgeUnion(method, defaultRule(method), exampleMeasures(method), {}, 'joined').assessment.side({ unit }),
  );
  return { method: method.name, drawing };
}

/** What the union's own method says to do this week; a grower has no unit of their own, so lengths are in the club's. */
function advice({ milestone }: RoundRow, union: UnionRow, answer: Answer, unit: LengthUnit): string {
  const { aftercare } = shownTechnique(methodById(union.method), union.schools);
  const { wayOn } = variantMade(union);
  return thisWeek(wayOn, milestone, answer, tasksFor(wayOn, aftercare), unit);
}

/** Saves one answer of a grower; the same id twice is one answer. Returns what to do this week. */
export async function saveAnswer(
  services: Services,
  token: string,
  reportId: string,
  input: unknown,
): Promise<{ advice: string }> {
  const { link, round, workshop, person, today } = await open(services, token);
  await limitAttempts(services, `answers by ${link.id}`, 300, 60);
  parse(id('the answer'), reportId);
  const values = parse(answerInput, input, services.now);
  if (today > round.closesOn)
    throw new UseCaseError(
      'gone',
      'This round has closed, so the answer was not saved. Call or write to the club; they can still enter it.',
    );
  const { db, now } = services;
  const { clubId } = link;
  // The plant must be this person's own, whatever the request says.
  const union = await db.unions.findOne({
    where: { clubId, workshopId: workshop.id, id: values.unionId, kind: 'keeper' },
    raw: true,
  });
  const plant =
    union && (await db.plants.findOne({ where: { clubId, id: union.plantId!, voidedAt: null }, raw: true }));
  const seat =
    plant && (await db.seats.findOne({ where: { clubId, id: plant.seatId, personId: person.id }, raw: true }));
  if (!seat) throw new UseCaseError('not-found', 'This plant is not one of yours. Reload the page and answer again.');
  const seenOn = seenDay(values.seenOn, union!.madeOn, today);
  await addReport(db, { clubId, round, reportId, answer: values, seenOn, source: 'link', enteredBy: null, now });
  const { lengthUnit } = await clubUnits(db, clubId);
  return { advice: advice(round, union!, values.answer, lengthUnit) };
}

/** Takes back the leave to be written to. The link goes on working. */
export async function stopWriting(services: Services, token: string): Promise<void> {
  const { link } = await open(services, token);
  const { db, now } = services;
  await transact(db, async (transaction) => {
    await holdGuard(db, transaction, link.clubId, 'leave to write');
    await db.people.update({ mayContact: false }, { where: { clubId: link.clubId, id: link.personId }, transaction });
    await audit(db, transaction, {
      clubId: link.clubId,
      actorId: null,
      action: 'leave taken back',
      subjectId: link.personId,
      at: now,
    });
  });
}

/** Erases the person behind the link, and with it every link they have. */
export async function eraseMe(services: Services, token: string): Promise<void> {
  const { link } = await open(services, token);
  await erasePersonRows(services, link.clubId, link.personId, null);
}
