/** Where two rules meet: one worked example for each of the points that say whose turn it is. */
import type { Component, Design } from '@/engine/design';
import { priceMonths } from '@/engine/analysis';
import { planOf, priceDesign } from '@/engine/pricing';
import type { Agreement } from '@/engine/terms';
import { type Figure, given } from '@/engine/trace';
import { type Load, inAllCases } from '@/engine/usage';
import { agreementOf } from '@tests/support/designs';
import { type Chapter, design, lineOf, monthOf, part, WIDE } from './example';

const servers = (count: string, more: Partial<Component> = {}, sku = 'S-4') =>
  part('server', sku, { count: inAllCases(count), ...more });
const spend = (id: string, perHour: string) =>
  part('spend-commitment', 'SPEND', { id, term: '12-none', use: { committed: [perHour, 'money'] } });
const credit = (id: string, amount: string) =>
  part('prepaid-credit', 'CREDIT', { id, term: '12-none', use: { credit: [amount, 'money'] } });
const total = (components: readonly Component[], more: Partial<Design> = {}): Figure =>
  priceDesign(design(components, more), WIDE, 'likely').monthly;
const at = (price: string): Agreement =>
  agreementOf({ name: 'Fixed price', discount: { by: 'price', meter: 'running', price } });
const HALF_DAYS: Component['running'] = {
  pattern: 'weekdays',
  hoursPerDay: inAllCases('12'),
  daysPerWeek: inAllCases('7'),
};
const LOAD: Load = {
  rate: { by: 'requests', perSecond: inAllCases('60') },
  secondsEach: inAllCases('15'),
  replySize: { amount: inAllCases('10'), unit: 'kB' },
};

/** What the months come to, as a leaf: their own traces are those of each month. */
function fromMonths(components: readonly Component[], months: number, more: Partial<Design> = {}) {
  const series = priceMonths(planOf(design(components, more), WIDE), 'likely', months);
  return { due: series.rows.flatMap((row) => row.endings.map((each) => each.due))[0], series };
}

