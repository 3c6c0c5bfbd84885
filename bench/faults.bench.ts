/**
 * ./run bench faults [designs]: what the short suites try, at length, from seeds that they do not use; and how much of it
 * was refused, taken as it should, or went wrong. The baseline is none: all bad counts are zero.
 */
import type { Counts } from '@tests/faults/count';
import { tryDesigns } from '@tests/faults/designs';
import { tryEdits } from '@tests/faults/edits';
import { tryFiles } from '@tests/faults/files';

const count = Number(process.argv[2] ?? 5000);
const FRESH = 100_000;
const say = (text: string): void => void process.stdout.write(`${text}\n`);

const suites: readonly (readonly [string, () => Promise<Counts>])[] = [
  ['designs at the edges of every field', () => tryDesigns(count, FRESH)],
  ['edits, each taken out and brought in again', () => tryEdits(Math.ceil(count / 12), FRESH)],
  ['price books', () => tryFiles(Math.max(400, Math.ceil(count / 5)))],
];
say(`${'what'.padEnd(44)}${['tried', 'refused', 'taken', 'bad'].map((head) => head.padStart(9)).join('')}`);
for (const [what, run] of suites) {
  const { tried, refused, taken, bad } = await run();
  say(
    `${what.padEnd(44)}${[tried, refused, taken, bad.length].map((each) => String(each).padStart(9)).join('')}`,
  );
  for (const each of bad.slice(0, 20)) say(`  ${each}`);
  if (bad.length > 0) process.exitCode = 1;
}
say(`Highest memory ${Math.round(process.resourceUsage().maxRSS / 1024)} MB.`);
