import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { runCommand } from './testing/run-command';

const REFERENCE = 'core/findings/reference';
const folder = mkdtempSync(join(tmpdir(), 'findings-'));

function answerTo<Answer>(command: string, file: string): Answer {
  const { status, stdout, stderr } = runCommand(command, file);
  expect([file, status, stderr]).toEqual([file, 0, '']);
  return JSON.parse(stdout) as Answer;
}

function refusal(command: string, content: string): string {
  const file = join(folder, 'bad.csv');
  writeFileSync(file, content);
  const { status, stdout, stderr } = runCommand(command, file);
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr.trim().split('\n')).toHaveLength(1);
  return stderr.trim().replace(file, 'FILE');
}

const rowsOf = (file: string): Record<string, string>[] =>
  Papa.parse<Record<string, string>>(readFileSync(file, 'utf8'), { header: true, skipEmptyLines: true }).data;

/** The reference's files of a command, each with what is expected of it. */
const cases = (command: string): { file: string; expected: Record<string, string>[] }[] =>
  readdirSync(REFERENCE)
    .filter((name) => name.startsWith(`${command}-`) && !name.endsWith('-expected.csv'))
    .map((name) => ({
      file: join(REFERENCE, name),
      expected: rowsOf(join(REFERENCE, name.replace('.csv', '-expected.csv'))),
    }));

function expectWithin(found: number | null | undefined, text: string, tolerance: number, what: string): void {
  if (text === '') return expect([what, found]).toEqual([what, null]);
  expect(Math.abs((found ?? NaN) - Number(text)), `${what}: ${found} for ${text}`).toBeLessThanOrEqual(tolerance);
}

describe('commands of findings, against what R says of the reference', () => {
  it('survival', () => {
    for (const { file, expected } of cases('survival')) {
      const steps = answerTo<{ from: number; to: number | null; survival_after: number }[]>('survival', file);
      expect(steps.map(({ from, to }) => `${from} ${to ?? ''}`)).toEqual(
        expected.map(({ from, to }) => `${from} ${to}`),
      );
      steps.forEach((step, i) => expectWithin(step.survival_after, expected[i]!.survival_after!, 0.003, file));
    }
  });
  it('mixed', () => {
    for (const { file, expected } of cases('mixed')) {
      const fit = answerTo<{
        fixed: Record<string, { estimate: number; se: number }>;
        sd: Record<string, number>;
        random: Record<string, Record<string, number>>;
        loglik: number;
      }>('mixed', file);
      for (const { term, estimate, se } of expected) {
        const [kind, name] = term!.split(':') as [string, string];
        if (kind === 'fixed') {
          expectWithin(fit.fixed[name]?.estimate, estimate!, 0.02, term!);
          expectWithin(fit.fixed[name]?.se, se!, 0.02, term!);
        } else if (kind === 'sd') expectWithin(fit.sd[name], estimate!, 0.03, term!);
        else if (kind === 'loglik') expectWithin(fit.loglik, estimate!, 0.1, term!);
        else expectWithin(fit.random[kind]?.[name], estimate!, 0.02, term!);
      }
    }
  });
  it('calibration', () => {
    for (const { file, expected } of cases('calibration')) {
      const found = answerTo<Record<string, number>>('calibration', file);
      for (const { what, value } of expected) expectWithin(found[what!], value!, 0.001, `${file} ${what}`);
    }
  });
  it('points', () => {
    for (const { file, expected } of cases('points')) {
      const found = answerTo<Record<string, { value: number; se: number | null }>>('points', file);
      expect(Object.keys(found).sort()).toEqual(expected.map(({ what }) => what).sort());
      for (const { what, value, se } of expected) {
        expectWithin(found[what!]!.value, value!, 0.001, what!);
        expectWithin(found[what!]!.se, se!, 0.001, what!);
      }
    }
  });
  it('runchart and take', () => {
    for (const command of ['runchart', 'take'])
      for (const { file, expected } of cases(command)) {
        const rows = answerTo<Record<string, number | string>[]>(command, file);
        expect(rows).toHaveLength(expected.length);
        expected.forEach((row, i) => {
          for (const [column, text] of Object.entries(row))
            if (column === 'of') expect(rows[i]!.of).toBe(text);
            else expectWithin(rows[i]![column] as number, text, 0.00001, `${file} ${column}`);
        });
      }
  });
});

describe('bad files', () => {
  it('are refused in one line that says what is wrong', () => {
    expect(refusal('calibration', 'score\n80\n')).toBe('FILE needs the columns score and alive.');
    expect(refusal('calibration', 'score,alive\n140,1\n70,0\n')).toBe('Scores lie between 0 and 100, not 140 (row 1).');
    expect(refusal('calibration', 'score,alive\n80,1\n70,1\n')).toMatch(/^All 2 lived/);
    expect(refusal('calibration', 'score,alive\n80,1\n70,0\n')).toMatch(/meet in one at most/);
    expect(refusal('calibration', 'score,alive\n80,yes\n')).toBe('Row 1: alive is 1 or 0, not "yes".');
    expect(refusal('mixed', 'method,lot\nwhip,a\n')).toBe('FILE needs the column alive.');
    expect(refusal('mixed', 'alive,method,score,lot\n1,whip,140,a\n0,whip,80,b\n')).toMatch(
      /between 0 and 100, not 140/,
    );
    expect(refusal('mixed', 'alive,lot\n0,a\n0,b\n0,c\n')).toMatch(/^All 3 unions died/);
    expect(refusal('points', 'alive,seal\n1,good\n0,splendid\n')).toMatch(
      /Row 2: the point seal is good, poor or fatal/,
    );
    expect(refusal('survival', 'left,right\n30,20\n')).toBe('Row 1: right is a day after left (30) or empty, not 20.');
    expect(refusal('runchart', 'n,alive\n10,11\n')).toMatch(/^Row 1: n and alive are whole numbers/);
    expect(refusal('take', 'plant,state\n1,asleep\n')).toBe('Row 1: state is alive, dead or unknown, not "asleep".');
    expect(refusal('take', 'plant,state\n')).toBe('The file has no rows.');
  });
});
