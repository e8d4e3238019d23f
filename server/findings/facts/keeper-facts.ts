import { QueryTypes } from 'sequelize';
import { formatCode } from '@/core/codes/plant-code';
import type { FindingsFilter } from '@/core/findings/facts/findings-filter';
import { findingsFilterInput } from '@/core/findings/facts/findings-filter-input';
import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import type { TakeState } from '@/core/findings/take/take-state';
import type { Milestone } from '@/core/methods/milestones';
import { daysBetween } from '@/core/units/iso-date';
import { askedMilestones } from '@/server/platform/asked-milestones';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';

type Row = Omit<KeeperFact, 'states' | 'asked' | 'fate' | 'aliveFor' | 'deadBy' | 'called' | 'href'> &
  Record<Milestone, TakeState> & {
    code: string;
    position: string;
    firstDeadOn: string | null;
    lastAliveOn: string | null;
    contradicted: boolean;
  };

/** What the filter asks of a keeper, in the query's own names. */
export function filtered(filter: FindingsFilter): string {
  return [
    ...(filter.workshopId ? ['f.workshop_id = :workshopId'] : []),
    ...(filter.method ? ['f.method = :method'] : []),
    ...(filter.year ? ["f.date BETWEEN CONCAT(:year, '-01-01') AND CONCAT(:year, '-12-31')"] : []),
    ...(filter.lotId ? ['f.wood_lot_id = :lotId'] : []),
    ...(filter.siteId ? ['h.site_id = :siteId'] : []),
    ...(filter.personId ? ['u.maker_id = :personId'] : []),
    ...(filter.scoreFrom === null ? [] : ['f.score >= :scoreFrom']),
    ...(filter.scoreTo === null ? [] : ['f.score < :scoreTo + 1']),
  ]
    .map((condition) => ` AND ${condition}`)
    .join('');
}

/** Reads a filter as it came with a request. */
export const filterOf = (input: unknown): FindingsFilter => parse(findingsFilterInput, input);

/** More keepers than these are not read one by one: the newest are. */
export const MOST_READ = 100_000;

/** Keepers that were handed over and not voided, of a filter, in the order they were made; of very many the newest. */
export async function keeperFacts(context: Context, filter: FindingsFilter): Promise<KeeperFact[]> {
  allow(context, 'viewer');
  const { db, actor } = context;
  const asking = askedMilestones(context);
  const rows = await db.sequelize.query<Row>(
    `SELECT f.union_id AS unionId, u.plant_id AS plantId, f.workshop_id AS workshopId, f.date, f.method, f.variant,
       f.wood_lot_id AS woodLotId, f.stock_lot_id AS stockLotId, h.site_id AS siteId, u.maker_id AS makerId, w.variety,
       f.healed, f.growing, f.season, f.wintered, f.first_dead_on AS firstDeadOn, f.last_alive_on AS lastAliveOn,
       f.contradicted, f.score, f.contact, f.fatal, f.outlook, f.outlook_by AS outlookBy, p.code, f.position,
       f.reminded
     FROM union_facts f JOIN unions u ON u.id = f.union_id JOIN plants p ON p.id = u.plant_id
     JOIN wood_lots w ON w.id = p.wood_lot_id JOIN workshops h ON h.id = f.workshop_id AND h.put_away_at IS NULL
     WHERE f.club_id = :clubId AND f.kind = 'keeper' AND f.voided = 0${filtered(filter)}
     ORDER BY f.date DESC, f.workshop_id DESC, f.number DESC, f.union_id DESC LIMIT :most`,
    { replacements: { clubId: actor.clubId, most: MOST_READ, ...filter }, type: QueryTypes.SELECT },
  );
  const asked = await asking;
  return rows.reverse().map((row) => factOf(row, asked.get(row.workshopId) ?? []));
}

function factOf(row: Row, asked: readonly Milestone[]): KeeperFact {
  const {
    code,
    position,
    firstDeadOn,
    lastAliveOn,
    contradicted,
    reminded,
    healed,
    growing,
    season,
    wintered,
    ...fact
  } = row;
  const states = { healed, growing, season, wintered };
  const last = asked.at(-1);
  const fate = last && !contradicted ? states[last] : 'unknown';
  const days = (day: string): number => Math.max(0, daysBetween(fact.date, day));
  const aliveFor = lastAliveOn && !contradicted ? days(lastAliveOn) : 0;
  return {
    ...fact,
    // A plant's only union needs no position.
    called: position && position !== 'sole' ? `${formatCode(code)} ${position}` : formatCode(code),
    href: `/plants/${code}`,
    states,
    asked,
    fate,
    aliveFor,
    // Seen dead on the day it was last seen alive, or a day nobody can have: one day after.
    deadBy: firstDeadOn && !contradicted ? Math.max(aliveFor + 1, days(firstDeadOn)) : null,
    reminded: reminded && !contradicted,
  };
}
