import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { contactOfCase, gradeOfCase } from './reference-case';

interface Row {
  case: string;
  model: string;
  inputs: string;
  contact: string;
  left: string;
  right: string;
  grade: string;
}

const file = readFileSync(new URL('./reference/contact-cases.csv', import.meta.url), 'utf8');
const rows = Papa.parse<Row>(file, { header: true, skipEmptyLines: true }).data;

describe('contact against the independently computed cases', () => {
  it('has cases of every model to agree with', () => {
    expect(rows).toHaveLength(44);
    expect(new Set(rows.map(({ model }) => model)).size).toBe(11);
  });
  it.each(rows.map((row) => [row.case, row.model, row] as const))('case %s, %s', (_name, model, row) => {
    const result = contactOfCase(model, JSON.parse(row.inputs));
    expect(Math.abs(result.contact - Number(row.contact))).toBeLessThanOrEqual(0.002);
    for (const side of ['left', 'right'] as const) {
      if (row[side] === '') expect(result[side]).toBeNull();
      else expect(Math.abs(result[side]! - Number(row[side]))).toBeLessThanOrEqual(0.002);
    }
    expect(gradeOfCase(model, JSON.parse(row.inputs)) ?? '').toBe(row.grade);
  });
});
