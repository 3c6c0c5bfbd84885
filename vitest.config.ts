import os from 'node:os';
import path from 'node:path';
import { defineConfig } from 'vitest/config';

const alias = {
  '@tests': path.resolve(import.meta.dirname, 'tests'),
  '@': path.resolve(import.meta.dirname, 'src'),
};

/** Milliseconds: two cores that are busy with other things are no reason to fail. */
const PATIENCE = 60_000;

export default defineConfig({
  resolve: { alias },
  test: {
    // One core left over, as is usual, would leave half of a machine with two idle.
    maxWorkers: Math.max(2, os.availableParallelism() - 1),
    env: { WICK_LOG: '/dev/null' },
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          testTimeout: PATIENCE,
          include: ['src/**/*.test.ts', 'tests/unit/**/*.test.ts'],
          exclude: ['src/data/**', 'src/ui/**', 'src/app/**', 'src/screens/**'],
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'reference',
          testTimeout: 10 * PATIENCE,
          include: ['tests/reference/**/*.test.ts'],
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'faults',
          testTimeout: 10 * PATIENCE,
          include: ['tests/faults/**/*.test.ts'],
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'ui',
          testTimeout: PATIENCE,
          environment: 'jsdom',
          include: ['src/{ui,app,screens}/**/*.test.{ts,tsx}'],
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'integration',
          testTimeout: PATIENCE,
          include: ['src/data/**/*.test.ts', 'tests/integration/**/*.test.ts'],
          globalSetup: ['tests/support/throw-away-cluster.ts'],
          fileParallelism: false,
        },
      },
    ],
  },
});
