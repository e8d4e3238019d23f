import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { bestOutline } from '@/core/contact/best-outline';
import { outlineUnionContact, type OutlineUnion } from '@/core/contact/outline-union';
import { contactOfCase } from '@/core/contact/reference-case';

/*
 * node --import tsx bench/contact.ts: the mean time of one contact for each model, which must stay
 * under 0.15 ms, and of the best reach of a pair of outlines.
 */

function mean(count: number, work: (i: number) => unknown): number {
  for (let i = 0; i < count / 4; i++) work(i);
  const from = performance.now();
  for (let i = 0; i < count; i++) work(i);
  return (performance.now() - from) / count;
}

const file = readFileSync(new URL('../core/contact/reference/contact-cases.csv', import.meta.url), 'utf8');
const rows = Papa.parse<{ model: string; inputs: string }>(file, { header: true, skipEmptyLines: true }).data.map(
  ({ model, inputs }) => ({ model, inputs: JSON.parse(inputs) as Record<string, unknown> }),
);
for (const model of new Set(rows.map((row) => row.model))) {
  const own = rows.filter((row) => row.model === model);
  console.log(`${model}: ${mean(6000, (i) => contactOfCase(model, own[i % own.length]!.inputs)).toFixed(4)} ms`);
}
const union: OutlineUnion = {
  stock: { diameter: 10, bark: 1, length: 35, hollow: 0.3 },
  scion: { diameter: 8, bark: 0.8, length: 33, hollow: 0.1 },
  e: 0,
  z: 0.5,
  phi: 1,
};
console.log(
  `hollow whip, moved: ${mean(6000, (i) => outlineUnionContact({ ...union, e: (i % 100) / 50 - 1 })).toFixed(4)} ms`,
);
console.log(
  `best reach of one pair: ${mean(200, (i) => bestOutline({ ...union, e: (i % 100) / 50 - 1 })).toFixed(3)} ms`,
);
