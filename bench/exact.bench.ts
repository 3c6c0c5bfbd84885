/**
 * ./run bench exact [designs] [first seed]: random designs priced by the core and by the exact reference, to the digit,
 * in all three cases, with the months of every tenth; and which two rules met how often. The baseline is the reference
 * itself: how much slower the plain way is.
 */
import { priceDesign } from '@/engine/pricing';
import { CASES } from '@/engine/usage';
import { booksOf, compareDesigns, monthDifferences, reported } from '@tests/reference/agree';
import { mixed } from '@tests/reference/mixed-design';
import { Pairs, rulesByLine } from '@tests/reference/pairs';
import { referencePrice } from '@tests/reference/price';

const count = Number(process.argv[2] ?? 100_000);
const first = Number(process.argv[3] ?? 0);
const MONTHS_OF = 10;
const HORIZON = 14;

const say = (text: string): void => void process.stdout.write(`${text}\n`);
const pairs = new Pairs();
const spent = { core: 0, reference: 0 };
let differing = 0;
let lines = 0;
let unpriced = 0;

for (let seed = first; seed < first + count; seed += 1) {
  const drawn = mixed(seed);
  const books = booksOf(drawn.books);
  const rows = CASES.flatMap((which) => {
    const started = performance.now();
    const core = priceDesign(drawn.design, books, which);
    const between = performance.now();
    const reference = referencePrice(drawn.design, drawn.books, which);
    spent.core += between - started;
    spent.reference += performance.now() - between;
    if (which === 'likely') {
      pairs.add(rulesByLine(drawn, core));
      lines += core.sections.reduce((sum, section) => sum + section.lines.length, 0);
      unpriced += core.unpriced;
    }
    return compareDesigns(which, core, reference);
  });
  const months = seed % MONTHS_OF === 0 ? monthDifferences(drawn, HORIZON) : [];
  if (rows.length + months.length > 0) {
    differing += 1;
    if (differing <= 3) say(reported(drawn, [...rows, ...months]));
  }
  if ((seed - first + 1) % 5000 === 0) say(`${seed - first + 1} designs, ${differing} differ`);
}

say(`\nRule × rule: designs in which both stood on one priced line ("–": cannot meet)\n${pairs.table()}`);
const empty = pairs.empty();
say(`\nEmpty although they could meet: ${empty.length === 0 ? 'none' : empty.join('; ')}`);
say(
  `Seeds ${first} to ${first + count - 1}: ${count} designs, ${lines} lines, ${unpriced} without an amount.`,
);
say(
  `Core ${(spent.core / count).toFixed(2)} ms a design, reference × ${(spent.reference / spent.core).toFixed(0)}.`,
);
say(`${differing} differ.`);
if (differing > 0) process.exitCode = 1;
