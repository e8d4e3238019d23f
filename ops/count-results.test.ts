import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const folder = mkdtempSync(join(tmpdir(), 'counts-'));
let made = 0;
const report = (content: object): string => {
  const file = join(folder, `${made++}.json`);
  writeFileSync(file, JSON.stringify(content));
  return file;
};
const count = (...files: string[]): string =>
  spawnSync(process.execPath, ['ops/count-results.mjs', ...files], { encoding: 'utf8' }).stdout.trim();

describe('counting the results of ./check', () => {
  it('adds both suites up', () => {
    expect(
      count(
        report({ numPassedTests: 12, numFailedTests: 1, testResults: [] }),
        report({ stats: { expected: 5, unexpected: 2, flaky: 0 } }),
      ),
    ).toBe('17 3');
  });
  it('names what failed, with the first line of what it said', () => {
    const run = spawnSync(
      process.execPath,
      [
        'ops/count-results.mjs',
        report({
          numPassedTests: 1,
          numFailedTests: 1,
          testResults: [
            {
              name: 'bark.test.ts',
              status: 'failed',
              assertionResults: [
                { status: 'passed', fullName: 'slips in May' },
                { status: 'failed', fullName: 'holds in January', failureMessages: ['it slipped\n  at line 3'] },
              ],
            },
          ],
        }),
        report({
          stats: { expected: 1, unexpected: 1, flaky: 0 },
          suites: [{ title: 'room.spec.ts', specs: [{ title: 'stands up', tests: [{ status: 'unexpected' }] }] }],
        }),
      ],
      { encoding: 'utf8' },
    );
    expect(run.stderr.trim().split('\n')).toEqual([
      'failed: bark.test.ts › holds in January: it slipped',
      'failed: room.spec.ts › stands up',
    ]);
  });
  it('takes a suite that left no report, or ran nothing, for a failure', () => {
    expect(count(join(folder, 'none.json'))).toBe('0 1');
    expect(count(report({ stats: { expected: 0, unexpected: 0, flaky: 0 } }))).toBe('0 1');
  });
  it('names tests that passed only at the second try, forgives two and fails three', () => {
    const flaky = (n: number) =>
      report({
        stats: { expected: 3, unexpected: 0, flaky: n },
        suites: [{ title: 'room.spec.ts', specs: [{ title: 'sits down', tests: [{ status: 'flaky' }] }] }],
      });
    const run = spawnSync(process.execPath, ['ops/count-results.mjs', flaky(2)], { encoding: 'utf8' });
    expect(run.stdout.trim()).toBe('5 0');
    expect(run.stderr).toContain('room.spec.ts › sits down');
    expect(count(flaky(3))).toBe('3 3');
  });
  it('counts files that could not be loaded and errors outside tests', () => {
    expect(
      count(
        report({ numPassedTests: 3, numFailedTests: 0, testResults: [{ status: 'failed', assertionResults: [] }] }),
      ),
    ).toBe('3 1');
    expect(count(report({ stats: { expected: 3, unexpected: 0, flaky: 0 }, errors: [{}] }))).toBe('3 1');
  });
});
