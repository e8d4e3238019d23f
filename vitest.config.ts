import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': import.meta.dirname } },
  test: {
    environment: 'node',
    setupFiles: './ops/test-setup.ts',
    // Patience with a slow machine that does two things at a time; what never comes still fails.
    testTimeout: 60_000,
    hookTimeout: 60_000,
    // Both cores: a test that waits for the database leaves its own idle.
    maxWorkers: 2,
    projects: [
      // Nothing outside the process: files share what they import, and no database is started for them.
      {
        extends: true,
        test: { name: 'pure', include: ['{app,core,exchange,stand-ins,ui}/**/*.test.{ts,tsx}'], isolate: false },
      },
      {
        extends: true,
        test: {
          name: 'database',
          include: ['{db,demo,ops,server}/**/*.test.ts'],
          // Files that run in one process share what they import, and the pool of server/testing/test-club.ts.
          isolate: false,
          globalSetup: './ops/test-database.ts',
        },
      },
    ],
  },
});
