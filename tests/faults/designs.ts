/** Random designs with values at the edges of every field: refused with a sentence, or priced, reported and exported. */
import { seededRandom } from '@/engine/base';
import { findingsOf } from '@/features/checklist/calc';
import type { Design } from '@/engine/design';
import { priceMonths } from '@/engine/analysis';
import { type BookSet, planOf } from '@/engine/pricing';
import { summarise } from '@/engine/summary';
import { buildReport } from '@/features/report/calc';
import { designCsv } from '@/features/design/format/design-csv';
import { readDesign, writeDesign } from '@/features/design/format/design';
import { booksOf } from '@tests/reference/agree';
import { mixed } from '@tests/reference/mixed-design';
import { type Counts, noCounts, within } from './count';
import { mutated } from './edges';

/** Milliseconds for anything that one asks of a small design; the work takes some tens. */
const PATIENCE = 5000;
const PLAIN = /^-?\d+(\.\d+)?$/;
const AMOUNTS: ReadonlySet<string> = new Set(
  'printed monthly list resale recurring upfront wholeTerm onDemand lean heavy low likely high gross twelveMonths firstYear cash'.split(
    ' ',
  ),
);
const FULL = { variant: 'full', validUntil: null, withAgreements: true } as const;

export async function tryDesigns(count: number, first = 0): Promise<Counts> {
  const counts = noCounts();
  for (let seed = first; seed < first + count; seed += 1) {
    const random = seededRandom(`edges ${seed}`);
    const drawn = mixed(seed % 400);
    const text = JSON.stringify({ format: 'wick-design', version: 1, design: mutated(random, drawn.design) });
    counts.tried += 1;
    const read = await within(counts, `seed ${seed}, reading`, PATIENCE, () => readDesign(text));
    if (!read) continue;
    if (!read.ok) {
      counts.refused += 1;
      if (read.faults.some((fault) => fault.message === ''))
        counts.bad.push(`seed ${seed}: a fault without words`);
      continue;
    }
    counts.taken += 1;
    await takeThrough(counts, `seed ${seed}`, read.value, booksOf(drawn.books));
  }
  return counts;
}

/** Everything that is done with a design somewhere. */
async function takeThrough(counts: Counts, what: string, design: Design, books: BookSet): Promise<void> {
  const summary = await within(counts, `${what}, priced`, PATIENCE, () => summarise(design, books));
  if (!summary) return;
  const asText = (value: unknown): string => JSON.stringify(value);
  const strange = (value: unknown, part: string): void => {
    JSON.stringify(value, (key, each: unknown) => {
      if (AMOUNTS.has(key) && typeof each === 'string' && !PLAIN.test(each)) {
        counts.bad.push(`${what}, ${part}: ${key} is ${each.slice(0, 80)}`);
      }
      return each;
    });
  };
  strange(summary, 'summary');
  const horizon = design.assumptions.horizon ?? 12;
  const months = await within(counts, `${what}, months`, PATIENCE * 4, () =>
    priceMonths(planOf(design, books), 'likely', horizon),
  );
  if (months) strange(months, 'months');
  await within(counts, `${what}, report`, PATIENCE * 4, () => buildReport(design, books, FULL));
  await within(counts, `${what}, CSV`, PATIENCE, () => designCsv(design, summary));
  await within(counts, `${what}, checklist`, PATIENCE * 4, () =>
    findingsOf(planOf(design, books), () => 'new'),
  );
  await within(counts, `${what}, written and read again`, PATIENCE, () => {
    const again = readDesign(writeDesign(design, summary));
    if (!again.ok) throw new Error(`its own file is refused: ${asText(again.faults)}`);
    if (asText(again.value) !== asText(design)) throw new Error('its own file is another design');
  });
}
