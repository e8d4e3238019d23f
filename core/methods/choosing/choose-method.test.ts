import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { METHODS } from '../registry';
import type { Place, WoodState } from '../use';
import { chooseMethod, type Situation } from './choose-method';
import type { Climate } from './season';

type Row = Record<string, string>;
const { data: rows } = Papa.parse<Row>(readFileSync(new URL('./situations.csv', import.meta.url), 'utf8'), {
  header: true,
  skipEmptyLines: true,
});
const ids = (cell: string): string[] => cell.split(' ').filter(Boolean);
const situation = (row: Row): Situation => ({
  stock: Number(row.stock_mm),
  scion: Number(row.scion_mm),
  date: row.date!,
  climate: row.climate as Climate,
  place: row.place as Place,
  barkSlips: row.bark === 'slips',
  wood: row.wood as WoodState,
  woodLength: Number(row.wood_mm),
  scarce: row.scarce === 'yes',
  practised: row.skill === 'practised',
});

describe('the chooser, against situations written down before it', () => {
  it.each(
    rows.map(
      (row) =>
        [
          `${row.n}: ${row.species} ${row.scion_mm} on ${row.stock_mm}, ${row.date} ${row.climate}, ${row.place}, bark ${row.bark}, ${row.wood}`,
          row,
        ] as const,
    ),
  )('%s', (_name, row) => {
    const choices = chooseMethod(situation(row), METHODS);
    const works = choices.filter((choice) => choice.works).map(({ method }) => method.id);
    if (row.first) expect(works[0]).toBe(row.first);
    for (const id of ids(row.can!)) expect(works).toContain(id);
    for (const id of ids(row.refused!)) expect(works).not.toContain(id);
    for (const choice of choices) {
      expect(choice.works).toBe(choice.needs.length === 0);
      if (!choice.works) expect(choice.against.length).toBeGreaterThan(0);
    }
  });
  it('puts every method first at least twice and refuses it at least twice', () => {
    for (const { id } of METHODS) {
      expect(rows.filter(({ first }) => first === id).length, `${id} first`).toBeGreaterThanOrEqual(2);
      expect(rows.filter(({ refused }) => ids(refused!).includes(id)).length, `${id} refused`).toBeGreaterThanOrEqual(
        2,
      );
    }
    expect(rows.length).toBeGreaterThanOrEqual(40);
    expect(rows.every(({ cites }) => cites!.length > 10)).toBe(true);
  });
  it('says what would have to change, with its figure', () => {
    const thin = chooseMethod({ ...situation(rows[0]!), stock: 5 }, METHODS).find(
      ({ method }) => method.id === METHODS[0]!.id,
    )!;
    expect(thin.needs).toContain('A stock of 6 mm or more.');
    const late = chooseMethod({ ...situation(rows[0]!), date: '2027-07-15' }, METHODS).find(
      ({ method }) => method.id === METHODS[0]!.id,
    )!;
    expect(late.needs[0]).toContain('early February');
    const south = chooseMethod({ ...situation(rows[0]!), date: '2027-03-01', climate: 'south' }, METHODS).find(
      ({ method }) => method.id === METHODS[0]!.id,
    )!;
    expect(south.needs[0]).toContain('early August');
  });
});
