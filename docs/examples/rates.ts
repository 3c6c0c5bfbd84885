/** Charge structures, one chapter each. */
import { inAllCases } from '@/engine/usage';
import { type Chapter, lineOf, monthOf, part } from './example';

const transfer = (amount: string) => part('transfer-out', 'OUT', { use: { transferred: [amount, 'GB'] } });
const edge = (amount: string) => part('content-delivery', 'EDGE', { use: { transferred: [amount, 'GB'] } });
const sizes = (...rows: readonly (readonly [string, string])[]) => ({
  protected: {
    amount: inAllCases(
      String(rows.reduce((sum, [count, amount]) => sum + Number(count) * Number(amount), 0)),
    ),
    unit: 'GB',
    sizes: rows.map(([count, amount]) => ({ count, amount })),
  },
});
const balanced = part('balancer-requests', 'BALANCER', {
  load: {
    rate: { by: 'requests', perSecond: inAllCases('60') },
    secondsEach: inAllCases('15'),
    requestSize: { amount: inAllCases('2'), unit: 'kB' },
    replySize: { amount: inAllCases('16'), unit: 'kB' },
  },
});
const quietNights = part('balancer-requests', 'BALANCER', {
  load: {
    rate: { by: 'requests', perSecond: inAllCases('20') },
    peak: { times: inAllCases('5'), days: [0, 1, 2, 3, 4, 5, 6], from: 8, hours: inAllCases('6') },
    secondsEach: inAllCases('0'),
    requestSize: { amount: inAllCases('0'), unit: 'kB' },
    replySize: { amount: inAllCases('0'), unit: 'kB' },
  },
});
const support = part('support-plan', 'SUPPORT');
const servers = (count: string) => part('server', 'S-4', { count: inAllCases(count) });

export const RATES: readonly Chapter[] = [
  {
    title: 'Per unit',
    rule: 'Quantity × price.',
    examples: [{ says: 'Two servers at 0.10 an hour.', expect: '146', figure: monthOf(servers('2')) }],
  },
  {
    title: 'Per started block',
    rule: 'The quantity divided by the block, rounded up, × price.',
    examples: [
      {
        says: 'A warehouse reads 21 TB; each started 10 TB costs 40. 8 units an hour at 0.50 come on top.',
        expect: '3040',
        figure: monthOf(
          part('warehouse', 'WAREHOUSE', { use: { scanned: ['21', 'TB'], stored: ['0', 'TB'] } }),
        ),
      },
    ],
  },
  {
    title: 'Graduated tiers',
    rule: 'Each tier’s units at that tier’s price. A tier’s end belongs to the tier.',
    examples: [
      {
        says: '12 100 GB leave; 100 are included, 10 000 cost 0.09 each, the rest 0.05.',
        expect: '1000',
        figure: monthOf(transfer('12100')),
      },
    ],
  },
  {
    title: 'Volume tiers',
    rule: 'All units at the price of the tier that the total reaches. More can cost less.',
    examples: [
      { says: '1 000 GB at 0.08.', expect: '80', figure: monthOf(edge('1000')) },
      {
        says: '1 001 GB reach the next tier: all of them at 0.04.',
        expect: '40.04',
        figure: monthOf(edge('1001')),
      },
    ],
  },
  {
    title: 'Stepped fee',
    rule: 'A fee by the band that one instance falls in, then a fee per started block beyond; for each instance, never on the average.',
    examples: [
      {
        says: 'Three machines of 40 GB (5 each) and one of 2 100 GB (10, and four started blocks of 500 beyond 500).',
        expect: '65',
        figure: monthOf(part('backup', 'BACKUP', { usage: sizes(['3', '40'], ['1', '2100']) })),
      },
      {
        says: 'The same 2 220 GB as four times 555 on average: 80, and a notice with the true range.',
        expect: '80',
        figure: monthOf(
          part('backup', 'BACKUP', { count: inAllCases('4'), use: { protected: ['555', 'GB'] } }),
        ),
      },
    ],
  },
  {
    title: 'Greatest of',
    rule: 'Capacity units are the greatest over the dimensions of use ÷ what one unit carries, hour by hour over the week; × price per unit-hour.',
    examples: [
      {
        says: '60 requests a second on as many new connections, 15 s each, 18 kB: 1.5, 0.45 and 1.944 units; data binds, so 2 whole units. 730 h × (2 × 0.01 + 0.02).',
        expect: '29.2',
        figure: monthOf(balanced),
      },
      {
        says: '20 a second, and five times that for six hours a day: 547.5 h of 1 unit, 182.5 h of 3, not 730 h of the average.',
        expect: '25.55',
        figure: monthOf(quietNights),
      },
    ],
  },
  {
    title: 'By parts',
    rule: 'A freely chosen size within the offer’s limits: vCPU × a + GiB × b + GPU × c, each hour.',
    examples: [
      {
        says: '6 vCPU at 0.03 and 20 GiB at 0.004 for 730 h.',
        expect: '189.8',
        figure: monthOf(
          part('server', 'S-FREE', { size: { vcpu: inAllCases('6'), memory: inAllCases('20') } }),
        ),
      },
    ],
  },
  {
    title: 'Share of spend',
    rule: 'Graduated percentages of what the other lines cost after discounts, with a floor.',
    examples: [
      {
        says: '200 servers cost 14 600: 10 % of 10 000 and 7 % of 4 600.',
        expect: '1322',
        figure: monthOf(support, servers('200')),
      },
      {
        says: 'Two servers cost 146: the floor of 100 holds.',
        expect: '100',
        figure: monthOf(support, servers('2')),
      },
    ],
  },
  {
    title: 'Flat',
    rule: 'A recurring amount each month, or an amount paid once; what is paid once is no part of the month.',
    examples: [
      {
        says: 'A plan of 20 a month with 12 million requests, 10 of them included, the others at 2.',
        expect: '24',
        figure: monthOf(part('plan', 'PLAN', { use: { requests: ['12', 'million requests'] } })),
      },
      {
        says: 'A line at 0.30 an hour; its 500 for setting up are paid once and stand in the cash view.',
        expect: '219',
        figure: lineOf([part('dedicated-line', 'LINE', { use: { transferred: ['0', 'GB'] } })]).monthly,
      },
    ],
  },
];
