/** Ways of paying, licences, agreements, and what is put on top. */
import type { Component, Design } from '@/engine/design';
import { priceDesign } from '@/engine/pricing';
import { endEarly, type EarlyEnd } from '@/engine/terms';
import { decimal } from '@/engine/base';
import { inAllCases } from '@/engine/usage';
import { agreementOf } from '@tests/support/designs';
import { type Chapter, design, lineOf, monthOf, part, WIDE } from './example';

const committed = (term: Component['term'], more: Partial<Component> = {}) =>
  part('server', 'S-4', { term, ...more });
const peaks: Component['running'] = {
  pattern: 'peaks',
  baseline: inAllCases('2'),
  peak: inAllCases('6'),
  days: [0, 1, 2, 3, 4],
  from: 7,
  hours: inAllCases('4'),
};
const early = (rule: EarlyEnd, used: number) =>
  endEarly(
    {
      months: 12,
      recurring: decimal('21.9'),
      upfront: decimal('219'),
      onDemand: decimal('73'),
      currency: 'USD',
      rule,
    },
    used,
  ).total;
const spend = (perHour: string) =>
  part('spend-commitment', 'SPEND', { term: '12-none', use: { committed: [perHour, 'money'] } });
const credit = (amount: string) =>
  part('prepaid-credit', 'CREDIT', { term: '12-none', use: { credit: [amount, 'money'] } });
const total = (components: readonly Component[], more: Partial<Design> = {}) =>
  priceDesign(design(components, more), WIDE, 'likely').monthly;
const AGREED: NonNullable<Design['agreements']> = [
  agreementOf({
    name: 'Frame contract',
    covers: { books: ['wide'] },
    discount: { by: 'share', share: '0.05' },
    margin: '0.1',
  }),
  agreementOf({
    id: 'compute',
    name: 'Compute agreement',
    covers: { books: ['wide'], categories: ['Compute'] },
    discount: { by: 'share', share: '0.2' },
  }),
];