export const MEETING: readonly Chapter[] = [
  {
    title: '1. Whose turn',
    rule: 'Every step works on what the step before left over: no hour is paid twice, and none by nobody.',
    examples: [
      {
        says: 'Of three servers one is committed (730 × 0.06), one is bought by a spend commitment of 0.07 an hour (730 × 0.07), and one is on demand (730 × 0.10).',
        expect: '167.9',
        figure: total([
          servers('3', { term: '12-none', committed: inAllCases('1') }),
          spend('spend', '0.07'),
        ]),
      },
    ],
  },
  {
    title: '2. Several commitments, several credits',
    rule: 'One after the other, the greatest saving first; each sees only what is left, at the price before any of them.',
    examples: [
      {
        says: 'Two spend commitments of 0.035 buy what one of 0.07 buys: one server at 0.07, the other on demand.',
        expect: '124.1',
        figure: total([servers('2'), spend('one', '0.035'), spend('two', '0.035')]),
      },
      {
        says: 'Credits of 50 and 60 at 0.95 each, for 146 of list price; the 36 beyond both cost 1.1 of list.',
        expect: '144.1',
        figure: total([servers('2'), credit('one', '50'), credit('two', '60')]),
      },
    ],
  },
  {
    title: '3. Within the clock hour',
    rule: 'A commitment pays unit-hours within each clock hour, and never reaches into another hour or day. Weeks keep how often how many run, not the mean.',
    examples: [
      {
        says: 'Two servers that run half of every hour are one unit-hour, and one committed unit pays it: 730 × 0.06.',
        expect: '43.8',
        figure: monthOf(
          servers('2', {
            term: '12-none',
            committed: inAllCases('1'),
            running: { pattern: 'runs', perMonth: inAllCases('730'), minutesEach: inAllCases('30') },
          }),
        ),
      },
      {
        says: 'Two servers, 8 h on two and a half days a week: some weeks three days, some two. The second server is on demand for 20 h a week: 43.80 + 20 × 730 ÷ 168 × 0.10.',
        expect: '52.4904761905',
        figure: monthOf(
          servers('2', {
            term: '12-none',
            committed: inAllCases('1'),
            running: { pattern: 'weekdays', hoursPerDay: inAllCases('8'), daysPerWeek: inAllCases('2.5') },
          }),
        ),
      },
    ],
  },
  {
    title: '4. Commitments beside tiers and sustained use',
    rule: 'The committed part is taken out first; tiers, sustained use and caps act on what runs on demand.',
    examples: [
      {
        says: 'One of three is committed (43.80). 1 460 h are left: 1 000 × 0.10 + 460 × 0.05 = 123, and each of the two runs all month: × 0.8.',
        expect: '142.2',
        figure: monthOf(servers('3', { term: '12-none', committed: inAllCases('1') }, 'S-TIER')),
      },
    ],
  },
  {
    title: '5. Minimums beside commitments',
    rule: 'Units bought, committed or not, are counted together; what is missing is added once, in the way of paying of the line, upfront included.',
    examples: [
      {
        says: 'One committed host where three are the least: 3 × (730 × 0.50 + 1 200 ÷ 12).',
        expect: '1395',
        figure: monthOf(part('dedicated-host', 'HOST-2', { term: '12-part' })),
      },
    ],
  },
  {
    title: '6. Money paid ahead, and lines that end before their term',
    rule: 'Upfront money leaves once and is spread over its term. A line that ends earlier owes what the book’s rule says.',
    examples: [
      {
        says: 'A commitment of 12 months for a line of 6: the rest is due, 6 × 43.80.',
        expect: '262.8',
        figure: given(
          'Due in month 6',
          fromMonths([servers('1', { term: '12-none', months: { from: 1, to: 6 } })], 12).due!,
          'USD',
        ),
      },
    ],
  },
  {
    title: '7. Agreements',
    rule: 'A fixed price replaces the on-demand price of what is charged on demand; a committed price only if it names the term. Caps cap the agreed price.',
    examples: [
      {
        says: 'Two servers, one committed: 730 × 0.06, and 730 × the agreed 0.08.',
        expect: '102.2',
        figure: lineOf([servers('2', { term: '12-none', committed: inAllCases('1') })], {
          agreements: [at('0.08')],
        }).monthly,
      },
      {
        says: '730 h at the agreed 0.05 would be 36.50; the cap of 30 holds.',
        expect: '30',
        figure: lineOf([servers('1', {}, 'S-CAP')], { agreements: [at('0.05')] }).monthly,
      },
    ],
  },
  {
    title: '8. Capacity units',
    rule: 'They belong to the hours that the thing runs, a part of an hour counting as that part.',
    examples: [
      {
        says: '12 hours every day: 365 h × 0.02, and 60 new connections at 40 a unit are 2 units: 365 × 2 × 0.01.',
        expect: '14.6',
        figure: monthOf(part('balancer-requests', 'BALANCER', { running: HALF_DAYS, load: LOAD })),
      },
    ],
  },
  {
    title: '9. Pools',
    rule: 'The quantity is everybody’s, the price is each one’s own.',
    examples: [
      {
        says: 'Two kinds of queue are counted together; this one pays its own 0.90 a million for its own million.',
        expect: '0.9',
        figure: monthOf(
          part('queue', 'QUEUE-2', { use: { requests: ['1', 'million requests'] } }),
          part('queue', 'QUEUE', { use: { requests: ['3', 'million requests'] } }),
        ),
      },
    ],
  },
  {
    title: '10. Lists of sizes',
    rule: 'Every instance goes through every rule by itself: set-aside, kept days, least size, stepped fees.',
    examples: [
      {
        says: 'Shares of 40, 40 and 300 GiB with twice as much set aside: 80 and 80 are raised to 100 each, 600 stays: 800 × 0.20.',
        expect: '160',
        figure: monthOf(
          part('file-share', 'SHARE', {
            usage: {
              stored: {
                amount: inAllCases('380'),
                unit: 'GiB',
                sizes: [
                  { count: '2', amount: '40' },
                  { count: '1', amount: '300' },
                ],
                setAside: inAllCases('760'),
              },
            },
          }),
        ),
      },
    ],
  },
  {
    title: '11. Cheapest that fits',
    rule: 'Ranked by what the whole line will really pay.',
    examples: [
      {
        says: 'Three servers with 4 vCPU and 16 GiB that run always. With sustained use at 0.10 they would cost 3 × 58.40 = 175.20; the larger size reaches its second tier together: (1 000 × 0.10 + 1 190 × 0.05) × 0.8.',
        expect: '127.6',
        figure: monthOf(servers('3', { choice: { by: 'cheapest', need: { vcpu: '4', memory: '16' } } })),
      },
    ],
  },
  {
    title: '12. First 12 months',
    rule: 'These months one by one; twelve times the likely month is called just that.',
    examples: [
      {
        says: '900 GB beyond the allowance at 0.09 in eleven months, 1 900 GB in the third, a campaign: 11 × 81 + 171.',
        expect: '1062',
        figure: given(
          'Cash of the first 12 months',
          fromMonths([part('transfer-out', 'OUT', { use: { transferred: ['1000', 'GB'] } })], 12, {
            assumptions: {
              month: { hours: '730' },
              countAllowances: true,
              exchange: [],
              campaigns: [{ month: 3, times: '2' }],
            },
          }).series.firstYear.cash,
          'USD',
        ),
      },
    ],
  },
  {
    title: '13. Months and exchange rates',
    rule: 'A calendar month has its own hours. Of the rates of a pair the newest that is not after the first month counts.',
    examples: [
      {
        says: 'February 2027: 672 h × 0.10 × 0.92; the rate of March is not there yet.',
        expect: '61.824',
        figure: lineOf([servers('1')], {
          currency: 'EUR',
          assumptions: {
            month: { hours: 'calendar', year: 2027, month: 2 },
            countAllowances: true,
            start: '2027-02',
            exchange: [
              { from: 'USD', to: 'EUR', rate: '0.92', date: '2026-11-01' },
              { from: 'USD', to: 'EUR', rate: '0.95', date: '2027-03-01' },
            ],
          },
        }).monthly,
      },
    ],
  },
  {
    title: '14. One-time fees',
    rule: 'Never dropped, whatever they stand beside.',
    examples: [
      {
        says: 'A support plan of 10 % of the spend, and 250 once.',
        expect: '250',
        figure: given('Paid once', lineOf([part('support-plan', 'CARE'), servers('1')]).once, 'USD'),
      },
    ],
  },
];
