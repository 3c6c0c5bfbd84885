/**
 * Around each file of tests: properties draw by the turn of the run, so that a commit's tests are the same everywhere; and
 * where `WICK_TIMES` names a file, what the file took of the processor, its imports too, is written there.
 */
import fs from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import { afterAll, expect } from 'vitest';

fc.configureGlobal({ seed: Number(process.env.WICK_TURN ?? 0) });

const times = process.env.WICK_TIMES;
const before = process.cpuUsage();

if (times)
  afterAll(() => {
    const { user, system } = process.cpuUsage(before);
    const file = path.relative(process.cwd(), expect.getState().testPath ?? '');
    fs.appendFileSync(times, `${JSON.stringify({ file, seconds: (user + system) / 1_000_000 })}\n`);
  });
