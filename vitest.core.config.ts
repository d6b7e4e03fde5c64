import { defineConfig } from 'vitest/config';

/** The core's own tests, for planting faults in it; of one folder only where FOLDER_OF_TESTS names it. */
export default defineConfig({
  test: { include: [`packages/core/src/${process.env.FOLDER_OF_TESTS ?? '**'}/*.test.ts`], testTimeout: 120_000 },
});
