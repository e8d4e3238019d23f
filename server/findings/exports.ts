import { methodById } from '@/core/methods/registry';
import { pointsOf } from '@/core/methods/shown-technique';
import { writeCsv } from '@/exchange/csv-table';
import { allow, type Context } from '@/server/platform/context';
import { cellOf, type ExportColumn, judgementColumns, reportColumns, unionColumns } from './export-columns';
import { listKeepers } from '@/server/aftercare/keepers';
import { hiddenFrom } from '@/server/platform/waiting-for-second';
import { listRounds } from '@/server/plan/rounds-of-workshop';
import { groupByUnion } from '@/server/score/scored-unions';
import { listSeats } from '@/server/plan/seats';
import { getWorkshop } from '@/server/plan/workshops';

export const EXPORTS = ['unions', 'judgements', 'reports'] as const;
export type ExportName = (typeof EXPORTS)[number];

/** One table of a workshop as CSV. Lengths in mm whatever the user's unit, times in UTC, people by seat only. */
export async function exportCsv(context: Context, workshopId: string, name: ExportName): Promise<string> {
  allow(context, 'viewer');
  const workshop = await getWorkshop(context, workshopId);
  const {
    db,
    actor: { clubId, userId },
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
  if (name === 'judgements') {
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
    const judgements = all.filter(
      ({ unionId }) => !hiddenFrom(userId, unions.get(unionId)!, judged.get(unionId) ?? []),
    );
    const method = methodById(workshop.method);
    return table(
      judgementColumns(
        method.fields,
        pointsOf(method, workshop.schools).map(({ id }) => id),
        (unionId) => names(unions.get(unionId), unionId),
      ),
      judgements,
    );
  }
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

function table<Row>(columns: ExportColumn<Row>[], rows: readonly Row[]): string {
  return writeCsv(
    columns.map(({ name }) => name),
    rows.map((row) => Object.fromEntries(columns.map((column) => [column.name, cellOf(column, row)]))),
  );
}
