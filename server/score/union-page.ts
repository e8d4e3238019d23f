import { methodById } from '@/core/methods/registry';
import { judgeUnion } from '@/core/score/rubric/judge-union';
import type { Context } from '@/server/platform/context';
import { countingJudgement } from '@/server/platform/counting-judgement';
import { listCutLooks } from './cut-looks';
import { listPhotos } from './photos';
import { type ScoredUnion, unionsSeen } from './scored-unions';
import { calledOnPlant } from '@/core/methods/position';
import { formatCode } from '@/core/codes/plant-code';
import { readableUnion } from './readable-union';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { listSeats } from '@/server/plan/seats';
import { notFound } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';

/** A union by itself: its drawing, everything judged of it, its pictures, and what was seen when it was cut open. */
export async function openUnion(context: Context, workshopId: string, unionId: string) {
  const workshop = await getWorkshop(context, workshopId);
  const row = await readableUnion(context, unionId);
  if (row.workshopId !== workshop.id) throw notFound('The union');
  const [seats, { scored }, photos, looks] = await Promise.all([
    listSeats(context, workshopId),
    unionsSeen(context, workshop, { id: unionId }),
    listPhotos(context, unionId),
    listCutLooks(context, unionId),
  ]);
  const union: ScoredUnion | undefined = scored[0];
  if (!union) throw notFound('The union');
  const seat = seats.find(({ id }) => id === union.seatId)!;
  const {
    db,
    actor: { clubId },
  } = context;
  const all = await db.judgements.findAll({ where: { clubId, unionId }, order: [['recordedAt', 'ASC']], raw: true });
  const rubrics = await db.rubrics.findAll({
    where: { clubId, id: [...new Set(all.map(({ rubricId }) => rubricId))] },
    raw: true,
  });
  const plant = row.plantId ? await db.plants.findOne({ where: { clubId, id: row.plantId }, raw: true }) : null;
  const counts = countingJudgement(row, all)!;
  const { assessment } = judgeUnion(
    methodById(counts.method),
    rubrics.find(({ id }) => id === counts.rubricId)!.body,
    counts.measures,
    counts.marks,
    counts.stage,
  );
  return {
    workshop,
    union,
    photos,
    looks,
    assessment,
    method: methodById(counts.method),
    making: row,
    code: plant?.code ?? null,
    called: plant ? calledOnPlant(formatCode(plant.code), row.position) : `${seat.number}-${union.number}`,
    seat: { id: seat.id, number: seat.number, name: seat.person.name ?? ERASED_NAME },
    // Every row in the order it arrived, with the rubric it was scored by: nothing that was said is lost.
    rows: all.map((judgement) => ({
      id: judgement.id,
      assessor: union.judgements.flatMap((seen) => [seen, ...seen.earlier]).some(({ id }) => id === judgement.id)
        ? (union.judgements.find(({ assessorId }) => assessorId === judgement.assessorId)?.assessorName ?? '')
        : '',
      score: judgement.score,
      contactWords: judgement.contactWords,
      rubric: rubrics.findIndex(({ id }) => id === judgement.rubricId) + 1,
      blind: judgement.blind,
      stage: judgement.stage,
      rescored: judgement.rescoredBy !== null,
      withdrawn: judgement.withdrawnAt !== null,
      counts: judgement.id === counts.id,
      madeAt: judgement.madeAt.toISOString(),
      seconds: judgement.seconds,
      strokes: judgement.strokes,
      note: judgement.note,
    })),
  };
}
