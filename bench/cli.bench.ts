/** From call to end of `wick price` for the example, against starting Node with nothing to do. */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { measure, printRows } from './measure';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-bench-'));
fs.copyFileSync('docs/formats/price-book.example.json', path.join(folder, 'book.json'));
const design = 'docs/formats/design.example.json';
const call = (program: string, ...args: string[]): void => {
  const { status } = spawnSync(program, args, { stdio: 'ignore' });
  if (status !== 0) throw new Error(`${program} ${args.join(' ')} ended with ${status}`);
};

printRows('The command line', [
  {
    what: './run wick price, the example',
    measured: measure(15, 2, () => call('./run', 'wick', 'price', design, '--books', folder)),
    baseline: {
      what: 'node -e 0',
      measured: measure(15, 2, () => call(process.execPath, '-e', '0')),
    },
    aim: '< 500 ms',
  },
]);
fs.rmSync(folder, { recursive: true });
