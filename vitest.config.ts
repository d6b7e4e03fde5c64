import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['packages/{core,contract,server}/src/**/*.test.ts', 'packages/web/src/**/*.test.{ts,tsx}', 'sim/src/**/*.test.ts'],
    maxWorkers: Number(process.env.TEST_WORKERS ?? 2),
    testTimeout: 30_000,
    hookTimeout: 120_000,
  },
});
