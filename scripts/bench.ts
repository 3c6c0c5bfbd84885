/** ./run bench [name]: runs the measurements in bench/, each in a process of its own. */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { main, stop } from './lib/say';

const BENCHES = fs.readdirSync('bench').filter((name) => name.endsWith('.bench.ts'));

main(async () => {
  const [only, ...rest] = process.argv.slice(2);
  const chosen = only ? BENCHES.filter((name) => name === `${only}.bench.ts`) : BENCHES;
  if (chosen.length === 0)
    stop(
      `There is no bench “${only}”. There are: ${BENCHES.map((name) => name.replace('.bench.ts', '')).join(', ')}.`,
    );
  for (const name of chosen) {
    const result = spawnSync(process.execPath, ['--import', 'tsx', `bench/${name}`, ...rest], {
      stdio: 'inherit',
    });
    if (result.status !== 0) stop(`The bench ${name} failed.`);
  }
});
