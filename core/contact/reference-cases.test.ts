import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { whipContact } from './whip-contact';
import { unionOfCase } from './reference-case';

interface Row { case: string; model: string; inputs: string; contact: string; left: string; right: string }

const file = readFileSync(new URL('./reference/contact-cases.csv', import.meta.url), 'utf8');
const rows = Papa.parse<Row>(file, { header: true, skipEmptyLines: true }).data;
const through = rows.filter((row) => row.model === 'whip' || row.model === 'splice');

describe('whip contact against the independently computed cases', () => {
  it('has cases to agree with', () => {
    expect(through.length).toBeGreaterThanOrEqual(11);
  });
  it.each(through.map((row) => [row.case, row] as const))('case %s', (_name, row) => {
    const result = whipContact(unionOfCase(JSON.parse(row.inputs)));
    expect(Math.abs(result.contact - Number(row.contact))).toBeLessThanOrEqual(0.002);
    expect(Math.abs(result.left - Number(row.left))).toBeLessThanOrEqual(0.002);
    expect(Math.abs(result.right - Number(row.right))).toBeLessThanOrEqual(0.002);
  });
});
