import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': import.meta.dirname } },
  test: {
    include: ['{app,core,exchange,server,stand-ins,ui,db,ops,demo}/**/*.test.{ts,tsx}'],
    environment: 'node',
    globalSetup: './ops/test-database.ts',
    setupFiles: './ops/test-setup.ts',
    testTimeout: 20_000,
  },
});
