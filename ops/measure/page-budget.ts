import { readFileSync, writeFileSync } from 'node:fs';
import { LEAD } from '@/demo/scenario';
import type { World } from '@/e2e/setup/world';
import { demoPages } from './demo-pages';
import { type Measured, type PageCost, pageCosts } from './page-costs';
import { processMemory } from './process-cpu';
import { get, signIn } from './signed-in';
import { statementsSent } from './statements-sent';

/*
 * Holds each page of the demo to what it cost when docs/page-costs.md was last written. What is compared is processor
 * time beside that of a fixed piece of work, counts and bytes, never the clock, so that it holds beside whatever else runs.
 */

const TABLE = 'docs/page-costs.md';
const REPORT = '.check/pages.json';

/** A page may cost so much more than its row, and a little besides: the cheapest pages would stumble over a few ms. */
const MORE = 1.25;
const BESIDES = { cpu: 6, statements: 1, html: 10_000, script: 5_000 };
/** Memory of the server after all pages, MB: 401 to 423 were seen since findings weigh days and hands, and a little room is left. */
const MEMORY = 450;

const HEAD = `# What pages cost

Each page of the demo as its lead sees it, looked at again when nothing has changed: processor time of the server in ms
(beside a fixed piece of work, so that it can be compared from machine to machine), statements sent to the database,
kB of HTML, and kB of JavaScript as a browser loads it (gzip). \`./check\` fails a page that costs a quarter more than its row.

\`node --import tsx ops/e2e.ts --write-page-costs\` measures them again and writes this table, after a build of the check.

| page | ms | statements | HTML kB | JavaScript kB |
| --- | ---: | ---: | ---: | ---: |
`;

const row = ({ name, cpu, statements, html, script }: PageCost): string =>
  `| ${name} | ${cpu.toFixed(0)} | ${statements} | ${(html / 1000).toFixed(0)} | ${(script / 1000).toFixed(0)} |`;

function rowsOf(table: string): Map<string, PageCost> {
  const rows = [...table.matchAll(/^\| (\S.*?) \| +(\d+) \| +(\d+) \| +(\d+) \| +(\d+) \|$/gm)];
  return new Map(
    rows.map(([, name, cpu, statements, html, script]) => [
      name!,
      {
        name: name!,
        cpu: Number(cpu),
        statements: Number(statements),
        html: Number(html) * 1000,
        script: Number(script) * 1000,
      },
    ]),
  );
}

/** What a page costs more than it may, in words; empty when it keeps to its row. */
export function overBudget(cost: PageCost, may: PageCost | undefined): string[] {
  if (!may) return [`${cost.name} has no row in ${TABLE}.`];
  return (['cpu', 'statements', 'html', 'script'] as const).flatMap((what) =>
    cost[what] > may[what] * MORE + BESIDES[what]
      ? [`${cost.name}: ${what} ${cost[what].toFixed(0)} where its row has ${may[what].toFixed(0)}.`]
      : [],
  );
}

/**
 * Measures all pages of a world nothing else uses, and reports which keep to their rows, or writes the rows.
 *
 * @param write writes the table in place of comparing
 */
export async function checkPageCosts(
  { url, folder, password, pid }: World,
  { write }: { write: boolean },
): Promise<void> {
  const cookie = await signIn(url, LEAD.email, password);
  const measured: Measured = { address: url, cookie, pid, statements: () => statementsSent(folder) };
  const pages = await demoPages(async (path) => (await get(url, path, cookie)).text);
  const costs = await pageCosts(pages, measured, write ? 12 : 5);
  const memory = processMemory(pid) / 1_000_000;
  console.log(`The server takes ${memory.toFixed(0)} MB after ${pages.length} pages.`);
  if (write) {
    writeFileSync(TABLE, `${HEAD}${costs.map(row).join('\n')}\n`);
    return;
  }
  const rows = rowsOf(readFileSync(TABLE, 'utf8'));
  const over = new Map(costs.map((cost) => [cost.name, overBudget(cost, rows.get(cost.name))]));
  // One that seems dear may have been unlucky: it is looked at more often before it fails.
  const dear = pages.filter(({ name }) => over.get(name)!.length > 0);
  for (const cost of await pageCosts(dear, measured, 25)) over.set(cost.name, overBudget(cost, rows.get(cost.name)));
  const problems = [...over.values()].flat();
  if (memory > MEMORY)
    problems.push(`The server takes ${memory.toFixed(0)} MB after all pages; ${MEMORY} are allowed.`);
  for (const problem of problems) console.log(`Too dear: ${problem}`);
  writeFileSync(
    REPORT,
    JSON.stringify({
      numPassedTests: [...over.values()].filter((found) => found.length === 0).length + (memory > MEMORY ? 0 : 1),
      numFailedTests: [...over.values()].filter((found) => found.length > 0).length + (memory > MEMORY ? 1 : 0),
    }),
  );
}
