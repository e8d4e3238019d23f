import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { InputError } from '@/core/contact/input-error';
import { contactOfCase, gradeOfCase } from '@/core/contact/reference-case';

/*
 * npm run -s contact -- FILE.csv
 * Reads rows of the form of reference/contact-cases.csv and writes them to standard output in the
 * same order, with computed, computed_left, computed_right, computed_grade and problem added.
 */

const share = (value: number | null): string => (value === null ? '' : value.toFixed(4));

const ADDED = ['computed', 'computed_left', 'computed_right', 'computed_grade', 'problem'] as const;

function computed(row: Record<string, string>): Record<(typeof ADDED)[number], string> {
  const empty = { computed: '', computed_left: '', computed_right: '', computed_grade: '', problem: '' };
  try {
    const inputs: unknown = JSON.parse(row.inputs ?? '');
    if (typeof inputs !== 'object' || inputs === null)
      throw new InputError('inputs', 'The inputs are not a JSON object.');
    const [model, figures] = [row.model ?? '', inputs as Record<string, unknown>];
    const { contact, left, right } = contactOfCase(model, figures);
    return {
      computed: share(contact),
      computed_left: share(left),
      computed_right: share(right),
      computed_grade: gradeOfCase(model, figures) ?? '',
      problem: '',
    };
  } catch (error) {
    if (error instanceof InputError) return { ...empty, problem: error.message };
    if (error instanceof SyntaxError) return { ...empty, problem: 'The inputs are not valid JSON.' };
    throw error;
  }
}

const file = process.argv[2];
if (!file) {
  console.error('Usage: npm run -s contact -- FILE.csv');
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
if (!parsed.meta.fields?.includes('model') || !parsed.meta.fields.includes('inputs')) {
  console.error(`${file} needs the columns model and inputs.`);
  process.exit(2);
}
const fields = [...parsed.meta.fields, ...ADDED];
process.stdout.write(
  Papa.unparse(
    parsed.data.map((row) => ({ ...row, ...computed(row) })),
    { columns: fields, newline: '\n' },
  ) + '\n',
);
