import { spawnSync } from 'node:child_process';
import os from 'node:os';
import path from 'node:path';
import { defineConfig } from 'vitest/config';

const alias = {
  '@tests': path.resolve(import.meta.dirname, 'tests'),
  '@': path.resolve(import.meta.dirname, 'src'),
};

/** Tests without a screen that need a document or its storage all the same. */
const WITH_DOCUMENT = [
  'src/features/design/screen/session/kept-and-refused.test.ts',
  'src/features/design/screen/session/unsaved-edits.test.ts',
];

/** The last digit of a commit's number. Without a repository, the first turn. */
function turnOfCommit(): string {
  const { status, stdout } = spawnSync('git', ['rev-list', '--count', 'HEAD'], { encoding: 'utf8' });
  return status === 0 ? stdout.trim().slice(-1) : '0';
}

/** Which tenth of the random cases this run goes through: see tests/support/drawn.ts. */
const turn = process.env.WICK_TURN ?? turnOfCommit();

/** Milliseconds: two cores that are busy with other things are no reason to fail. */
const PATIENCE = 60_000;

/**
 * What runs in Node shares its modules from file to file: a test that hears of another one's state is faulty. Screens have
 * a document each, and so their own.
 */
const plain = { testTimeout: PATIENCE, isolate: false, setupFiles: ['tests/support/seeded.ts'] };
const long = { ...plain, testTimeout: 10 * PATIENCE };

export default defineConfig({
  resolve: { alias },
  test: {
    // One more than there are processors: several files wait for other processes.
    maxWorkers: os.availableParallelism() + 1,
    env: { WICK_LOG: '/dev/null', WICK_TURN: turn },
    projects: [
      {
        resolve: { alias },
        test: {
          ...plain,
          name: 'unit',
          include: ['src/**/*.test.ts', 'tests/unit/**/*.test.ts'],
          exclude: ['src/stores/stores.test.ts', 'src/platform/data/**', ...WITH_DOCUMENT],
        },
      },
      {
        resolve: { alias },
        test: { ...long, name: 'reference', include: ['tests/reference/**/*.test.ts'] },
      },
      {
        resolve: { alias },
        test: { ...long, name: 'faults', include: ['tests/faults/**/*.test.ts'] },
      },
      {
        resolve: { alias },
        test: {
          name: 'ui',
          testTimeout: PATIENCE,
          environment: 'jsdom',
          setupFiles: ['tests/support/seeded.ts'],
          include: ['src/**/*.test.tsx', ...WITH_DOCUMENT],
        },
      },
      {
        resolve: { alias },
        test: {
          ...plain,
          name: 'integration',
          include: [
            'src/stores/stores.test.ts',
            'src/platform/data/**/*.test.ts',
            'tests/integration/**/*.test.ts',
          ],
          globalSetup: ['tests/support/throw-away-cluster.ts'],
        },
      },
    ],
  },
});
