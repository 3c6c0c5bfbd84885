/** Random designs over the wide book: every structure, pattern and way of paying; nearly all of them can be priced. */
import fc from 'fast-check';
import type { Component, Design } from '@/engine/design';
import type { Cased, Load, Running } from '@/engine/usage';
import { bookFrom } from './books';
import { agreementOf, cased, componentOf } from './designs';
import { bookSet } from '@/engine/pricing';
import { wideBookFile } from './wide-book';

export const WIDE_BOOKS = bookSet([bookFrom(wideBookFile())]);

const between = (min: number, max: number, steps = 1) =>
  fc.integer({ min: min * steps, max: max * steps }).map((value) => String(value / steps));
const ranged = (min: number, max: number, steps = 1): fc.Arbitrary<Cased> => cased(between(min, max, steps));
const days = fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { maxLength: 7 });
const hourOfDay = fc.integer({ min: 0, max: 23 });
const drawnDay = fc
  .array(fc.constantFrom('#', '.'), { minLength: 24, maxLength: 24 })
  .map((marks) => marks.join(''));

export const anyLoad: fc.Arbitrary<Load> = fc.record({
  rate: fc.oneof(
    fc.record({ by: fc.constant('requests' as const), perSecond: ranged(0, 400, 10) }),
    fc.record({
      by: fc.constant('viewers' as const),
      viewers: ranged(0, 5000),
      refreshSeconds: ranged(1, 90),
    }),
  ),
  peak: fc.option(fc.record({ times: ranged(0, 8, 4), days, from: hourOfDay, hours: ranged(0, 24, 2) })),
  secondsEach: ranged(0, 20, 10),
  requestSize: fc.record({ amount: ranged(0, 700), unit: fc.constantFrom('kB', 'KiB') }),
  replySize: fc.record({ amount: ranged(0, 900), unit: fc.constantFrom('kB', 'KiB') }),
  requestsPerConnection: fc.option(ranged(1, 20)),
});

export const anyRunning: fc.Arbitrary<Running> = fc.oneof(
  fc.constant<Running>({ pattern: 'always' }),
  fc.record({ pattern: fc.constant('hours' as const), hoursPerMonth: ranged(0, 700) }),
  fc.record({
    pattern: fc.constant('days' as const),
    hoursPerDay: ranged(0, 24, 2),
    daysPerMonth: ranged(0, 30),
  }),
  fc.record({
    pattern: fc.constant('weekdays' as const),
    hoursPerDay: ranged(0, 24, 2),
    daysPerWeek: ranged(0, 7),
  }),
  fc.record({
    pattern: fc.constant('week' as const),
    days: fc.array(drawnDay, { minLength: 7, maxLength: 7 }),
  }),
  fc.record({
    pattern: fc.constant('asleep' as const),
    share: ranged(0, 1, 20),
    wakeUps: ranged(0, 300),
    idleMinutes: ranged(0, 30),
  }),
  fc.record({
    pattern: fc.constant('runs' as const),
    perMonth: ranged(0, 300),
    minutesEach: ranged(0, 120, 2),
  }),
  fc.record({
    pattern: fc.constant('peaks' as const),
    baseline: ranged(0, 4),
    peak: ranged(4, 9),
    days,
    from: hourOfDay,
    hours: ranged(0, 24, 2),
  }),
  fc.record({
    pattern: fc.constant('autoscale' as const),
    floor: ranged(0, 3),
    ceiling: ranged(3, 12),
    carries: ranged(1, 60),
  }),
);

type Body = Pick<Component, 'kind' | 'choice'> & Partial<Component>;
const used = (meters: Readonly<Record<string, readonly [fc.Arbitrary<Cased>, ...string[]]>>) =>
  fc.record(
    Object.fromEntries(
      Object.entries(meters).map(([meter, [amount, ...units]]) => [
        meter,
        fc.record({ amount, unit: fc.constantFrom(...units) }),
      ]),
    ),
  ) as unknown as fc.Arbitrary<Component['usage']>;
const body = (
  kind: Component['kind'],
  sku: string | readonly string[],
  more: Partial<{ [F in keyof Component]: fc.Arbitrary<Component[F]> }> = {},
): fc.Arbitrary<Body> =>
  fc.record({
    kind: fc.constant(kind),
    choice: fc.constantFrom(...[sku].flat()).map((one) => ({ by: 'sku' as const, sku: one })),
    ...more,
  }) as fc.Arbitrary<Body>;

