import { beforeAll, describe, expect, it } from 'vitest';
import { v7 as uuid } from 'uuid';
import Papa from 'papaparse';
import { METHODS } from '@/core/methods/registry';
import { pointsOf } from '@/core/methods/shown-technique';
import { cellOf, judgementColumns, NOT_TOLD, reportColumns, unionColumns } from './export-columns';
import { exportCsv } from './exports';
import { putJudgement } from '@/server/score/judgements';
import {
  judgementBody,
  NOW,
  testClub,
  testWorkshop,
  type TestClub,
  type TestWorkshop,
} from '@/server/testing/test-club';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
});
const names = () => ({ seat: 1, number: 1, code: '', variety: '', stock: '' });
const rows = (csv: string): Record<string, string>[] =>
  Papa.parse<Record<string, string>>(csv.trim(), { header: true }).data;

describe('exported tables', () => {
  it('tell every column of the database, or say why not', () => {
    const { db } = club.services;
    const tables = [
      [
        db.judgements,
        judgementColumns(
          METHODS[0]!.fields,
          pointsOf(METHODS[0]!).map(({ id }) => id),
          () => METHODS[0]!.fields,
          names,
        ),
        NOT_TOLD.judgements,
      ],
      [db.unionFacts, unionColumns(names), NOT_TOLD.unionFacts],
      [db.reports, reportColumns(String, String), NOT_TOLD.reports],
    ] as const;
    for (const [model, columns, left] of tables) {
      const told = new Set<string>([...columns.flatMap(({ tells }) => tells as readonly string[]), ...left]);
      expect(
        Object.keys((model as unknown as { getAttributes: () => object }).getAttributes()).filter(
          (attribute) => !told.has(attribute),
        ),
        model.name,
      ).toEqual([]);
      expect(new Set(columns.map(({ name }) => name)).size).toBe(columns.length);
    }
  });
  it('of judgements tell how they were made, and no float shows its tail', async () => {
    const id = uuid();
    await putJudgement(
      club.as('assistant'),
      id,
      judgementBody(
        workshop,
        { seconds: 41, strokes: 3, sentAt: NOW.toISOString(), note: '=1+1' },
        { stockDiameter: 10.1, scionDiameter: 9.7, placement: 1.1199999999999999 },
      ),
    );
    const [row] = rows(await exportCsv(club.as('viewer'), workshop.id, 'judgements'));
    expect(row).toMatchObject({
      judgement_id: id,
      blind: '0',
      seconds: '41',
      strokes: '3',
      made_at: NOW.toISOString(),
      rescored_by: '',
      stockDiameter_mm: '10.1',
      placement_mm: '1.12',
      note: "'=1+1",
    });
    for (const [column, cell] of Object.entries(row!))
      if (/^-?\d+\.\d+$/.test(cell)) expect(cell.split('.')[1]!.length, column).toBeLessThanOrEqual(4);
  });
  it('round figures by their unit', () => {
    expect(cellOf({ name: 'x', unit: 'mm', tells: [], value: () => 1.1199999999999999 }, {})).toBe(1.12);
    expect(cellOf({ name: 'x', unit: 'share', tells: [], value: () => 0.1 + 0.2 }, {})).toBe(0.3);
    expect(cellOf({ name: 'x', unit: null, tells: [], value: () => 'as it is' }, {})).toBe('as it is');
  });
});
