/**
 * Pricing in Node: three cases with traces and the printed summary. The baseline is the same number of amounts
 * (count × hours × price, three cases) as bare decimal products, without traces, tiers, pools or terms.
 */
import { decimal, type Decimal } from '@/core/base';
import { allComponents } from '@/core/design';
import { summarise } from '@/core/range';
import { demoBooks, designOfSize } from './designs';
import { type BenchRow, measure, printRows } from './measure';

const books = demoBooks();

function bareProducts(components: number): void {
  let total: Decimal = decimal(0);
  for (let index = 0; index < components * 3; index += 1) {
    total = total.plus(decimal(index).times('730').times('0.042028').times('1.04'));
  }
  if (total.isNegative()) throw new Error('unreachable');
}

const rows = [10, 200, 1000].map((size): BenchRow => {
  const design = designOfSize(size);
  if (allComponents(design).length !== size) throw new Error('wrong size');
  const runs = size > 500 ? 20 : 60;
  return {
    what: `price ${size} components, three cases`,
    measured: measure(runs, 15, () => void summarise(design, books)),
    baseline: { what: `${size * 3} bare products`, measured: measure(runs, 15, () => bareProducts(size)) },
    aim: size === 200 ? '< 25 ms (later issue)' : '',
  };
});

printRows('Pricing in Node', rows);
