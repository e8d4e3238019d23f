import { methodById } from '@/core/methods/registry';
import { pointsOf } from '@/core/methods/shown-technique';
import { writeCsv } from '@/exchange/csv-table';
import { allow, type Context } from '@/server/platform/context';
import { cellOf, type ExportColumn, judgementColumns, reportColumns, unionColumns } from './export-columns';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { hiddenFrom } from '@/server/platform/waiting-for-second';
import { listRounds } from '@/server/plan/rounds-of-workshop';
import { groupByUnion } from '@/server/score/scored-unions';
import { listSeats } from '@/server/plan/seats';
import type { WorkshopRow } from '@/db/models/plan-rows';
import type { UnionRow } from '@/db/models/union-rows';
import { getWorkshop } from '@/server/plan/workshops';

export const EXPORTS = ['unions', 'judgements', 'reports'] as const;
export type ExportName = (typeof EXPORTS)[number];

/** One table of a workshop as CSV. Lengths in mm whatever the user's unit, times in UTC, people by seat only. */
export async function exportCsv(context: Context, workshopId: string, name: ExportName): Promise<string> {
  allow(context, 'viewer');
  const workshop = await getWorkshop(context, workshopId);
  const {
    db,
    actor: { clubId },
  } = context;
  const [seats, keepers] = await Promise.all([listSeats(context, workshopId), listKeepers(context, workshopId)]);
  const seatNumber = new Map(seats.map((seat) => [seat.id, seat.number]));
  const byUnion = new Map(keepers.map((keeper) => [keeper.unionId, keeper]));
  const names = (union: { seatId: string; number: number } | undefined, unionId: string) => {
    const keeper = byUnion.get(unionId);
    return {
      seat: seatNumber.get(union?.seatId ?? '') ?? null,
      number: union?.number ?? 0,
      code: keeper?.code ?? '',
      variety: keeper?.wood.variety ?? '',
      stock: keeper?.stock.stockType ?? '',
    };
  };
  if (name === 'unions') {
    const facts = await db.unionFacts.findAll({
      where: { clubId, workshopId },
      order: [
        ['kind', 'ASC'],
        ['number', 'ASC'],
      ],
      raw: true,
    });
    const known = new Map(facts.map((fact) => [fact.unionId, fact]));
    return table(
      unionColumns((unionId) => names(known.get(unionId), unionId)),
      facts,
    );
  }
  if (name === 'judgements') return judgementTable(context, workshop, names);
  const rounds = new Map((await listRounds(context, workshopId)).map((round) => [round.id, round]));
  const reports = await db.reports.findAll({
    where: { clubId, roundId: [...rounds.keys()] },
    order: [
      ['recordedAt', 'ASC'],
      ['unionId', 'ASC'],
      ['turn', 'ASC'],
    ],
    raw: true,
  });
  return table(
    reportColumns(
      (unionId) => byUnion.get(unionId)?.code ?? '',
      (roundId) => rounds.get(roundId)!.milestone,
    ),
    reports,
  );
}

/** What was judged of the unions of a workshop, by all of its methods. */
async function judgementTable(
  context: Context,
  workshop: WorkshopRow,
  names: (union: UnionRow | undefined, unionId: string) => ReturnType<Parameters<typeof unionColumns>[0]>,
): Promise<string> {
  const {
    db,
    actor: { clubId, userId },
  } = context;
  const workshopId = workshop.id;
  const unions = new Map(
    (await db.unions.findAll({ where: { clubId, workshopId }, raw: true })).map((union) => [union.id, union]),
  );
  const all = await db.judgements.findAll({
    where: { clubId, unionId: [...unions.keys()] },
    order: [
      ['recordedAt', 'ASC'],
      ['id', 'ASC'],
    ],
    raw: true,
  });
  // What a second assessor must not see yet is in no table yet.
  const judged = groupByUnion(all);
  const judgements = all.filter(({ unionId }) => !hiddenFrom(userId, unions.get(unionId)!, judged.get(unionId) ?? []));
  const methods = [...new Set([workshop.method, ...judgements.map(({ method }) => method)])].map(methodById);
  const fields = methods.flatMap((method) => method.fields);
  const points = methods.flatMap((method) => pointsOf(method, workshop.schools).map(({ id }) => id));
  return table(
    judgementColumns(
      // Methods share fields and points: each is a column once.
      fields.filter(({ id, unit }, i) => fields.findIndex((other) => other.id === id && other.unit === unit) === i),
      [...new Set(points)],
      (method) => methodById(method).fields,
      (unionId) => names(unions.get(unionId), unionId),
    ),
    judgements,
  );
}

function table<Row>(columns: ExportColumn<Row>[], rows: readonly Row[]): string {
  return writeCsv(
    columns.map(({ name }) => name),
    rows.map((row) => Object.fromEntries(columns.map((column) => [column.name, cellOf(column, row)]))),
  );
}
