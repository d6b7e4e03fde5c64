import { defineConfig } from 'vitest/config';

/** The core's own tests, for planting faults in it. */
export default defineConfig({
  test: { include: ['packages/core/src/**/*.test.ts'], testTimeout: 120_000 },
});
