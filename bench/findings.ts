import { rmSync } from 'node:fs';
import { QueryTypes, type Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { METHODS } from '@/core/methods/registry';
import { transact } from '@/db/transact';
import { takeBoard } from '@/server/findings/boards/take-board';
import { keptCounts } from '@/server/platform/keeper-counts';
import { benchServices } from './bench-services';

/*
 * node --import tsx bench/findings.ts [UNIONS OF A REGION]
 * The board of take from kept counts: 20,000 unions of a club within 500 ms, 1,000,000 of a region within 2 s, the use
 * case alone. A workshop has 1,100 keepers by 17 hands with wood of 12 lots; each is asked for all milestones.
 */
const REGION = Number(process.argv[2] ?? 1_000_000);
const PER_WORKSHOP = 1100;
const LOOKS = 5;

const { folder, own, db, services } = await benchServices('findings', new Date('2026-11-30T09:00:00Z'));

/** An id that a number gives, so that the database can make a million of them. */
const idOf = (kind: string, number: string): string => `CONCAT('${kind}-0000-7000-8000-', LPAD(${number}, 12, '0'))`;
const METHOD_IDS = METHODS.slice(0, 4).map(({ id }) => `'${id}'`);

/** Keepers of a club with what became of them: how far each lived, and whether anybody heard of it. */
async function fill(clubId: string, unions: number, kind: string): Promise<void> {
  const workshop = `(seq DIV ${PER_WORKSHOP})`;
  const id = (letter: string, number: string): string => idOf(`${kind}${letter.repeat(6)}`, number);
  const state = (step: number): string =>
    `IF(life < ${step}, IF(heard < 0.6, 'dead', 'unknown'), IF(heard < 0.75, 'alive', 'unknown'))`;
  const rows = `SELECT seq, RAND(7) * 8 AS life, RAND(11) AS heard FROM seq_0_to_${unions - 1}`;
  const statements = [
    // What the counts are of has no rows of its own here: plants, seats and unions are never read.
    'SET SESSION FOREIGN_KEY_CHECKS = 0',
    `INSERT INTO sites (id, club_id, name, hemisphere, time_zone)
      SELECT ${id('f', 'seq')}, '${clubId}', CONCAT('Shed ', seq), 'north', 'Europe/Zurich' FROM seq_0_to_3`,
    `INSERT INTO workshops (id, club_id, title, date, site_id, method, promised_keepers, promise, created_at)
      SELECT ${id('a', 'seq')}, '${clubId}', CONCAT('Day ', seq), DATE_ADD('2004-03-01', INTERVAL seq * 9 DAY),
        ${id('f', 'seq % 4')}, ELT(1 + seq % 4, ${METHOD_IDS.join(', ')}), 2, '', NOW()
      FROM seq_0_to_${Math.ceil(unions / PER_WORKSHOP) - 1}`,
    `INSERT INTO wood_lots (id, club_id, variety, species, source)
      SELECT ${id('b', 'seq')}, '${clubId}', CONCAT('Variety ', seq % 140), 'Pear', 'the shed'
      FROM seq_0_to_${Math.ceil(unions / PER_WORKSHOP / 4) * 12 + 12}`,
    `INSERT INTO people (id, club_id, name, may_contact)
      SELECT ${id('e', 'seq')}, '${clubId}', CONCAT('Hand ', seq), 0 FROM seq_0_to_${Math.ceil(unions / 66)}`,
    `INSERT INTO rounds (id, club_id, workshop_id, milestone, opens_on, closes_on)
      SELECT UUID(), club_id, id, milestone, date, date FROM workshops
      JOIN (SELECT 'healed' AS milestone UNION SELECT 'growing' UNION SELECT 'season' UNION SELECT 'wintered') asked
      WHERE club_id = '${clubId}'`,
    `INSERT INTO union_facts (union_id, club_id, workshop_id, seat_id, kind, method, variant, date, number, position,
        wood_lot_id, stock_lot_id, maker_id, plant_id, score, contact, voided, healed, growing, season, wintered)
      SELECT ${id('1', 'seq')}, '${clubId}', ${id('a', workshop)}, ${id('5', 'seq DIV 66')}, 'keeper',
        ELT(1 + ${workshop} % 4, ${METHOD_IDS.join(', ')}), 'spring', DATE_ADD('2004-03-01', INTERVAL ${workshop} * 9 DAY),
        seq % 66, 'sole', ${id('b', `${workshop} DIV 4 * 12 + seq % 12`)}, NULL, ${id('e', 'seq DIV 66')}, ${id('9', 'seq')},
        80, 0.8, 0, ${[1, 2, 3, 4].map(state).join(', ')} FROM (${rows}) drawn`,
    `INSERT INTO keeper_changes (id, club_id, workshop_id) SELECT UUID(), club_id, id FROM workshops WHERE club_id = '${clubId}'`,
    'SET SESSION FOREIGN_KEY_CHECKS = 1',
  ];
  await transact(db, async (transaction) => {
    for (const statement of statements) await write(statement, transaction);
  });
}

const write = (statement: string, transaction: Transaction) =>
  db.sequelize.query(statement, { type: QueryTypes.RAW, transaction });
const time = async (work: () => Promise<unknown>): Promise<number> => {
  const start = performance.now();
  await work();
  return performance.now() - start;
};

let late = false;
for (const { name, unions, kind, most } of [
  { name: 'a club', unions: 20_000, kind: 'c1', most: 500 },
  { name: 'a region', unions: REGION, kind: 'c2', most: 2000 },
]) {
  const clubId = uuid();
  await db.clubs.create({ id: clubId, name, createdAt: services.now });
  await fill(clubId, unions, kind);
  const actor = {
    clubId,
    userId: uuid(),
    role: 'lead' as const,
    lengthUnit: 'mm' as const,
    temperatureUnit: 'C' as const,
  };
  const context = { ...services, actor: { ...actor, name: 'Bench', email: 'bench@bench.example' } } as never;
  const counting = await time(() => keptCounts(db, clubId));
  const times: number[] = [];
  let board = await takeBoard(context, {});
  for (let i = 0; i < LOOKS; i++)
    times.push(
      await time(async () => {
        board = await takeBoard(context, { milestone: ['growing', 'wintered', ''][i % 3] });
      }),
    );
  const slowest = Math.max(...times);
  late ||= slowest > most;
  const { alive, dead } = board.unions;
  console.log(
    `${name}, ${board.scope.keepers} keepers: ${times.map((ms) => Math.round(ms)).join(', ')} ms (at most ${most}), ` +
      `${Math.round(JSON.stringify(board).length / 1000)} kB, ${alive} alive and ${dead} dead; ` +
      `counted once after a start in ${(counting / 1000).toFixed(1)} s`,
  );
}
await db.sequelize.close();
await own.stop();
rmSync(folder, { recursive: true, force: true });
if (late) process.exitCode = 1;