export const TERMS_CHAPTERS: readonly Chapter[] = [
  {
    title: 'Usage commitments',
    rule: 'So many units for 12 or 36 months; every hour is paid, used or not. A month is recurring + upfront ÷ months. Running units above the commitment are on demand.',
    examples: [
      {
        says: '12 months, nothing upfront, at 0.06; it runs 100 h and pays 730.',
        expect: '43.8',
        figure: monthOf(
          committed('12-none', { running: { pattern: 'hours', hoursPerMonth: inAllCases('100') } }),
        ),
      },
      {
        says: '12 months, part upfront: 730 × 0.03 + 219 ÷ 12.',
        expect: '40.15',
        figure: monthOf(committed('12-part')),
      },
      {
        says: 'The two units that always run are committed at 0.06; the four at peaks are on demand: 2 × 43.80 + 4 × 730 × 20 ÷ 168 × 0.10.',
        expect: '122.3619047619',
        figure: monthOf(committed('12-none', { running: peaks })),
      },
    ],
  },
  {
    title: 'Ending a commitment early',
    rule: 'By the book’s rule: the rest stays due, or a fee of what is left, or the months used are priced as if on demand.',
    examples: [
      {
        says: '12 months at 21.90 with 219 upfront, ended after 6, rest due: all of it.',
        expect: '481.8',
        figure: early({ rule: 'rest-due' }, 6),
      },
      {
        says: 'A fee of a quarter of what is left (131.40 + 109.50): 60.225 less the 109.50 given back.',
        expect: '301.125',
        figure: early({ rule: 'fee', share: decimal('0.25') }, 6),
      },
      { says: 'Priced again: six months on demand.', expect: '438', figure: early({ rule: 're-rate' }, 6) },
    ],
  },
  {
    title: 'Spend commitments',
    rule: 'An amount for every hour buys eligible use at committed prices, hour by hour, what saves most first; beyond it is on demand, what buys nothing is lost.',
    examples: [
      {
        says: '0.10 an hour buys one server of 0.07 and a fifth of one of 0.15, which saves less: 73 committed, and 0.8 × 146 on demand.',
        expect: '189.8',
        figure: total([part('server', 'S-4'), part('server', 'S-8'), spend('0.1')]),
      },
      {
        says: '0.10 an hour and only one server: 73 are paid, 51.10 of them buy something.',
        expect: '73',
        figure: total([part('server', 'S-4'), spend('0.1')]),
      },
    ],
  },
  {
    title: 'Prepaid credit',
    rule: 'An amount a month for a term, cheaper by the band it falls in; beyond it list or overage price; what is not used is lost.',
    examples: [
      {
        says: '2 000 of credit cost 1 800; 40 servers at list 2 920: 1 800, and 920 beyond at 1.1.',
        expect: '2812',
        figure: total([part('server', 'S-4', { count: inAllCases('40') }), credit('2000')]),
      },
      {
        says: 'The same credit and ten servers at 730: the credit is paid all the same.',
        expect: '1800',
        figure: total([part('server', 'S-4', { count: inAllCases('10') }), credit('2000')]),
      },
    ],
  },
  {
    title: 'Sustained use, monthly cap',
    rule: 'The price falls with the share of the month one unit runs; or one unit never pays more than a cap.',
    examples: [
      {
        says: 'All month: 365 h at 0.10 and 365 h at 0.06.',
        expect: '58.4',
        figure: monthOf(part('server', 'S-SUSTAIN')),
      },
      {
        says: '0.06 an hour would be 43.80; the cap is 30.',
        expect: '30',
        figure: monthOf(part('server', 'S-CAP')),
      },
    ],
  },
  {
    title: 'Interruptible',
    rule: 'A mean price and its range; the range goes into the lean and the heavy case.',
    examples: [
      {
        says: 'Mean 0.04 an hour.',
        expect: '29.2',
        figure: monthOf(committed('interruptible', { mayBeStopped: true })),
      },
      {
        says: 'Heavy case: 0.06.',
        expect: '43.8',
        figure: lineOf([committed('interruptible', { mayBeStopped: true })], {}, 'heavy').monthly,
      },
    ],
  },
  {
    title: 'Licences',
    rule: 'Paid in the rate (per core, with a least number), or brought along with their own yearly cost.',
    examples: [
      {
        says: 'A 2-core server at 0.12 with an engine at 0.05 a core-hour, four cores at least.',
        expect: '233.6',
        figure: monthOf(
          part('server', 'S-LICENSED', { licences: [{ product: 'ledger-db', how: 'included' }] }),
        ),
      },
      {
        says: 'The licence is brought along; it costs 2 400 a year.',
        expect: '287.6',
        figure: monthOf(
          part('server', 'S-LICENSED', {
            licences: [{ product: 'ledger-db', how: 'brought', ownYearly: inAllCases('2400') }],
          }),
        ),
      },
    ],
  },
  {
    title: 'Agreements and margin',
    rule: 'List, contracted and resale are three columns. The narrowest agreement that covers a line decides.',
    examples: [
      {
        says: 'List: a server.',
        expect: '73',
        figure: lineOf([part('server', 'S-4')], { agreements: AGREED }).list,
      },
      {
        says: 'Contracted: 20 % off by the compute agreement, not 5 % by the frame contract.',
        expect: '58.4',
        figure: lineOf([part('server', 'S-4')], { agreements: AGREED }).monthly,
      },
      {
        says: 'Resale: 10 % on top of the contracted price.',
        expect: '64.24',
        figure: lineOf([part('server', 'S-4')], { agreements: AGREED }).resale,
      },
    ],
  },
  {
    title: 'Contingency and tax',
    rule: 'Net × (1 + contingency) × (1 + tax), each a line of its own.',
    examples: [
      {
        says: '73 net, 10 % contingency, 20 % tax.',
        expect: '96.36',
        figure: priceDesign(
          design([part('server', 'S-4')], {
            assumptions: {
              month: { hours: '730' },
              countAllowances: true,
              exchange: [],
              contingency: '0.1',
              tax: '0.2',
            },
          }),
          WIDE,
          'likely',
        ).gross,
      },
    ],
  },
];
