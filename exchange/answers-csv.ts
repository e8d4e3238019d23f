import { codesIn, isPlantCode, normaliseCode } from '@/core/codes/plant-code';
import type { Said } from '@/core/follow-up/said';
import { isIsoDate } from '@/core/units/iso-date';
import type { LengthUnit } from '@/core/units/length';
import { parseLength } from '@/core/units/parse-length';
import { columnsOf, readCsvText } from './csv-text';

const HEADERS = {
  code: ['code', 'tag', 'plant'],
  answer: ['answer', 'state', 'said'],
  seenOn: ['seen_on', 'date', 'day'],
  growth: ['growth', 'shoot'],
  growthMm: ['growth_mm', 'shoot_mm'],
  note: ['note', 'notes', 'noticed'],
} as const;

/** How answers are written in a column. */
const ANSWERS: Record<string, Said> = {
  alive: 'alive',
  yes: 'alive',
  lives: 'alive',
  growing: 'alive',
  dead: 'dead',
  no: 'dead',
  'not sure': 'unsure',
  'not sure yet': 'unsure',
  'not-sure': 'unsure',
  unsure: 'unsure',
  '?': 'unsure',
  'not found': 'not-found',
  'not-found': 'not-found',
  'cannot find': 'not-found',
  'cannot find it': 'not-found',
};

/** Plants that a file tells of at most. */
const MOST_LINES = 2000;
const MOST_NOTE = 500;

/** A line of a file of answers. */
export interface AnswerLine {
  line: number;
  /** As it stands there; with letters and digits in capitals where it is a code. */
  code: string;
  said: Said | null;
  /** ISO; empty for today. */
  seenOn: string;
  growthMm: number | null;
  note: string;
  /** What is wrong with the line by itself, in words; empty where nothing is. */
  problem: string;
}

/**
 * Answers from CSV, line by line; a line that cannot be read says why and takes none of the others with it.
 *
 * @param unit of lengths that have none of their own, by figure or heading
 */
export function readAnswers(
  bytes: Uint8Array,
  unit: LengthUnit = 'mm',
): { lines: AnswerLine[]; notes: string[] } | { problem: string } {
  const read = readCsvText(bytes, 'the answers', MOST_LINES);
  if ('problem' in read) return read;
  const { at, unknown } = columnsOf(read.header, HEADERS);
  if (at.code < 0 || at.answer < 0)
    return {
      problem: `The columns code and answer are needed. The first line has: ${read.header.slice(0, 8).join(', ').slice(0, 120)}.`,
    };
  const cell = (cells: readonly string[], column: number): string => (column < 0 ? '' : (cells[column] ?? '').trim());
  const lines = read.rows.map(({ cells, line }): AnswerLine => {
    const typed = cell(cells, at.code);
    const code = isPlantCode(normaliseCode(typed)) ? normaliseCode(typed) : (codesIn(typed).codes[0] ?? typed);
    const answer = cell(cells, at.answer).toLowerCase();
    const seenOn = cell(cells, at.seenOn);
    const growth = cell(cells, at.growthMm >= 0 ? at.growthMm : at.growth);
    const growthMm = growth === '' ? null : parseLength(growth, at.growthMm >= 0 ? 'mm' : unit);
    const note = cell(cells, at.note);
    const said = ANSWERS[answer] ?? null;
    return {
      line,
      code,
      said,
      seenOn: isIsoDate(seenOn) ? seenOn : '',
      growthMm,
      note: note.slice(0, MOST_NOTE),
      problem: lineProblem({ typed, code, answer, said, seenOn, growth, growthMm, note }),
    };
  });
  if (lines.length === 0) return { problem: 'The file has no answer under its headings.' };
  const notes = unknown.length > 0 ? [`Columns not known and left out: ${unknown.slice(0, 6).join(', ')}.`] : [];
  return { lines, notes };
}

interface Typed {
  typed: string;
  code: string;
  answer: string;
  said: Said | null;
  seenOn: string;
  growth: string;
  growthMm: number | null;
  note: string;
}

function lineProblem({ typed, code, answer, said, seenOn, growth, growthMm, note }: Typed): string {
  if (typed === '') return 'The code is missing.';
  if (!isPlantCode(code)) return `“${typed.slice(0, 20)}” is no code; check it against the tag.`;
  if (said === null)
    return answer === ''
      ? 'The answer is missing.'
      : `“${answer.slice(0, 20)}” is no answer; write alive, dead, not sure or not found.`;
  if (seenOn !== '' && !isIsoDate(seenOn)) return `“${seenOn.slice(0, 20)}” is no day; write it as 2027-05-02.`;
  if (growth !== '' && (growthMm === null || growthMm < 0 || growthMm > 5000))
    return `“${growth.slice(0, 20)}” is no length of a shoot; write a figure, with its unit if it is another than usual.`;
  return note.length > MOST_NOTE ? 'The note is longer than 500 characters.' : '';
}
