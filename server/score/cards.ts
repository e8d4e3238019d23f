import type { Choices } from '@/core/methods/school';
import { printJob } from '@/server/jobs/run-job';
import { object, string } from 'yup';
import type { CardUnion, PersonCard } from '@/core/score/cards/person-card';
import { whatToTrain } from '@/core/score/cards/what-to-train';
import { methodById } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';
import { isReady } from '@/core/score/readiness/ready-rule';
import { bestCorrections } from '@/core/score/rubric/best-corrections';
import type { DisplayList } from '@/core/drawing/display-list';
import type { Measures } from '@/core/methods/measures';
import type { Stage } from '@/core/methods/method';
import { judgeUnion, type Marks, type ScoringRule } from '@/core/score/rubric/judge-union';
import { faultShown } from '@/core/teach/fault-shown';
import { reckonedDay } from '@/core/units/iso-date';
import type { LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import type { JudgementRow, UnionRow } from '@/db/models/union-rows';
import type { WorkshopRow } from '@/db/models/plan-rows';
import { transact } from '@/db/transact';
import { attemptOf } from './attempts';
import { audit } from '@/server/platform/audit';
import { allow, type Context, type Services } from '@/server/platform/context';
import { paper } from '@/core/inputs/fields';
import { aftercareOf, keepersOn, madeOf, namesOf } from './card-keepers';
import { judgedGrades } from './judged-grades';
import { kept } from '@/server/platform/kept';
import { linkReader } from '@/server/platform/link-reader';
import { limitAttempts } from '@/server/platform/rate-limit';
import { parse } from '@/server/platform/parse';
import { practisedAs } from './keeper-permits';
import { groupByUnion, lettersOfPoints } from './scored-unions';
import { USUAL_SCORING, type ScoringSettings } from './scoring-settings';
import { openJudgement } from '@/server/platform/waiting-for-second';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { hashToken, makeToken } from '@/server/platform/secrets';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { followedUp } from '@/server/plan/made-unions';
import { taughtOn } from '@/server/plan/taught';
import { getWorkshop } from '@/server/plan/workshops';
import type { RubricRow } from '@/db/models/score-rows';

/** Cards of some seats of a workshop; unions that wait for their second assessor are not on them yet. */
async function cardsOf(
  context: Context,
  workshop: WorkshopRow,
  seatIds: string[] | null,
): Promise<(PersonCard & { seatId: string })[]> {
  const {
    db,
    actor: { clubName, lengthUnit: unit },
  } = context;
  const { clubId, id: workshopId } = workshop;
  const date = reckonedDay(workshop.date);
  const seats = await db.seats.findAll({
    where: { clubId, workshopId, ...(seatIds ? { id: seatIds } : { absent: false }) },
    order: [['number', 'ASC']],
    raw: true,
  });
  const where = { clubId, workshopId, seatId: seats.map(({ id }) => id) };
  const [taught, practised, people, all, plants, part] = await Promise.all([
    taughtOn(context, workshop),
    practisedAs(context, workshop, workshop.method),
    db.people.findAll({ where: { clubId, id: seats.map(({ personId }) => personId) }, raw: true }),
    db.unions.findAll({ where, order: [['number', 'ASC']], raw: true }),
    db.plants.findAll({ where: { ...where, voidedAt: null }, order: [['place', 'ASC']], raw: true }),
    db.planParts.findOne({ where: { clubId, workshopId, part: 'scoring' }, raw: true }),
  ]);
  const judgements = await db.judgements.findAll({ where: { clubId, unionId: all.map(({ id }) => id) }, raw: true });
  const [rubrics, wood, stocks] = await Promise.all([
    db.rubrics.findAll({ where: { clubId, id: [...new Set(judgements.map(({ rubricId }) => rubricId))] }, raw: true }),
    db.woodLots.findAll({ where: { clubId, id: plants.map(({ woodLotId }) => woodLotId) }, raw: true }),
    db.stockLots.findAll({ where: { clubId, id: plants.map(({ stockLotId }) => stockLotId) }, raw: true }),
  ]);
  const schools: Choices = Object.assign({}, workshop.schools, ...taught.map(({ variant }) => variant.choices ?? {}));
  const byUnion = groupByUnion(judgements);
  const letterOf = lettersOfPoints(workshop);
  const scoredOf = (unions: UnionRow[]): ScoredUnion[] => scoredUnions(unions, byUnion, rubrics, letterOf);
  const { ready } = (part?.body as ScoringSettings | undefined) ?? USUAL_SCORING;
  return seats.map((seat) => {
    const own = all.filter(({ seatId }) => seatId === seat.id);
    const practice = scoredOf(own.filter(({ kind }) => kind === 'practice'));
    const methods = namesOf(workshop, own);
    // First and last are set side by side, and faults counted, by one method: the one practised last.
    const last = practice.at(-1);
    const scored = practice.filter(({ counts }) => counts.method === last?.counts.method);
    const method = methodById(last?.counts.method ?? workshop.method);
    const keepers = keepersOn(own, plants, { wood, stocks, judged: (union) => scoredOf([union])[0]?.union ?? null });
    const after = aftercareOf(followedUp(taught, madeOf(own, plants)), keepers, workshop, date, unit);
    const said = last ? kept('corrections of a card', { ...last.judged, unit }, correctionsOf) : {};
    return {
      seatId: seat.id,
      name: people.find(({ id }) => id === seat.personId)?.name ?? ERASED_NAME,
      seat: seat.number,
      clubName,
      workshop: workshop.title,
      date: workshop.date,
      method: methods.join(', '),
      ready: isReady(
        practice.filter(({ counts }) => practised(counts.method)).map(({ counts }) => attemptOf(counts)),
        ready,
      ),
      unions: practice.map(({ union, counts }) => (methods.length > 1 ? withMethod(union, counts.method) : union)),
      first: scored[0] ? pictured(scored[0], unit) : null,
      last: scored.length > 1 ? pictured(last!, unit) : null,
      train: whatToTrain(
        scored.map(({ counts, rule }) => judgedGrades(method, rule, counts)),
        last?.rule.weights ?? {},
        said,
      ).map((point) => ({
        ...point,
        how: written(point.how, unit),
        shown: kept('fault of a card', { method: method.id, schools, point: point.point, unit }, () =>
          faultShown(shownTechnique(method, schools), point.point, unit),
        ),
      })),
      keepers,
      ...after,
    };
  });
}

/** All that a union's drawings and corrections are made from. */
interface Judged {
  method: string;
  rule: ScoringRule;
  measures: Measures;
  marks: Marks;
  stage: Stage;
}

/** A union that counts, as it was judged and as a card names it. */
interface ScoredUnion {
  counts: JudgementRow;
  rule: ScoringRule;
  judged: Judged;
  union: PersonCard['unions'][number];
}

/** A union with its drawings. */
function pictured({ union, judged }: ScoredUnion, unit: LengthUnit): NonNullable<PersonCard['first']> {
  return { union, ...kept('drawings of a card', { ...judged, unit }, drawingsOf) };
}

/** A union that says what it was joined by. */
function withMethod(union: CardUnion, method: string): CardUnion {
  return { ...union, method: methodById(method).name };
}

/** Those of some unions that count, in their order. */
function scoredUnions(
  unions: readonly UnionRow[],
  byUnion: Map<string, JudgementRow[]>,
  rubrics: RubricRow[],
  letterOf: (method: string, point: string) => string,
): ScoredUnion[] {
  return unions.flatMap((union) => {
    const counts = openJudgement(union, byUnion.get(union.id) ?? []);
    if (!counts) return [];
    const rule = rubrics.find(({ id }) => id === counts.rubricId)!.body;
    const { method, measures, marks, stage } = counts;
    return [
      {
        counts,
        rule,
        judged: { method, rule, measures, marks, stage },
        union: cardUnion(union.number, counts, letterOf),
      },
    ];
  });
}

function drawingsOf({ method, rule, measures, marks, stage, unit }: Judged & { unit: LengthUnit }): {
  side: DisplayList;
  lines: DisplayList;
} {
  const { assessment } = judgeUnion(methodById(method), rule, measures, marks, stage);
  return { side: assessment.side({ unit }), lines: assessment.lines({ unit }) };
}

function correctionsOf({
  method,
  rule,
  measures,
  marks,
  stage,
  unit,
}: Judged & { unit: LengthUnit }): Record<string, string> {
  return Object.fromEntries(
    bestCorrections(methodById(method), rule, measures, marks, stage, 6).map((correction) => [
      correction.point,
      written(correction.say, unit),
    ]),
  );
}

function cardUnion(
  number: number,
  { method, score, contact, contactWords, fatal, runs }: JudgementRow,
  letterOf: (method: string, point: string) => string,
): CardUnion {
  return {
    number,
    method: '',
    score,
    contact,
    words: contactWords,
    fatal: fatal.length > 0,
    glyph: { runs, fatal: fatal[0] ? letterOf(method, fatal[0]) : null },
  };
}

/** Everybody's card of a workshop, to look through. */
export async function listCards(context: Context, workshopId: string): Promise<(PersonCard & { seatId: string })[]> {
  allow(context, 'viewer');
  return cardsOf(context, await getWorkshop(context, workshopId), null);
}

const printInput = object({
  paper: paper(),
  seat: string()
    .default('')
    .matches(/^([0-9a-f-]{36})?$/, 'Choose whose card again.'),
});

/** Cards as PDF, a page a person; of one seat, or of all who are present. */
export async function printCards(context: Context, workshopId: string, input: unknown): Promise<Buffer> {
  allow(context, 'viewer');
  const values = parse(printInput, input);
  const cards = await cardsOf(context, await getWorkshop(context, workshopId), values.seat ? [values.seat] : null);
  if (cards.length === 0)
    throw values.seat
      ? notFound('The seat')
      : new UseCaseError(
          'invalid',
          'Nobody sits at the benches yet, so there is no card to print. Fill the roster first.',
        );
  return printJob('print cards', cards, values.paper);
}

/** Makes a private link to somebody's card; earlier ones go on opening it. The link is told once and kept as a hash. */
export async function makeCardLink(context: Context, workshopId: string, seatId: string): Promise<{ url: string }> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
    publicUrl,
  } = context;
  await getWorkshop(context, workshopId);
  const seat = await db.seats.findOne({ where: { clubId, workshopId, id: seatId }, raw: true });
  if (!seat) throw notFound('The seat');
  const person = await db.people.findOne({ where: { clubId, id: seat.personId }, raw: true });
  if (person?.erasedAt) throw new UseCaseError('conflict', 'This person asked to be erased; no link is made for them.');
  const token = makeToken();
  await transact(db, async (transaction) => {
    await db.cardLinks.create(
      { clubId, seatId, tokenHash: hashToken(token), createdAt: now, withdrawnAt: null },
      { transaction },
    );
    await audit(db, transaction, { clubId, actorId: userId, action: 'card link made', subjectId: seatId, at: now });
  });
  return { url: `${publicUrl}/c/${token}` };
}

/** The card behind a private link. Looking changes nothing. */
export async function cardByToken(services: Services, token: string): Promise<PersonCard> {
  const { db } = services;
  const link = await db.cardLinks.findOne({ where: { tokenHash: hashToken(token) }, raw: true });
  // A class looks from one network, and of 256 bits nobody guesses any: only the same wrong link again and again is held up.
  if (!link) await limitAttempts(services, `card guessed ${hashToken(token)}`, 120, 15);
  if (!link)
    throw new UseCaseError(
      'not-found',
      'This link is not one of ours. Check that all of it was copied, or ask the club for a new one.',
    );
  if (link.withdrawnAt) throw new UseCaseError('gone', 'This link was withdrawn. Ask the club for a new one.');
  const { clubId } = link;
  const seat = await db.seats.findOne({ where: { clubId, id: link.seatId }, raw: true });
  const [workshop, club] = await Promise.all([
    db.workshops.findOne({ where: { clubId, id: seat!.workshopId }, raw: true }),
    db.clubs.findOne({ where: { id: clubId }, raw: true }),
  ]);
  const [card] = await cardsOf(await linkReader(services, club!), workshop!, [link.seatId]);
  return card!;
}
