/** Bare rates in a sentence: who is cheapest for how much of it, and what nobody sells. */
import type { MeasuredRates } from '@/features/unit-prices/calc';
import type { PlaceNames } from '@/features/design/words';

/**
 * @example
 * const measure = measuresOf([book], { data: '100', requests: '1000000' })[0]!;
 * const asked = { around: design, books: [book], pricer: createPricer(books) };
 * bareSentence([bareRates(measure, asked)], { book: (key) => key, region: (_, code) => code }); // => 'Of 1 thing small is cheapest for 1.'
 */
export function bareSentence(measured: readonly MeasuredRates[], names: PlaceNames): string {
  const firsts = new Map<string, number>();
  let unsold = 0;
  for (const { rates } of measured) {
    const [first] = rates;
    if (!first || first.amount === null) unsold += 1;
    // Who is as cheap as the cheapest is cheapest, too.
    const best = new Set(
      rates.filter(({ amount }) => amount !== null && amount === first?.amount).map(({ book }) => book),
    );
    for (const book of best) firsts.set(book, (firsts.get(book) ?? 0) + 1);
  }
  if (firsts.size === 0) return 'Nothing of this is sold there.';
  const ranked = [...firsts].sort(([a, m], [b, n]) => n - m || (a < b ? -1 : 1));
  const [top, ...others] = ranked.map(([book, count]) => ({ name: names.book(book), count }));
  const rest = others.map(({ name, count }) => `${name} for ${count}`);
  const things = `${measured.length} ${measured.length === 1 ? 'thing' : 'things'}`;
  const tail = rest.length > 0 ? `, ${rest.join(', ')}` : '';
  const none = unsold > 0 ? ` ${unsold} of them ${unsold === 1 ? 'has' : 'have'} no price there.` : '';
  return `Of ${things} ${top!.name} is cheapest for ${top!.count}${tail}.${none}`;
}
