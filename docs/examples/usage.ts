/** From what a person knows to what is billed: increments, minimums, allowances, loads, running patterns. */
import { type Component, type Design } from '@/engine/design';
import { inAllCases } from '@/engine/usage';
import { type Chapter, lineOf, monthOf, part } from './example';

type Running = Component['running'];
const server = (running: Running, more: Partial<Component> = {}) =>
  part('server', 'S-4', { running, ...more });
const office = '.'.repeat(8) + '#'.repeat(10) + '.'.repeat(6);
const shut = '.'.repeat(24);
const load: Component['load'] = {
  rate: { by: 'requests', perSecond: inAllCases('10') },
  peak: { times: inAllCases('5'), days: [0, 1, 2, 3, 4], from: 7, hours: inAllCases('3') },
};
const ASSUMPTIONS: Design['assumptions'] = { month: { hours: '730' }, countAllowances: true, exchange: [] };
const reads = (more: Partial<Design['assumptions']>) =>
  lineOf(
    [part('object-store', 'STORE', { use: { stored: ['0', 'GB'], reads: ['3', 'million requests'] } })],
    {
      assumptions: { ...ASSUMPTIONS, ...more },
    },
  ).monthly;

export const USAGE: readonly Chapter[] = [
  {
    title: 'Started increments',
    rule: 'An event is billed in started chunks, a run in started steps after a minimum.',
    examples: [
      {
        says: '1 million writes of 1 300 KiB in chunks of 512 KiB are 3 million; 0.005 per thousand.',
        expect: '15',
        figure: monthOf(
          part('object-store', 'STORE', {
            usage: {
              stored: { amount: inAllCases('0'), unit: 'GB' },
              writes: {
                amount: inAllCases('1'),
                unit: 'million requests',
                each: { amount: inAllCases('1300'), unit: 'KiB' },
              },
            },
          }),
        ),
      },
      {
        says: '5 million runs of 130 ms with 0.5 GiB, in steps of 100 ms: 5 000 000 × 0.2 s × 0.5 GiB × 0.00002, and 5 × 0.20.',
        expect: '11',
        figure: monthOf(
          part('function', 'FUNCTION', {
            size: { vcpu: inAllCases('1'), memory: inAllCases('0.5') },
            usage: {
              requests: { amount: inAllCases('5'), unit: 'million requests' },
              'run-time': {
                amount: inAllCases('5'),
                unit: 'million requests',
                each: { amount: inAllCases('130'), unit: 'millisecond' },
              },
            },
          }),
        ),
      },
      {
        says: '600 runs of half a minute; each is billed as 60 s at 0.00002 a second.',
        expect: '0.72',
        figure: monthOf(
          part('server', 'S-SECOND', {
            running: { pattern: 'runs', perMonth: inAllCases('600'), minutesEach: inAllCases('0.5') },
          }),
        ),
      },
      {
        says: '20 runs of 90 minutes are 40 started hours at 0.05.',
        expect: '2',
        figure: monthOf(
          part('server', 'S-HOUR', {
            running: { pattern: 'runs', perMonth: inAllCases('20'), minutesEach: inAllCases('90') },
          }),
        ),
      },
    ],
  },
  {
    title: 'Minimums',
    rule: 'The least that is paid for: of one instance, of a cluster, of a month, of the time something is kept.',
    examples: [
      {
        says: 'One host where three are the least: 3 × 730 × 2.',
        expect: '4380',
        figure: monthOf(part('dedicated-host', 'HOST')),
      },
      {
        says: 'A share of 40 GiB where 100 are the least, at 0.20.',
        expect: '20',
        figure: monthOf(part('file-share', 'SHARE', { use: { stored: ['40', 'GiB'] } })),
      },
      {
        says: '30 GB of copies where 100 a month are the least, at 0.05.',
        expect: '5',
        figure: monthOf(part('backup', 'BACKUP', { use: { stored: ['30', 'GB'] } })),
      },
      {
        says: '730 GB a month, deleted after 10 days, paid for 30 of the month’s 30 and 5/12 days, at 0.02.',
        expect: '14.4',
        figure: monthOf(
          part('object-store', 'STORE', {
            usage: { stored: { amount: inAllCases('730'), unit: 'GB', keptDays: inAllCases('10') } },
          }),
        ),
      },
    ],
  },
  {
    title: 'Consumed or set aside',
    rule: 'A rate bills what is used or what is set aside, and says which.',
    examples: [
      {
        says: '300 GiB used of 500 set aside, billed by what is set aside, at 0.20.',
        expect: '100',
        figure: monthOf(
          part('file-share', 'SHARE', {
            usage: { stored: { amount: inAllCases('300'), unit: 'GiB', setAside: inAllCases('500') } },
          }),
        ),
      },
    ],
  },
  {
    title: 'Allowances',
    rule: 'What is included each month, for ever or for the first months; the account has it once, and a design may count a share of it or none.',
    examples: [
      { says: '3 million reads, 1 included, at 0.40.', expect: '0.8', figure: reads({}) },
      {
        says: 'Half of the account’s allowance belongs to this design.',
        expect: '1',
        figure: reads({ allowanceShare: '0.5' }),
      },
      { says: 'Allowances not counted.', expect: '1.2', figure: reads({ countAllowances: false }) },
    ],
  },
  {
    title: 'From a load',
    rule: 'Requests a second, duration, sizes and reuse of connections give what meters bill. Viewers ÷ refresh interval are requests a second.',
    examples: [
      {
        says: '900 viewers who refresh every 30 s are 30 requests a second; 20 kB each over 730 h are 1 576.8 GB; 100 are included.',
        expect: '132.912',
        figure: monthOf(
          part('transfer-out', 'OUT', {
            load: {
              rate: { by: 'viewers', viewers: inAllCases('900'), refreshSeconds: inAllCases('30') },
              replySize: { amount: inAllCases('20'), unit: 'kB' },
            },
          }),
        ),
      },
    ],
  },
  {
    title: 'Running patterns',
    rule: 'Every pattern gives units running in each of the 168 hours of a week. Month hours are the mean of the week × the month’s hours.',
    examples: [
      {
        says: '10 hours on 5 days a week: 730 × 50 ÷ 168 h at 0.10.',
        expect: '21.7261904762',
        figure: monthOf(
          server({ pattern: 'weekdays', hoursPerDay: inAllCases('10'), daysPerWeek: inAllCases('5') }),
        ),
      },
      {
        says: 'The same week, drawn.',
        expect: '21.7261904762',
        figure: monthOf(
          server({ pattern: 'week', days: [office, office, office, office, office, shut, shut] }),
        ),
      },
      {
        says: '220 hours a month.',
        expect: '22',
        figure: monthOf(server({ pattern: 'hours', hoursPerMonth: inAllCases('220') })),
      },
      {
        says: 'Asleep 60 % of the month: 292 h awake, and 120 wakings that each stay up 15 minutes longer.',
        expect: '32.2',
        figure: monthOf(
          server({
            pattern: 'asleep',
            share: inAllCases('0.6'),
            wakeUps: inAllCases('120'),
            idleMinutes: inAllCases('15'),
          }),
        ),
      },
      {
        says: 'Two units, and six for four hours on weekdays: 2 × 730 + 4 × 730 × 20 ÷ 168 unit-hours.',
        expect: '180.7619047619',
        figure: monthOf(
          server({
            pattern: 'peaks',
            baseline: inAllCases('2'),
            peak: inAllCases('6'),
            days: [0, 1, 2, 3, 4],
            from: 7,
            hours: inAllCases('4'),
          }),
        ),
      },
      {
        says: 'One unit for each 8 requests a second, 1 to 6 of them: 10 a second need 2, 50 would need 7 and get 6, 15 hours a week.',
        expect: '172.0714285714',
        figure: monthOf(
          server(
            {
              pattern: 'autoscale',
              floor: inAllCases('1'),
              ceiling: inAllCases('6'),
              carries: inAllCases('8'),
            },
            { load },
          ),
        ),
      },
    ],
  },
];
