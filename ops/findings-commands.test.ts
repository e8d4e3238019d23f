import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { runCommand } from './testing/run-command';

const REFERENCE = 'core/findings/reference';
const folder = mkdtempSync(join(tmpdir(), 'findings-'));

function answerTo<Answer>(command: string, file: string, ...flags: string[]): Answer {
  const { status, stdout, stderr } = runCommand(command, file, ...flags);
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

/** Estimates and standard errors of fixed terms, and standard deviations of groups. */
interface Terms {
  fixed: Record<string, { estimate: number; se: number }>;
  sd: Record<string, number>;
}

describe('commands of findings that hold when days, hands and methods differ, against the reference', () => {
  it('mixed --prior, and with --points', () => {
    for (const [files, flags] of [
      ['slope', ['--prior']],
      ['faults', ['--prior', '--points']],
    ] as const)
      for (const { file, expected } of cases(files)) {
        const fit = answerTo<Terms>('mixed', file, ...flags);
        expect(expected.length).toBe(Object.keys(fit.fixed).length + Object.keys(fit.sd).length);
        for (const { term, estimate, se } of expected) {
          if (term!.startsWith('sd:')) expectWithin(fit.sd[term!.slice(3)], estimate!, 0.03, `${file} ${term}`);
          else {
            expectWithin(fit.fixed[term!]?.estimate, estimate!, 0.02, `${file} ${term}`);
            expectWithin(fit.fixed[term!]?.se, se!, 0.005, `${file} ${term} se`);
          }
        }
      }
  });
  it('shared', () => {
    for (const { file, expected } of cases('shared')) {
      const { status, stdout } = runCommand('shared', file);
      expect(status).toBe(0);
      const rows = Papa.parse<Record<string, string>>(stdout, { header: true, skipEmptyLines: true }).data;
      expect(rows.map(({ level }) => level)).toEqual(expected.map(({ level }) => level));
      expected.forEach((row, i) => {
        expect(rows[i]!.strata_that_speak).toBe(row.strata_that_speak);
        expectWithin(Number(rows[i]!.expected_dead), row.expected_dead!, 0.001, `${file} ${row.level}`);
        for (const column of ['p', 'factor'])
          expectWithin(Number(rows[i]![column]), row[column]!, 0.001 * Number(row[column]), `${column} ${row.level}`);
      });
    }
  });
  it('survival --by-cause', () => {
    for (const { file, expected } of cases('incidence')) {
      const rows = answerTo<{ day: number | string; cause?: string; dead_of_it: number | null }[]>(
        'survival',
        file,
        '--by-cause',
      );
      expect(rows.map(({ day, cause = '' }) => `${day} ${cause}`)).toEqual(
        expected.map(({ day, cause }) => `${day} ${cause}`),
      );
      expected.forEach(({ day, dead_of_it: share }, i) =>
        expectWithin(rows[i]!.dead_of_it, share!, day === 'loglik' ? 0.01 : 0.005, `${file} ${day}`),
      );
    }
  });
  it('promise adds what to make and what is believed', () => {
    const file = join(folder, 'promise.csv');
    writeFileSync(
      file,
      'history,people,promised,chance,for\n26/30 21/28,12,2,0.9,each\n26/30 21/28,12,2,90,all\n0/5,3,2,0.9,each\n',
    );
    const { stdout } = runCommand('promise', file);
    const rows = Papa.parse<Record<string, string>>(stdout, { header: true, skipEmptyLines: true }).data;
    expect(rows.map((row) => row.make_each)).toEqual(['4', expect.stringMatching(/^\d+$/), 'cannot']);
    expect(Number(rows[1]!.make_each)).toBeGreaterThan(4);
    expectWithin(Number(rows[0]!.belief_low), '0.397', 0.005, 'low');
    expectWithin(Number(rows[0]!.belief_high), '0.970', 0.005, 'high');
  });
  it('claims says what pages would say', () => {
    const said = answerTo<{ score: { claims: boolean } }>('claims', join(REFERENCE, 'slope-1.csv'));
    expect(said).toMatchObject({ score: { claims: true }, costs: [], shared: [] });
    expect(answerTo('claims', join(REFERENCE, 'slope-2.csv'))).toMatchObject({ score: { claims: false } });
    expect(answerTo('claims', join(REFERENCE, 'faults-1.csv'))).toMatchObject({ score: null, costs: ['cambium'] });
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
    expect(refusal('mixed', 'alive,lot\n0,a\n1,b\n1,c\n')).toMatch(
      /^3 unions .* are too few to compare: about \d+ more/,
    );
    expect(refusal('claims', 'alive,score\n1,140\n')).toBe('Row 1: a score lies between 0 and 100, not 140.');
    expect(refusal('claims', 'alive,point:seal\n1,splendid\n')).toMatch(/Row 1: point:seal is good, poor or fatal/);
    expect(refusal('shared', 'level,stratum,dead_inside,alive_inside,dead_beside,alive_beside\na,1,x,1,1,1\n')).toBe(
      'Row 1: dead_inside is a whole number from 0 on, not "x".',
    );
    expect(refusal('promise', 'history,people,promised,chance,for\n9/8,3,2,0.9,each\n')).toMatch(/^Row 1: history is/);
    expect(refusal('promise', 'history,people,promised,chance,for\n8/9,3,2,0.9,some\n')).toMatch(/for is each or all/);
  });
});
