import { writeFileSync } from 'node:fs';
import Papa from 'papaparse';
import { mixedModel } from '@/core/findings/mixed/mixed-model';
import { mixedTable } from './mixed-table';

/*
 * The mixed model on a region's 100,000 unions. `node --import tsx bench/mixed.ts [TABLE.csv]` also writes the table,
 * for the pair in bench/mixed.R.
 */
const unions = mixedTable({ unions: 100_000, grafters: 1500, workshops: 90, woodLots: 380, stockLots: 30, seed: 14 });
const [file] = process.argv.slice(2);
if (file)
  writeFileSync(
    file,
    Papa.unparse(
      unions.map(({ alive, method, score, groups }) => ({ alive: Number(alive), method, score, ...groups })),
    ),
  );
const start = performance.now();
let looks = 0;
const fit = mixedModel(unions, (count) => (looks = count));
const seconds = (performance.now() - start) / 1000;
for (const { name, estimate, standardError } of fit.fixed)
  console.log(`${name.padEnd(14)} ${estimate.toFixed(4)} (${standardError.toFixed(4)})`);
for (const { group, spread } of fit.spreads) console.log(`sd ${group.padEnd(11)} ${spread.toFixed(4)}`);
console.log(`log-likelihood ${fit.logLikelihood.toFixed(3)}`);
console.log(
  `${unions.length} unions in ${seconds.toFixed(1)} s, ${looks} looks, ${Math.round(process.resourceUsage().maxRSS / 1024)} MB at most`,
);
if (!fit.converged || seconds > 10 || process.resourceUsage().maxRSS > 500 * 1024) process.exitCode = 1;
