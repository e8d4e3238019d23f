import { existsSync, readFileSync } from 'node:fs';

/*
 * Prints "PASSED FAILED" over the reports of Vitest and Playwright; a missing or empty report counts as one failure.
 * Each test that failed is named on stderr, with the first line of what it said.
 * A browser test that passed only at its second try is named on stderr. One or two are a slow machine's stumbles and
 * count as passed; more are a fault of the application or the tests, and every one counts as failed.
 */
const STUMBLES_ALLOWED = 2;

const titlesOf = (wanted, suites, above = []) =>
  suites.flatMap(({ title, specs = [], suites: inner = [] }) => [
    ...specs
      .filter(({ tests }) => tests.some(({ status }) => status === wanted))
      .map((spec) => [...above, title, spec.title].join(' › ')),
    ...titlesOf(wanted, inner, [...above, title]),
  ]);
const firstLine = (text = '') => text.split('\n', 1)[0];

const browserTests = ({ stats, suites = [], errors = [] }) => {
  const forgiven = stats.flaky <= STUMBLES_ALLOWED ? stats.flaky : 0;
  for (const title of titlesOf('unexpected', suites)) console.error(`failed: ${title}`);
  for (const { message } of errors) console.error(`failed outside a test: ${firstLine(message)}`);
  for (const title of titlesOf('flaky', suites)) console.error(`passed only at the second try: ${title}`);
  return { passed: stats.expected + forgiven, failed: stats.unexpected + stats.flaky - forgiven + errors.length };
};

const unitTests = ({ numPassedTests = 0, numFailedTests = 0, testResults = [] }) => {
  for (const { name, assertionResults, status, message } of testResults) {
    for (const one of assertionResults.filter(({ status }) => status === 'failed'))
      console.error(`failed: ${name} › ${one.fullName}: ${firstLine(one.failureMessages?.[0])}`);
    if (status === 'failed' && assertionResults.length === 0) console.error(`failed: ${name}: ${firstLine(message)}`);
  }
  const unloaded = testResults.filter((one) => one.status === 'failed' && one.assertionResults.length === 0).length;
  return { passed: numPassedTests, failed: numFailedTests + unloaded };
};

let passed = 0;
let failed = 0;
for (const file of process.argv.slice(2)) {
  const report = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : {};
  const suite = report.stats ? browserTests(report) : unitTests(report);
  if (suite.passed + suite.failed === 0) suite.failed = 1;
  passed += suite.passed;
  failed += suite.failed;
}
console.log(`${passed} ${failed}`);