const money = ranged(0, 3000, 4);
const BODIES: readonly fc.Arbitrary<Body>[] = [
  body('server', ['S-4', 'S-8', 'S-SECOND', 'S-HOUR', 'S-SUSTAIN', 'S-CAP'], { running: anyRunning }),
  body('server', 'S-4', {
    running: anyRunning,
    term: fc.constantFrom('12-none', '12-part', '12-none-exchangeable', 'interruptible'),
    committed: fc.option(ranged(0, 12)),
  }),
  body('server', 'S-FREE', {
    running: anyRunning,
    size: fc.constantFrom(['1', '2'], ['6', '20'], ['32', '64']).map(([vcpu, memory]) => ({
      vcpu: { likely: vcpu! },
      memory: { likely: memory! },
    })),
  }),
  body('server', 'S-LICENSED', {
    licences: fc
      .record({
        product: fc.constant('ledger-db'),
        how: fc.constantFrom('included' as const, 'brought' as const),
        ownYearly: money,
      })
      .map((one) => [one]),
  }),
  body('dedicated-host', 'HOST'),
  body('block-volume', 'VOL', {
    usage: used({ capacity: [money, 'GiB', 'GB'], iops: [ranged(0, 9000), 'IOPS'] }),
  }),
  body('object-store', 'STORE', {
    usage: fc.record({
      stored: fc.record({ amount: money, unit: fc.constantFrom('GB', 'TiB'), keptDays: ranged(0, 60) }),
      reads: fc.record({ amount: money, unit: fc.constantFrom('request', 'million requests') }),
      writes: fc.record({
        amount: money,
        unit: fc.constant('thousand requests'),
        each: fc.record({ amount: ranged(0, 3000), unit: fc.constant('KiB') }),
      }),
    }) as unknown as fc.Arbitrary<Component['usage']>,
  }),
  body('file-share', 'SHARE', {
    usage: fc.record({
      stored: fc.record({ amount: money, unit: fc.constant('GiB'), setAside: money }),
    }) as unknown as fc.Arbitrary<Component['usage']>,
  }),
  body('backup', 'BACKUP', { usage: used({ protected: [money, 'GB'], stored: [money, 'GB', 'TB'] }) }),
  body('relational-database', 'DB', {
    running: anyRunning,
    term: fc.constantFrom('on-demand', '12-none'),
    usage: used({ stored: [money, 'GiB'] }),
  }),
  body('warehouse', 'WAREHOUSE', {
    running: anyRunning,
    usage: used({ stored: [money, 'TB'], scanned: [money, 'TB', 'GB'] }),
  }),
  body('transfer-out', 'OUT', { usage: used({ transferred: [money, 'GB', 'TB'] }) }),
  body('transfer-out', 'OUT'),
  body('content-delivery', 'EDGE', {
    usage: used({ transferred: [money, 'GB'], requests: [money, 'million requests'] }),
  }),
  body('balancer-requests', 'BALANCER'),
  body('dedicated-line', 'LINE', { usage: used({ transferred: [money, 'GB'] }) }),
  body('container-run-time', 'RUNTIME', {
    running: anyRunning,
    size: fc.constant({ vcpu: { likely: '2' }, memory: { likely: '4' } }),
  }),
  body('function', 'FUNCTION', { size: fc.constant({ vcpu: { likely: '1' }, memory: { likely: '0.5' } }) }),
  body('queue', 'QUEUE'),
  body('plan', 'PLAN', { usage: used({ users: [ranged(0, 40), 'user'] }) }),
  body('support-plan', 'SUPPORT'),
  body('software-fee', 'SOFTWARE'),
];

/** Every one of them with a load, so that what follows from one is worked out. */
export const anyWideComponent: fc.Arbitrary<Omit<Component, 'id'>> = fc
  .record({
    body: fc.oneof(...BODIES),
    load: anyLoad,
    count: ranged(0, 9),
    region: fc.constantFrom('severn', 'elbe'),
    allocated: fc.option(ranged(0, 1, 4), { freq: 8 }),
  })
  .map(({ body: part, region, ...rest }) => {
    const { id: _, ...component } = componentOf({
      id: 'x',
      ...rest,
      ...part,
      place: { book: 'wide', region },
    });
    return component;
  });

const AGREEMENTS: NonNullable<Design['agreements']> = [
  agreementOf({ covers: { books: ['wide'] }, discount: { by: 'share', share: '0.07' }, margin: '0.12' }),
];

export const anyWideDesign: fc.Arbitrary<Design> = fc
  .record({
    components: fc.array(anyWideComponent, { minLength: 1, maxLength: 9 }),
    agreements: fc.boolean(),
    euro: fc.boolean(),
    allowanceShare: fc.constantFrom(undefined, '0.25'),
    countAllowances: fc.boolean(),
    extra: fc.constantFrom(undefined, '0.1'),
  })
  .map(({ components, agreements, euro, allowanceShare, countAllowances, extra }) => ({
    title: 'Wide',
    description: '',
    currency: euro ? 'EUR' : 'USD',
    assumptions: {
      month: { hours: '730' as const },
      countAllowances,
      exchange: [{ from: 'USD', to: 'EUR', rate: '0.92', date: '2026-11-01' }],
      ...(allowanceShare ? { allowanceShare } : {}),
      ...(extra ? { contingency: extra, tax: '0.2' } : {}),
    },
    books: [{ book: 'wide', revision: 1 }],
    sections: [{ id: 's', name: 'S', components: components.map((each, at) => ({ ...each, id: `c${at}` })) }],
    ...(agreements ? { agreements: AGREEMENTS } : {}),
  }));

/** A spend commitment and prepaid credit that tie the design's lines together. */
export function tied(design: Design, kind: 'spend-commitment' | 'prepaid-credit', amount: string): Design {
  const [sku, meter] = kind === 'spend-commitment' ? ['SPEND', 'committed'] : ['CREDIT', 'credit'];
  const component = componentOf({
    id: 'tie',
    kind,
    place: { book: 'wide', region: 'severn' },
    choice: { by: 'sku', sku: sku! },
    term: '12-none',
    usage: { [meter!]: { amount: { likely: amount }, unit: 'money' } },
  });
  const [first, ...others] = design.sections;
  const components = [...first!.components, component];
  return { ...design, sections: [{ ...first!, components }, ...others] };
}
