import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { aftercareOfCase } from '@/core/aftercare/reference-case';
import { InputError } from '@/core/contact/input-error';

/*
 * npm run -s aftercare -- FILE.csv
 * Reads rows of the form of core/aftercare/reference/cases.csv and writes them to standard output in the same order,
 * with `computed` (JSON) and `problem` added.
 */

function computed(row: Record<string, string>): { computed: string; problem: string } {
  try {
    const inputs: unknown = JSON.parse(row.inputs ?? '');
    if (typeof inputs !== 'object' || inputs === null || Array.isArray(inputs))
      throw new InputError('inputs', 'The inputs are not a JSON object.');
    return {
      computed: JSON.stringify(aftercareOfCase(row.kind ?? '', inputs as Record<string, unknown>)),
      problem: '',
    };
  } catch (error) {
    if (error instanceof InputError || error instanceof RangeError) return { computed: '', problem: error.message };
    if (error instanceof SyntaxError) return { computed: '', problem: 'The inputs are not valid JSON.' };
    throw error;
  }
}

const file = process.argv[2];
if (!file) {
  console.error('Usage: npm run -s aftercare -- FILE.csv');
  process.exit(2);
}
let text: string;
try {
  text = readFileSync(file, 'utf8').replace(/^\uFEFF/, '');
} catch {
  console.error(`Cannot read ${file}.`);
  process.exit(2);
}
const parsed = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
if (!parsed.meta.fields?.includes('kind') || !parsed.meta.fields.includes('inputs')) {
  console.error(`${file} needs the columns kind and inputs.`);
  process.exit(2);
}
process.stdout.write(
  Papa.unparse(
    parsed.data.map((row) => ({ ...row, ...computed(row) })),
    { columns: [...parsed.meta.fields, 'computed', 'problem'], newline: '\n' },
  ) + '\n',
);
