/** Bare rates as a flat table: the cheapest region of each provider, as on the screen. */
import { decimal } from '@/engine/base';
import type { MeasuredRates } from '@/features/unit-prices/calc';
import type { Design } from '@/engine/design';
import { plainMoney, writeNumber } from '@/platform/words';
import { bareSentence } from './bare-sentence';
import type { PlaceNames } from '@/features/design/words';
import type { FlatCell, FlatTable } from '@/platform/tables';
import { sentenceFor } from '@/platform/words';

/**
 * @example
 * const measure = measuresOf([book], { data: '100', requests: '1000000' })[0]!;
 * const asked = { around: design, books: [book], pricer: createPricer(books) };
 * const names = { book: (key) => key, region: (_, code) => code };
 * bareTable([bareRates(measure, asked)], design, names).rows[0]?.cells.slice(3, 5); // => [{ money: '17.34' }, 'severn']
 */
export function bareTable(measured: readonly MeasuredRates[], around: Design, names: PlaceNames): FlatTable {
  const { currency } = around;
  const books = around.books.map(({ book }) => book);
  const without = new Map<string, string>();
  const rows = measured.map(({ measure, rates }) => ({
    level: 'line' as const,
    cells: [
      measure.group,
      measure.label,
      `${writeNumber(measure.quantity)} ${measure.unit}`,
      ...books.flatMap((book): FlatCell[] => {
        const rate = rates.find((each) => each.book === book);
        if (!rate || (rate.amount === null && rate.why === null)) return ['not sold', ''];
        if (rate.amount !== null) {
          const place = names.region(book, rate.region);
          return [
            { money: plainMoney(decimal(rate.amount), currency) },
            rate.sleeps ? `${place}, sleeps` : place,
          ];
        }
        without.set(`${names.book(book)}: ${sentenceFor(rate.why!)}`, book);
        return ['not priced', ''];
      }),
    ],
  }));
  const free = around.assumptions.countAllowances;
  return {
    title: 'Bare rates side by side',
    answer: bareSentence(measured, names),
    currency,
    head: ['Group', 'What', 'For', ...books.flatMap((book) => [names.book(book), `${names.book(book)} in`])],
    rows,
    notes: [
      {
        title: 'To know',
        lines: [
          `Each thing by itself, in the cheapest region of each provider, in ${currency}.`,
          `What is included free is ${free ? 'counted' : 'not counted'}.`,
          ...around.books.map(({ book, revision }) => `${names.book(book)}, revision ${revision}.`),
          ...without.keys(),
        ],
      },
    ],
  };
}
