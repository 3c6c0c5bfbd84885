/** Random designs over random books: several rules on the same line, the same hour, the same money. */
import type { Component, Design } from '@/engine/design';
import type { Agreement, Term } from '@/engine/terms';
import type { PriceBookFile } from '@/features/price-books/format/price-book-schema';
import { Dice } from './dice';
import { mixedBook } from './mixed-book';
import { body, cased } from './mixed-lines';

export interface Mixed {
  readonly seed: number;
  readonly books: readonly PriceBookFile[];
  readonly design: Design;
}

export function mixed(seed: number): Mixed {
  const dice = new Dice(seed);
  const books = [
    mixedBook(dice, 'first', 'USD'),
    ...(dice.often(0.3) ? [mixedBook(dice, 'second', 'EUR')] : []),
  ];
  return { seed, books, design: mixedDesign(dice, books) };
}

function mixedDesign(dice: Dice, books: readonly PriceBookFile[]): Design {
  const components = Array.from({ length: dice.number(1, 6) }, (_, at) => component(dice, books, `c${at}`));
  const money = Array.from({ length: dice.one(0, 0, 1, 1, 2, 4) }, (_, at) =>
    moneyLine(dice, books, `m${at}`),
  );
  const all = [...components, ...money];
  const cut = dice.number(0, all.length);
  const dated = dice.often(0.5);
  return {
    title: 'Drawn at random',
    description: '',
    currency: dice.one('USD', 'USD', 'EUR'),
    assumptions: {
      month: dice.one<Design['assumptions']['month']>(
        { hours: '730' },
        { hours: '730' },
        { hours: '720' },
        { hours: '744' },
        { hours: 'book' },
        { hours: 'calendar', year: 2027, month: dice.number(1, 12) },
      ),
      countAllowances: dice.often(0.85),
      exchange: [
        { from: 'USD', to: 'EUR', rate: '0.92', date: '2026-11-01' },
        ...(dice.often(0.3) ? [{ from: 'USD', to: 'EUR', rate: '0.95', date: '2027-03-01' }] : []),
      ],
      ...(dice.often(0.3) ? { allowanceShare: '0.25' } : {}),
      ...(dated ? { start: dice.one('2026-12', '2027-02', '2027-06') } : {}),
      ...(dice.often(0.3)
        ? { growth: { traffic: { likely: '0.04' }, stock: { likely: '0.02', heavy: '0.05' } } }
        : {}),
      ...(dice.often(0.2) ? { season: Array.from({ length: 12 }, () => dice.half(1, 3)) } : {}),
      ...(dice.often(0.2) ? { campaigns: [{ month: dice.number(1, 8), times: dice.half(1, 4) }] } : {}),
      ...(dice.often(0.3) ? { contingency: '0.1', tax: '0.2' } : {}),
    },
    books: books.map(({ book }) => ({ book: book.key, revision: 1 })),
    sections: [
      { id: 's1', name: 'First', components: all.slice(0, cut) },
      { id: 's2', name: 'Second', components: all.slice(cut) },
    ],
    agreements: Array.from({ length: dice.one(0, 0, 1, 2, 3) }, (_, at) => agreement(dice, `a${at}`, dated)),
  };
}

function component(dice: Dice, books: readonly PriceBookFile[], id: string): Component {
  const { sku, ...rest } = body(dice);
  return {
    id,
    name: id,
    count: cased(dice, () => dice.whole(0, 4)),
    place:
      rest.kind === 'custom'
        ? null
        : { book: dice.one(...books).book.key, region: dice.one('severn', 'elbe') },
    choice: { by: 'sku', sku },
    running: { pattern: 'always' },
    usage: {},
    term: 'on-demand',
    ...rest,
    ...(dice.often(0.2) ? { months: lifetime(dice) } : {}),
    ...(dice.often(0.08) ? { allocated: { likely: '0.25' } } : {}),
  };
}

function lifetime(dice: Dice): NonNullable<Component['months']> {
  const from = dice.number(1, 6);
  return { from, to: dice.often(0.6) ? from + dice.number(0, 13) : null };
}

/** What pays for others, and what is a share of them. */
function moneyLine(dice: Dice, books: readonly PriceBookFile[], id: string): Component {
  const place = { book: dice.one(...books).book.key, region: 'severn' };
  const base = {
    id,
    name: id,
    count: { likely: dice.one('1', '1', '2') },
    place,
    running: { pattern: 'always' } as const,
    ...(dice.often(0.2) ? { months: lifetime(dice) } : {}),
  };
  const share = dice.often(0.25);
  if (share) {
    const sku = dice.one('SUPPORT', 'SOFTWARE');
    const kind = sku === 'SUPPORT' ? 'support-plan' : 'software-fee';
    return { ...base, kind, choice: { by: 'sku', sku }, usage: {}, term: 'on-demand' };
  }
  const spends = dice.often(0.6);
  const [sku, meter, most] = spends ? ['SPEND', 'committed', 2] : ['CREDIT', 'credit', 400];
  const amount = cased(dice, () => (dice.number(0, most * 100) / 100).toFixed(2));
  return {
    ...base,
    kind: spends ? 'spend-commitment' : 'prepaid-credit',
    choice: { by: 'sku', sku },
    usage: { [meter]: { amount, unit: 'money' } },
    term: dice.one('12-none', '12-part', '12-all', '36-part'),
    ...(dice.often(0.2) ? { later: [{ fromMonth: dice.number(2, 9), amount: dice.whole(0, most) }] } : {}),
  };
}

function agreement(dice: Dice, id: string, dated: boolean): Agreement {
  const meter = dice.one('running', 'running', 'transferred', 'stored', 'units', 'set-up', 'vcpu');
  const term = dice.often(0.25) ? { term: dice.one<Term>('12-none', '12-part', 'interruptible') } : {};
  return {
    id,
    name: id,
    covers: {
      books: dice.often(0.3) ? ['first'] : [],
      categories: dice.often(0.15) ? ['Compute'] : [],
      kinds: dice.often(0.25)
        ? [dice.one('server', 'transfer-out', 'spend-commitment', 'prepaid-credit', 'support-plan')]
        : [],
      skus: dice.often(0.2) ? [dice.one('S-4', 'OUT', 'BALANCER', 'SPEND')] : [],
    },
    from: dated && dice.often(0.3) ? '2027-01-01' : null,
    to: dated && dice.often(0.3) ? dice.one('2027-04-30', '2027-08-31') : null,
    discount: dice.one<Agreement['discount']>(
      null,
      { by: 'share', share: '0.1' },
      { by: 'share', share: '0.25' },
      {
        by: 'price',
        meter,
        price: dice.price(4, 0.2),
        ...term,
        ...(dice.often(0.3) ? { unit: dice.one('hour', 'GB', 'second') } : {}),
      },
      {
        by: 'tiers',
        meter,
        tiers: [
          { upTo: dice.whole(20, 900), price: dice.price(3, 0.2) },
          { upTo: null, price: dice.price(3, 0.2) },
        ],
        ...term,
      },
    ),
    margin: dice.often(0.3) ? '0.15' : null,
  };
}
