import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['packages/{core,contract,server}/src/**/*.test.ts', 'packages/web/src/**/*.test.{ts,tsx}', 'sim/src/**/*.test.ts'],
    testTimeout: 30_000,
    hookTimeout: 120_000,
  },
});
