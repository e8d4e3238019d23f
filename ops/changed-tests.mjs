import { existsSync, readFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import { dirname, join, normalize, relative } from 'node:path';

/*
 * node ops/changed-tests.mjs SECONDS FILE...
 * Prints the test files that are nearest to changed files by their imports, as many as run in so many seconds of
 * processor time by the last whole check; says on stderr how many further ones a whole check would run.
 */

const [budget, ...changed] = process.argv.slice(2);
const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard', '*.ts', '*.tsx'], { encoding: 'utf8' })
  .split('\n')
  .filter((file) => file !== '' && existsSync(file));
const known = new Set(files);

/** Our own file that an import of `from` names; undefined for a package. */
function imported(from, name) {
  const base = name.startsWith('@/')
    ? name.slice(2)
    : name.startsWith('.')
      ? normalize(join(dirname(from), name))
      : null;
  return base === null ? undefined : [base, `${base}.ts`, `${base}.tsx`].find((file) => known.has(file));
}

const importers = new Map();
for (const file of files)
  for (const [, name] of readFileSync(file, 'utf8').matchAll(/(?:from|import)\s*\(?\s*['"]([^'"]+)['"]/g)) {
    const target = imported(file, name);
    if (target) importers.set(target, [...(importers.get(target) ?? []), file]);
  }

// Breadth first: tests of a changed file itself come before tests of what uses it.
const reached = new Set(changed.filter((file) => known.has(file)));
const queue = [...reached];
for (let i = 0; i < queue.length; i++)
  for (const next of importers.get(queue[i]) ?? [])
    if (!reached.has(next)) {
      reached.add(next);
      queue.push(next);
    }
const tests = queue.filter((file) => /\.test\.tsx?$/.test(file));

const seconds = new Map();
for (const report of ['.check/unit-pure.json', '.check/unit-database.json'])
  if (existsSync(report))
    for (const { name, startTime, endTime } of JSON.parse(readFileSync(report, 'utf8')).testResults)
      seconds.set(relative(process.cwd(), name), (endTime - startTime) / 1000);
let left = Number(budget);
const chosen = tests.filter((file, i) => {
  left -= seconds.get(file) ?? 1;
  return i === 0 || left >= 0;
});
console.log(chosen.join('\n'));
if (chosen.length < tests.length)
  console.error(`${tests.length - chosen.length} further test files import what changed; ./check runs them all.`);
