import { methodById } from '@/core/methods/registry';
import { figuresOf } from '@/core/methods/field';
import { pointsOf } from '@/core/methods/shown-technique';
import { writeCsv } from '@/exchange/csv-table';
import { allow, type Context } from './context';
import { listKeepers } from './keepers';
import { hiddenFrom } from './second-looks';
import { listRounds } from './rounds';
import { groupByUnion } from './scored-unions';
import { listSeats } from './seats';
import { getWorkshop } from './workshops';

export const EXPORTS = ['unions', 'judgements', 'reports'] as const;
export type ExportName = (typeof EXPORTS)[number];

type Rows = Record<string, string | number | boolean | null>[];

/** One table of a workshop as CSV. Lengths in mm whatever the user's unit, times in UTC, people by seat only. */
export async function exportCsv(context: Context, workshopId: string, name: ExportName): Promise<string> {
  allow(context, 'viewer');
  const workshop = await getWorkshop(context, workshopId);
  const { db, actor: { clubId, userId } } = context;
  const seats = new Map((await listSeats(context, workshopId)).map((seat) => [seat.id, seat.number]));
  if (name === 'unions') {
    const [facts, keepers] = await Promise.all([
      db.unionFacts.findAll({ where: { clubId, workshopId }, order: [['kind', 'ASC'], ['number', 'ASC']], raw: true }),
      listKeepers(context, workshopId),
    ]);
    const byUnion = new Map(keepers.map((keeper) => [keeper.unionId, keeper]));
    return writeCsv(
      ['union_id', 'kind', 'seat', 'number', 'code', 'variety', 'stock', 'method', 'date', 'score', 'contact', 'contact_grade', 'fatal', 'voided', 'healed', 'growing', 'season', 'wintered', 'contradicted'],
      facts.map((fact) => ({
        union_id: fact.unionId, kind: fact.kind, seat: seats.get(fact.seatId) ?? null, number: fact.number, code: byUnion.get(fact.unionId)?.code ?? '',
        variety: byUnion.get(fact.unionId)?.wood.variety ?? '', stock: byUnion.get(fact.unionId)?.stock.stockType ?? '', method: fact.method, date: fact.date,
        score: fact.score, contact: fact.contact, contact_grade: fact.contactGrade, fatal: fact.fatal === null ? null : Number(fact.fatal), voided: Number(fact.voided),
        // Practice unions are cut open; nothing is asked of them later.
        ...(fact.kind === 'keeper' ? { healed: fact.healed, growing: fact.growing, season: fact.season, wintered: fact.wintered } : {}),
        contradicted: Number(fact.contradicted),
      })) as Rows,
    );
  }
  const unions = new Map((await db.unions.findAll({ where: { clubId, workshopId }, raw: true })).map((union) => [union.id, union]));
  if (name === 'judgements') {
    const all = await db.judgements.findAll({ where: { clubId, unionId: [...unions.keys()] }, order: [['recordedAt', 'ASC'], ['id', 'ASC']], raw: true });
    // What a second assessor must not see yet is in no table yet.
    const byUnion = groupByUnion(all);
    const judgements = all.filter(({ unionId }) => !hiddenFrom(userId, unions.get(unionId)!, byUnion.get(unionId) ?? []));
    const { fields } = methodById(workshop.method);
    const points = pointsOf(methodById(workshop.method), workshop.schools).map(({ id }) => id);
    return writeCsv(
      ['judgement_id', 'union_id', 'seat', 'number', 'assessor_id', 'stage', ...fields.flatMap(({ id, unit }) => [`${id}_${unit}`, `${id}_origin`]),
        ...points.map((point) => `mark_${point}`), 'contact', 'left', 'right', 'touching_mm', 'contact_grade', 'score', 'model', 'rubric_id', 'corrects_id', 'withdrawn_at', 'filled_in_at', 'device_at', 'recorded_at', 'note'],
      judgements.map((judgement) => {
        const union = unions.get(judgement.unionId)!;
        const { measures } = judgement;
        const figures = figuresOf(fields, measures);
        return {
          judgement_id: judgement.id, union_id: judgement.unionId, seat: seats.get(union.seatId) ?? null, number: union.number, assessor_id: judgement.assessorId, stage: judgement.stage,
          ...Object.fromEntries(fields.flatMap(({ id, unit }) => {
            const measure = measures[id];
            // A pick stands with the figure it stood for.
            return [[`${id}_${unit}`, figures[id] ?? null], [`${id}_origin`, measure === undefined ? 'assumed' : 'pick' in measure ? measure.pick : measure.origin]];
          })),
          ...Object.fromEntries(points.map((point) => [`mark_${point}`, judgement.marks[point] ?? ''])),
          contact: judgement.contact, left: judgement.contactLeft, right: judgement.contactRight, touching_mm: judgement.touchingMm, contact_grade: judgement.contactGrade,
          score: judgement.score, model: judgement.modelVersion, rubric_id: judgement.rubricId, corrects_id: judgement.correctsId,
          withdrawn_at: judgement.withdrawnAt?.toISOString() ?? null, filled_in_at: judgement.filledInAt?.toISOString() ?? null,
          device_at: judgement.deviceAt.toISOString(), recorded_at: judgement.recordedAt.toISOString(), note: judgement.note,
        };
      }),
    );
  }
  const rounds = new Map((await listRounds(context, workshopId)).map((round) => [round.id, round]));
  const codes = new Map((await listKeepers(context, workshopId)).map((keeper) => [keeper.unionId, keeper.code]));
  const reports = await db.reports.findAll({ where: { clubId, roundId: [...rounds.keys()] }, order: [['seq', 'ASC']], raw: true });
  return writeCsv(
    ['report_id', 'union_id', 'code', 'milestone', 'answer', 'source', 'recorded_at', 'note'],
    reports.map((report) => ({
      report_id: report.id, union_id: report.unionId, code: codes.get(report.unionId) ?? '', milestone: rounds.get(report.roundId)!.milestone, answer: report.answer,
      source: report.source, recorded_at: report.recordedAt.toISOString(), note: report.note,
    })),
  );
}
