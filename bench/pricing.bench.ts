/**
 * Pricing in Node: three cases with traces and the printed summary. The baseline is the same number of amounts
 * (count × hours × price, three cases) as bare decimal products, without traces, tiers, pools or terms.
 */
import { decimal, type Decimal } from '@/engine/base';
import { allComponents, type Design, type Place } from '@/engine/design';
import { summarise } from '@/engine/summary';
import { DEMO_PROFILES } from '@/demo/profiles';
import { demoBooks, designOfSize } from './designs';
import { type BenchRow, measure, printRows } from './measure';

const books = demoBooks();
const EURO = { from: 'EUR', to: 'USD', rate: '1.1', date: '2026-11-01' };

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
    aim: size === 200 ? '< 25 ms' : '',
  };
});

rows.push(everywhere());
printRows('Pricing in Node', rows);

/** One design of needs, asked of every region of every book: 20 servers that take the cheapest that fits. */
function everywhere(): BenchRow {
  const places = DEMO_PROFILES.flatMap((profile) =>
    profile.regions.map((region) => ({ book: profile.key, region: region.code })),
  );
  const template = designOfSize(1);
  const [server] = allComponents(template);
  const at = (place: Place): Design => ({
    ...template,
    assumptions: { ...template.assumptions, exchange: [EURO] },
    sections: [
      {
        id: 's',
        name: 'S',
        components: Array.from({ length: 20 }, (_, index) => ({
          ...server!,
          id: `c${index}`,
          place,
          term: 'on-demand',
          choice: {
            by: 'cheapest',
            need: { vcpu: String(1 + (index % 8)), memory: String(2 + (index % 16)) },
          },
        })),
      },
    ],
  });
  const designs = places.map(at);
  return {
    what: `20 needs in ${places.length} regions of all books`,
    measured: measure(12, 3, () => designs.forEach((design) => void summarise(design, books))),
    baseline: {
      what: `${places.length * 60} bare products`,
      measured: measure(12, 3, () => bareProducts(places.length * 20)),
    },
    aim: '',
  };
}
