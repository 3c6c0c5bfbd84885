/** What crosses component borders: pools, grants, own lines, currency. */
import { inAllCases } from '@/engine/usage';
import { type Chapter, lineOf, monthOf, part } from './example';

const out = (id: string, amount: string, region = 'severn') =>
  part('transfer-out', 'OUT', {
    id,
    name: id,
    place: { book: 'wide', region },
    use: { transferred: [amount, 'GB'] },
  });

export const TOGETHER: readonly Chapter[] = [
  {
    title: 'Pools',
    rule: 'Tiers and allowances count over the scope the rate names. The pool is priced once; each component has its share by quantity.',
    examples: [
      {
        says: '3 000 GB from Severn and 9 100 GB from Elbe make 12 100: 1 000 in all, of which Severn’s share is 3 000 ÷ 12 100.',
        expect: '247.9338842975',
        figure: monthOf(out('a', '3000'), out('b', '9100', 'elbe')),
      },
      {
        says: 'A server brings 500 GB of transfer along: 1 100 − 100 − 500, at 0.09.',
        expect: '45',
        figure: monthOf(out('a', '1100'), part('server', 'S-CAP')),
      },
    ],
  },
  {
    title: 'Own lines',
    rule: 'Anything no book has: own meters, prices and structure, in the design’s currency.',
    examples: [
      {
        says: 'Two caretakers at 45 an hour for 6 hours, and 30 a month each for their phones.',
        expect: '600',
        figure: monthOf(
          part('custom', '', {
            id: 'own',
            count: inAllCases('2'),
            custom: [
              {
                label: 'Hours',
                unit: 'hour',
                amount: inAllCases('6'),
                charge: { structure: 'per-unit', price: '45' },
              },
              {
                label: 'Phone',
                unit: 'month',
                amount: inAllCases('1'),
                charge: { structure: 'flat', amount: '30', once: false },
              },
            ],
          }),
        ),
      },
    ],
  },
  {
    title: 'Currency',
    rule: 'Amounts are worked out in the book’s currency and converted once, at the end, by a dated table.',
    examples: [
      {
        says: '73 USD at 0.92 EUR each.',
        expect: '67.16',
        figure: lineOf([part('server', 'S-4')], {
          currency: 'EUR',
          assumptions: {
            month: { hours: '730' },
            countAllowances: true,
            exchange: [{ from: 'USD', to: 'EUR', rate: '0.92', date: '2026-11-01' }],
          },
        }).monthly,
      },
    ],
  },
];
