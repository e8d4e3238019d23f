import { writeFileSync } from 'node:fs';
import Papa from 'papaparse';
import { adjustedDesign, type AdjustedUnion } from '@/core/findings/mixed/adjusted-design';
import { adjustedFit, adjustedTerms } from '@/core/findings/mixed/adjusted-model';
import { mixedTable } from './mixed-table';

/*
 * The mixed model with its prior, scores weighed, on a region's 100,000 unions: ten seconds and 300 MB at most. `node --import tsx bench/mixed.ts [TABLE.csv]` also writes the table,
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
/** A score below it comes of a fatal fault. */
const FATAL = 50;
const start = performance.now();
let looks = 0;
const judged = unions.map((union): AdjustedUnion => ({ ...union, fatal: union.score !== null && union.score < FATAL }));
const fit = adjustedFit(adjustedDesign(judged, 'score'), (count) => (looks = count));
const seconds = (performance.now() - start) / 1000;
const { fixed, spreads } = adjustedTerms(fit);
for (const { name, estimate, standardError } of fixed)
  console.log(`${name.padEnd(14)} ${estimate.toFixed(4)} (${standardError.toFixed(4)})`);
for (const { group, spread } of spreads) console.log(`sd ${group.padEnd(11)} ${spread.toFixed(4)}`);
console.log(
  `${unions.length} unions in ${seconds.toFixed(1)} s, ${looks} looks, ${Math.round(process.resourceUsage().maxRSS / 1024)} MB at most`,
);
if (!fit.converged || seconds > 10 || process.resourceUsage().maxRSS > 300 * 1024) process.exitCode = 1;
