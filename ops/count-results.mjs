import { existsSync, readFileSync } from 'node:fs';

/* Prints "PASSED FAILED" over the reports of Vitest and Playwright; a missing or empty report counts as one failure. */

let passed = 0;
let failed = 0;
for (const file of process.argv.slice(2)) {
  const report = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : {};
  const suite = report.stats
    ? { passed: report.stats.expected, failed: report.stats.unexpected + report.stats.flaky + (report.errors?.length ?? 0) }
    : { passed: report.numPassedTests ?? 0, failed: (report.numFailedTests ?? 0) + (report.testResults ?? []).filter((one) => one.status === 'failed' && one.assertionResults.length === 0).length };
  if (suite.passed + suite.failed === 0) suite.failed = 1;
  passed += suite.passed;
  failed += suite.failed;
}
console.log(`${passed} ${failed}`);
