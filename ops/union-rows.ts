import { CLAIMED_GROUPS, type ClaimedUnion } from '@/core/findings/claims/claims';
import { POINT_GRADES, type PointGrade } from '@/core/findings/points/points-model';
import type { CsvRows } from './csv-rows';
import { aliveIn, numberIn } from './model-command';

const POINT = 'point:';

/**
 * Unions of a table with the columns alive, method, score, fatal, groups and points; those that are missing are left out,
 * and so are rows without a fate.
 *
 * @throws RangeError for a cell that is none of what its column holds
 */
export function unionRows({ columns, rows }: CsvRows): ClaimedUnion[] {
  const has = (column: string): boolean => columns.includes(column);
  const points = columns.filter((column) => column.startsWith(POINT));
  const filled = (row: Record<string, string>, column: string): boolean => (row[column] ?? '').trim() !== '';
  return rows.flatMap((row, at): ClaimedUnion[] => {
    if (!filled(row, 'alive')) return [];
    const grades = points.flatMap((column) => {
      const grade = gradeIn(row, column, at);
      return grade === null ? [] : [[column.slice(POINT.length), grade] as const];
    });
    return [
      {
        alive: aliveIn(row, at),
        method: has('method') ? methodIn(row, at) : null,
        score: filled(row, 'score') ? scoreIn(row, at) : null,
        fatal: filled(row, 'fatal') ? fatalIn(row, at) : null,
        groups: Object.fromEntries(
          CLAIMED_GROUPS.filter(has).map((group) => [group, (row[group] ?? '').trim() || null]),
        ),
        ...(points.length > 0 ? { grades: Object.fromEntries(grades) } : {}),
      },
    ];
  });
}

export function methodIn(row: Record<string, string>, at: number): string {
  const method = (row.method ?? '').trim();
  if (method === '') throw new RangeError(`Row ${at + 1}: method is empty.`);
  return method;
}

function scoreIn(row: Record<string, string>, at: number): number {
  const score = numberIn(row, 'score', at);
  if (!(score >= 0 && score <= 100))
    throw new RangeError(`Row ${at + 1}: a score lies between 0 and 100, not ${score}.`);
  return score;
}

function fatalIn(row: Record<string, string>, at: number): boolean {
  const text = row.fatal!.trim();
  if (text !== '0' && text !== '1') throw new RangeError(`Row ${at + 1}: fatal is 1 or 0, not "${text}".`);
  return text === '1';
}

/** A point that was not judged, or that a method does not have, is empty. */
function gradeIn(row: Record<string, string>, column: string, at: number): PointGrade | null {
  const text = (row[column] ?? '').trim();
  if (text === '') return null;
  if (!POINT_GRADES.includes(text as PointGrade))
    throw new RangeError(`Row ${at + 1}: ${column} is good, poor or fatal, not "${text}".`);
  return text as PointGrade;
}
