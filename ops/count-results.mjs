import { existsSync, readFileSync } from 'node:fs';

/*
 * Prints "PASSED FAILED" over the reports of Vitest and Playwright; a missing or empty report counts as one failure.
 * A browser test that passed only at its second try is named on stderr. One or two are a slow machine's stumbles and
 * count as passed; more are a fault of the application or the tests, and every one counts as failed.
 */
const STUMBLES_ALLOWED = 2;

const titlesOfFlaky = (suites, above = []) =>
  suites.flatMap(({ title, specs = [], suites: inner = [] }) => [
    ...specs
      .filter(({ tests }) => tests.some(({ status }) => status === 'flaky'))
      .map((spec) => [...above, title, spec.title].join(' › ')),
    ...titlesOfFlaky(inner, [...above, title]),
  ]);

const browserTests = ({ stats, suites = [], errors = [] }) => {
  const forgiven = stats.flaky <= STUMBLES_ALLOWED ? stats.flaky : 0;
  for (const title of titlesOfFlaky(suites)) console.error(`passed only at the second try: ${title}`);
  return { passed: stats.expected + forgiven, failed: stats.unexpected + stats.flaky - forgiven + errors.length };
};

let passed = 0;
let failed = 0;
for (const file of process.argv.slice(2)) {
  const report = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : {};
  const suite = report.stats
    ? browserTests(report)
    : {
        passed: report.numPassedTests ?? 0,
        failed:
          (report.numFailedTests ?? 0) +
          (report.testResults ?? []).filter((one) => one.status === 'failed' && one.assertionResults.length === 0)
            .length,
      };
  if (suite.passed + suite.failed === 0) suite.failed = 1;
  passed += suite.passed;
  failed += suite.failed;
}
console.log(`${passed} ${failed}`);
