import { build } from 'esbuild';
import { join } from 'node:path';

/*
 * node ops/build-programs.mjs FOLDER
 * Bundles what runs beside the pages into FOLDER/programs, so that a start does not translate TypeScript each time and
 * holds one copy of the code in memory: the launcher, what prepares the data, backups, and the threads of the pool.
 */

const [folder] = process.argv.slice(2);
await build({
  entryPoints: {
    start: 'ops/start.ts',
    'prepare-data': 'ops/prepare-data.ts',
    'backup-now': 'ops/backup-now.ts',
    'job-thread': 'server/jobs/job-thread.ts',
    // The worlds of the end-to-end tests, served as a start serves.
    'e2e-world': 'ops/e2e-world.ts',
    'e2e-world-data': 'ops/e2e-world-data.ts',
  },
  outdir: join(folder, 'programs'),
  outExtension: { '.js': '.mjs' },
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  packages: 'external',
  // As in next.config.ts: the build of the checks has a twelfth method, made up.
  alias: folder.endsWith('.next-check') ? { '@/core/methods/more-methods': './core/methods/testing/twelfth.ts' } : {},
  logLevel: 'warning',
});
