import { groupedBy } from '@/core/units/grouped-by';
import { byId } from '@/core/units/by-id';
import { HAPPENINGS, isHappening } from '@/core/aftercare/happening';
import type { Contradiction, Side } from '@/core/follow-up/contradiction';
import { countingAnswers } from '@/core/findings/take/counting-answers';
import { settlementInput } from '@/core/follow-up/answer-input';
import { WAY_IN_WORDS } from '@/core/follow-up/way-in';
import { ENGLISH } from '@/core/follow-up/wording/english';
import type { WordingKey } from '@/core/follow-up/wording/wording';
import { ANSWER_WORDS, MILESTONE_WORDS } from '@/core/methods/milestones';
import type { UnionObservationRow } from '@/db/models/aftercare-rows';
import type { ReportRow } from '@/db/models/follow-up-rows';
import { transact } from '@/db/transact';
import { UNSET } from '@/db/unset';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { parse } from '@/server/platform/parse';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';
import { listRounds } from '@/server/plan/rounds-of-workshop';

/** Unions of a workshop of which answers contradict each other, for the instructor to settle. */
export async function contradictions(context: Context, workshopId: string): Promise<Contradiction[]> {
  allow(context, 'viewer');
  await getWorkshop(context, workshopId);
  const { db, actor } = context;
  const { clubId } = actor;
  const facts = await db.unionFacts.findAll({ where: { clubId, workshopId, contradicted: true }, raw: true });
  if (facts.length === 0) return [];
  const unionId = facts.map((fact) => fact.unionId);
  const [unions, reports, deaths, rounds] = await Promise.all([
    db.unions.findAll({ where: { clubId, id: unionId }, raw: true }),
    db.reports.findAll({ where: { clubId, unionId, setAsideAt: UNSET }, order: [['turn', 'ASC']], raw: true }),
    db.unionObservations.findAll({ where: { clubId, unionId, kind: 'ended', takenBackAt: UNSET }, raw: true }),
    listRounds(context, workshopId),
  ]);
  const plants = await db.plants.findAll({ where: { clubId, id: unions.map((union) => union.plantId!) }, raw: true });
  const [lots, seats] = await Promise.all([
    db.woodLots.findAll({ where: { clubId, id: plants.map(({ woodLotId }) => woodLotId) }, raw: true }),
    db.seats.findAll({ where: { clubId, id: plants.map(({ seatId }) => seatId) }, raw: true }),
  ]);
  const people = await db.people.findAll({ where: { clubId, id: seats.map(({ personId }) => personId) }, raw: true });
  const [roundOf, plantOf, seatOf] = [byId(rounds), byId(plants), byId(seats)];
  const [lotOf, personOf, reportsOf] = [byId(lots), byId(people), groupedBy(reports, (report) => report.unionId)];
  const sideOf = (report: ReportRow): Side => {
    const round = roundOf.get(report.roundId);
    return {
      reportId: report.id,
      says: report.answer === 'dead' ? 'dead' : 'alive',
      seenOn: report.seenOn,
      words:
        `${round ? MILESTONE_WORDS[round.milestone].name : ''}: ${ANSWER_WORDS[report.answer].toLowerCase()}, ${WAY_IN_WORDS[report.source]}. ${report.why ? ENGLISH.say(`why.${report.why}` as WordingKey) : ''}`.trim(),
      note: report.note,
    };
  };
  return unions.map((union): Contradiction => {
    const plant = plantOf.get(union.plantId!)!;
    const seat = seatOf.get(plant.seatId);
    const answers = groupedBy(reportsOf.get(union.id) ?? [], ({ roundId }) => roundId);
    const counting = [...answers.values()].flatMap(countingAnswers);
    const sides = counting.map(sideOf);
    return {
      unionId: union.id,
      code: plant.code,
      variety: lotOf.get(plant.woodLotId)?.variety ?? '',
      grower: personOf.get(seat?.personId ?? '')?.name ?? ERASED_NAME,
      alive: sides.filter((_, i) => counting[i]!.answer === 'yes'),
      dead: [
        ...sides.filter((_, i) => counting[i]!.answer === 'dead'),
        ...deaths.filter((death) => death.unionId === union.id).map(deathSide),
      ],
    };
  });
}

/** A death that was told on a day nobody asked. */
function deathSide({ id, seenOn, about, note }: UnionObservationRow): Side {
  const what = isHappening(about) ? HAPPENINGS[about].toLowerCase() : '';
  return { reportId: id, says: 'dead', seenOn, words: `Told on the day: ${what}.`, note };
}

/** Sets answers of a union aside that contradict others, with the reason: they are kept, and count no more. */
export async function settleContradiction(context: Context, unionId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const { setAside, why } = parse(settlementInput, input);
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  await transact(db, async (transaction) => {
    const reports = await db.reports.findAll({ where: { clubId, unionId }, transaction, raw: true });
    const deaths = await db.unionObservations.findAll({
      where: { clubId, unionId, kind: 'ended' },
      transaction,
      raw: true,
    });
    if (reports.length + deaths.length === 0) throw notFound('The plant');
    const wrong = reports.filter(({ id }) => setAside.includes(id));
    const wrongDeaths = deaths.filter(({ id }) => setAside.includes(id));
    if (wrong.length + wrongDeaths.length !== new Set(setAside).size) throw notFound('The answer');
    // The same again changes nothing.
    if (wrong.every(({ setAsideAt }) => setAsideAt !== null) && wrongDeaths.every(({ takenBackAt }) => takenBackAt))
      return;
    const deciding = reports.filter(
      ({ answer, setAsideAt }) => ['yes', 'dead'].includes(answer) && setAsideAt === null,
    );
    const standing = [...deciding, ...deaths.filter(({ takenBackAt }) => takenBackAt === null)];
    if (standing.every(({ id }) => setAside.includes(id)))
      throw new UseCaseError('invalid', 'One side has to stand. Set aside the answers of one side only.');
    const roundId = wrong.map((report) => report.roundId);
    // Earlier answers of that side to the same rounds would come to count in their place.
    const same = reports.filter(
      (report) => roundId.includes(report.roundId) && wrong.some(({ answer }) => answer === report.answer),
    );
    await db.reports.update(
      { setAsideAt: now, setAsideBy: userId, setAsideWhy: why },
      { where: { clubId, id: same.map(({ id }) => id), setAsideAt: UNSET }, transaction },
    );
    await db.unionObservations.update(
      { takenBackAt: now },
      {
        where: { clubId, id: [...same, ...wrongDeaths].map(({ id }) => id), takenBackAt: UNSET },
        transaction,
      },
    );
    await refreshUnionFacts(db, clubId, [unionId], transaction);
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: 'contradiction settled',
      subjectId: unionId,
      at: now,
    });
  });
}
