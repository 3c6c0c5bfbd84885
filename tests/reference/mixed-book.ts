/** Random price books that mix rules on purpose, within what a book may say. */
import type { OfferRow, PriceBookFile, RateRow } from '@/formats';
import type { Dice } from './dice';

type ChargeRow = RateRow['charge'];

const REGIONS = ['severn', 'elbe'] as const;

interface Shape {
  readonly unit: string;
  readonly charge: ChargeRow;
  readonly more?: Partial<RateRow>;
}

const NONE = { each: null, count: null, total: null, keptDays: null };

export function mixedBook(dice: Dice, key: string, currency: string): PriceBookFile {
  const offers: OfferRow[] = [];
  const rates: RateRow[] = [];
  const add = (offer: OfferRow, rows: readonly RateRow[]): void => {
    offers.push(offer);
    rates.push(...rows);
  };
  for (const [sku, vcpu, memory] of [
    ['S-2', '2', '4'],
    ['S-4', '4', '16'],
    ['S-8', '8', '32'],
  ] as const) {
    const grants = dice.often(0.4) ? granted(dice) : undefined;
    const capabilities = ['bring-licence'];
    add(
      offer(sku, 'server', { vcpu, memory, family: 'Balanced', capabilities, ...(grants ? { grants } : {}) }),
      [...runningRates(dice, sku), ...licenceRates(dice, sku), ...fees(dice, sku)],
    );
  }
  add(
    offer('S-FREE', 'server', {
      family: 'Free',
      limits: { vcpuLeast: '1', vcpuMost: '64', memoryPerVcpuLeast: '0.5', memoryPerVcpuMost: '16' },
    }),
    [...freeRates(dice), ...licenceRates(dice, 'S-FREE'), ...fees(dice, 'S-FREE')],
  );
  add(offer('HOST', 'dedicated-host', { vcpu: '64', memory: '512' }), runningRates(dice, 'HOST', true));
  add(offer('DB', 'relational-database', { vcpu: '4', memory: '16' }), [
    ...runningRates(dice, 'DB'),
    ...heldRates(dice, 'DB', 'stored', 'GiB'),
  ]);
  add(offer('RUNTIME', 'container-run-time', {}), [
    ...inRegions(dice, 'RUNTIME', 'vcpu', () => ({
      unit: 'vCPU-second',
      charge: per(dice.price(4)),
      more: { ...increments(dice), ...allowance(dice, 90_000), ...pool(dice) },
    })),
    ...inRegions(dice, 'RUNTIME', 'requests', () => ({
      unit: 'million requests',
      charge: tierable(dice),
      more: { ...allowance(dice, 3), ...pool(dice) },
    })),
  ]);
  add(offer('VOL', 'block-volume'), [
    ...heldRates(dice, 'VOL', 'capacity', 'GiB'),
    ...heldRates(dice, 'VOL', 'iops', 'IOPS'),
    ...fees(dice, 'VOL'),
  ]);
  for (const sku of ['STORE', 'STORE-2'] as const) {
    add(offer(sku, 'object-store'), [
      ...heldRates(dice, sku, 'stored', 'GB'),
      ...eventRates(dice, sku, 'writes'),
      ...eventRates(dice, sku, 'reads'),
      ...fees(dice, sku),
    ]);
  }
  add(offer('BACKUP', 'backup'), [
    ...inRegions(dice, 'BACKUP', 'protected', () => ({
      unit: 'GB-month',
      charge: {
        structure: 'stepped',
        bands: [
          { upTo: '50', fee: dice.price(2, 9) },
          { upTo: '500', fee: dice.price(2, 19) },
        ],
        beyond: { block: '500', fee: dice.price(2, 9) },
      },
      more: { ...minimums(dice, { each: 60, count: 4, keptDays: 40 }), ...basis(dice) },
    })),
    ...heldRates(dice, 'BACKUP', 'stored', 'GB'),
    ...fees(dice, 'BACKUP'),
  ]);
  for (const sku of ['OUT', 'OUT-2'] as const) {
    add(offer(sku, 'transfer-out'), [
      ...fees(dice, sku),
      ...inRegions(dice, sku, 'transferred', () => ({
        unit: dice.one('GB', 'GB', 'TB'),
        charge: tierable(dice),
        more: {
          ...allowance(dice, 400),
          ...pool(dice),
          ...minimums(dice, { each: 90, count: 3, total: 700 }),
        },
      })),
    ]);
  }
  add(offer('BALANCER', 'balancer-requests'), [
    ...onDemandRates(dice, 'BALANCER', false),
    ...fees(dice, 'BALANCER'),
    ...inRegions(dice, 'BALANCER', 'units', () => ({
      unit: 'unit-hour',
      charge: {
        structure: 'greatest-of',
        dimensions: [
          { dimension: 'new-connections', label: 'New connections', carries: '25', unit: 'item' },
          { dimension: 'open-connections', label: 'Open connections', carries: '3000', unit: 'item' },
          { dimension: 'data', label: 'Data an hour', carries: '1', unit: 'GB' },
        ],
        unitPrice: dice.price(4),
        basePrice: dice.often(0.6) ? dice.price(4) : null,
        whole: dice.often(0.5),
      },
      more: { ...allowance(dice, 900), ...minimums(dice, { each: 500, count: 3, total: 2000 }) },
    })),
  ]);
  add(offer('FUNCTION', 'function'), [
    ...eventRates(dice, 'FUNCTION', 'requests'),
    ...inRegions(dice, 'FUNCTION', 'run-time', () => ({
      unit: 'GiB-second',
      charge: per(dice.price(6)),
      more: {
        increment: dice.often(0.6)
          ? { step: '100', unit: 'millisecond', least: dice.one(null, '200') }
          : null,
        ...allowance(dice, 90_000),
        ...pool(dice),
        ...minimums(dice, { each: 9000, count: 3, total: 90_000 }),
      },
    })),
  ]);
  add(offer('LINE', 'dedicated-line'), [
    ...inRegions(dice, 'LINE', 'running', () => ({
      unit: 'hour',
      charge: per(dice.price(3)),
      more: increments(dice),
    })),
    ...inRegions(dice, 'LINE', 'set-up', () => ({
      unit: 'month',
      charge: { structure: 'flat', amount: dice.whole(1, 900), once: true },
    })),
  ]);
  add(offer('PLAN', 'plan'), [
    ...inRegions(dice, 'PLAN', 'plan-fee', () => ({
      unit: 'month',
      charge: { structure: 'flat', amount: dice.whole(5, 60), once: false },
      more: { ...minimums(dice, { count: 3 }), ...allowance(dice, 2) },
    })),
    ...eventRates(dice, 'PLAN', 'requests'),
    ...inRegions(dice, 'PLAN', 'users', () => ({
      unit: 'user-month',
      charge: { structure: 'per-block', block: '5', price: dice.whole(3, 20) },
      more: { ...allowance(dice, 12), ...pool(dice) },
    })),
  ]);
  add(offer('LICENCE', 'licence'), [
    ...inRegions(dice, 'LICENCE', 'cores', () => ({
      unit: 'core-month',
      charge: per(dice.price(2, 40)),
      more: minimums(dice, { each: 8, count: 3, total: 30 }),
    })),
    ...promises(dice).flatMap(({ term, early, upfront }) =>
      inRegions(dice, 'LICENCE', 'cores', () => ({
        unit: 'core-month',
        charge: per(dice.price(2, 30)),
        more: {
          term,
          early,
          upfront: upfront && dice.whole(5, 90),
          ...minimums(dice, { each: 8, total: 30 }),
        },
      })),
    ),
  ]);
  for (const sku of ['SUPPORT', 'SOFTWARE'] as const) {
    add(offer(sku, sku === 'SUPPORT' ? 'support-plan' : 'software-fee'), [
      ...inRegions(dice, sku, 'share', () => ({
        unit: 'money',
        charge: {
          structure: 'share-of-spend',
          tiers: [
            { upTo: dice.whole(100, 900), share: '0.1' },
            { upTo: null, share: '0.07' },
          ],
          floor: dice.often(0.5) ? dice.whole(1, 90) : null,
          base:
            sku === 'SUPPORT'
              ? { over: dice.one('provider', 'design'), kinds: [] }
              : { over: 'design', kinds: ['server', 'custom'] },
        },
      })),
      ...fees(dice, sku),
    ]);
  }
  add(offer('SPEND', 'spend-commitment'), moneyRates(dice, 'SPEND', 'committed', 'money-hour', false));
  add(offer('CREDIT', 'prepaid-credit'), moneyRates(dice, 'CREDIT', 'credit', 'money', true));
  return {
    format: 'wick-price-book',
    version: 1,
    book: { key, title: key, provider: key, currency, monthHours: dice.one('730', '720') },
    revision: { number: 1, effective: '2026-11-01', source: 'drawn at random' },
    regions: REGIONS.map((code) => ({
      code,
      name: code,
      country: 'Somewhere',
      latitude: 50,
      longitude: 5,
      carbon: null,
    })),
    offers,
    rates,
  };
}

/** What comes along with a server: transfer, and now and then anything else that is measured. */
function granted(dice: Dice): NonNullable<OfferRow['grants']> {
  const transfer = {
    sku: dice.one('OUT', 'OUT-2'),
    meter: 'transferred',
    amount: dice.whole(1, 900),
    unit: dice.one('GB', 'TB'),
  };
  const other = dice.one(
    { sku: 'DB', meter: 'running', amount: dice.whole(1, 900), unit: 'hour' },
    { sku: 'S-FREE', meter: 'running', amount: dice.whole(1, 900), unit: 'hour' },
    { sku: 'S-4', meter: 'running', amount: dice.whole(1, 900), unit: 'hour' },
    { sku: 'S-2', meter: 'licence.ledger-db', amount: dice.whole(1, 900), unit: 'core-hour' },
    { sku: 'S-4', meter: 'licence.ledger-db', amount: dice.whole(1, 900), unit: 'core-hour' },
    { sku: 'HOST', meter: 'running', amount: dice.whole(1, 900), unit: 'hour' },
    { sku: 'BALANCER', meter: 'units', amount: dice.whole(1, 900), unit: 'unit-hour' },
    { sku: 'STORE', meter: 'stored', amount: dice.whole(1, 90), unit: 'GB-month' },
    { sku: 'STORE', meter: 'writes', amount: dice.whole(1, 90), unit: 'million requests' },
    { sku: 'BACKUP', meter: 'stored', amount: dice.whole(1, 90), unit: 'GB-month' },
    { sku: 'LICENCE', meter: 'cores', amount: dice.whole(1, 9), unit: 'core-month' },
    { sku: 'FUNCTION', meter: 'requests', amount: dice.whole(1, 90), unit: 'thousand requests' },
    { sku: 'LINE', meter: 'running', amount: dice.whole(1, 900), unit: 'hour' },
    { sku: 'PLAN', meter: 'plan-fee', amount: '1', unit: 'month' },
  );
  return dice.one([transfer], [other], [transfer, other]);
}

function offer(sku: string, kind: OfferRow['kind'], more: Partial<OfferRow> = {}): OfferRow {
  return {
    sku,
    kind,
    name: sku.toLowerCase(),
    family: '',
    processor: '',
    vcpu: null,
    memory: null,
    burstable: false,
    lifecycle: 'current',
    retires: null,
    replacedBy: null,
    note: '',
    ...more,
  };
}

const per = (price: string): ChargeRow => ({ structure: 'per-unit', price });

/** The same shape in both regions, at prices of their own. */
function inRegions(dice: Dice, sku: string, meter: string, shape: () => Shape): RateRow[] {
  const pooled = shape();
  return REGIONS.map((region, index) => {
    const own = index === 0 ? pooled : { ...shape(), more: pooled.more, unit: pooled.unit };
    const charge = own.charge.structure === pooled.charge.structure ? own.charge : pooled.charge;
    return {
      sku,
      region,
      meter,
      term: 'on-demand',
      unit: own.unit,
      charge,
      upfront: null,
      allowance: null,
      pool: 'component',
      ...own.more,
    };
  });
}

function tierable(dice: Dice): ChargeRow {
  const tiers = [
    { upTo: dice.whole(20, 500), price: dice.price(3) },
    { upTo: null, price: dice.price(3) },
  ];
  return dice.one<ChargeRow>(
    per(dice.price(3)),
    { structure: 'graduated', tiers },
    { structure: 'volume', tiers },
    { structure: 'per-block', block: dice.whole(1, 50), price: dice.price(2) },
  );
}

function allowance(dice: Dice, most: number): Partial<RateRow> {
  if (!dice.often(0.45)) return {};
  return {
    allowance: dice.whole(1, most),
    ...(dice.often(0.3) ? { allowanceMonths: dice.number(1, 6) } : {}),
  };
}

function pool(dice: Dice): Partial<RateRow> {
  return { pool: dice.one('component', 'region', 'provider', 'workspace') };
}

function basis(dice: Dice): Partial<RateRow> {
  return dice.often(0.4) ? { basis: 'set-aside' } : {};
}

function increments(dice: Dice): Partial<RateRow> {
  if (!dice.often(0.5)) return {};
  return {
    increment: dice.one(
      { step: '1', unit: 'second', least: '60' },
      { step: '1', unit: 'hour', least: null },
      { step: '5', unit: 'hour', least: null },
      { step: '30', unit: 'minute', least: '120' },
    ),
  };
}

type Bounds = Partial<Record<keyof typeof NONE, number>>;

function minimums(dice: Dice, bounds: Bounds): Partial<RateRow> {
  if (!dice.often(0.4)) return {};
  const own = Object.fromEntries(
    Object.entries(bounds).map(([field, most]) => [field, dice.often(0.5) ? dice.whole(1, most) : null]),
  );
  return { minimums: { ...NONE, ...own } };
}

function onDemandRates(dice: Dice, sku: string, sized: boolean, hosts = false): RateRow[] {
  const unit = sized ? dice.one('hour', 'hour', 'second', 'vCPU-hour') : dice.one('hour', 'second');
  const timed = unit !== 'vCPU-hour';
  const lasting = unit === 'second' ? 3600 : 1;
  const times = (value: string): string => String(Number(value) * lasting);
  const price = (digits: number): string =>
    unit === 'second' ? dice.price(digits + 3, 0.001) : dice.price(digits);
  const rows = inRegions(dice, sku, 'running', () => {
    const simple = dice.often(0.5);
    const charge: ChargeRow = simple
      ? per(price(4))
      : {
          structure: dice.one('graduated', 'volume'),
          tiers: [
            { upTo: times(dice.whole(200, 1500)), price: price(4) },
            { upTo: null, price: price(4) },
          ],
        };
    const least = minimums(dice, { each: hosts ? 500 : 300, count: 4, total: 2500 }).minimums;
    const scaled = least && {
      ...least,
      each: least.each && (timed ? times(least.each) : String((Number(least.each) % 9) + 1)),
      total: least.total && times(least.total),
    };
    const free = allowance(dice, 900);
    return {
      unit,
      charge,
      more: {
        ...increments(dice),
        ...(scaled ? { minimums: scaled } : {}),
        ...free,
        ...(free.allowance ? { allowance: times(free.allowance) } : {}),
        ...pool(dice),
        ...sustainedUse(dice),
        ...(timed && simple && dice.often(0.35) ? { monthlyCap: dice.whole(5, 120) } : {}),
      },
    };
  });
  const capped = rows.map((rate) =>
    rate.charge.structure === 'per-unit' ? rate : { ...rate, monthlyCap: undefined },
  );
  return withoutUndefined(capped);
}

function runningRates(dice: Dice, sku: string, hosts = false): RateRow[] {
  const listed = onDemandRates(dice, sku, true, hosts);
  const { unit } = listed[0]!;
  return [
    ...listed,
    ...promises(dice).flatMap(({ term, early, upfront }) =>
      inRegions(dice, sku, 'running', () => ({
        unit: dice.often(0.8) ? 'hour' : 'second',
        charge: per(dice.price(6, 0.01)),
        more: {
          term,
          early,
          upfront: upfront && dice.whole(20, 400),
          ...(dice.often(0.4)
            ? { minimums: { ...NONE, count: dice.whole(1, 5), total: dice.one(null, '1500') } }
            : {}),
        },
      })),
    ),
    ...(['spend-12-none', 'spend-12-all', 'spend-36-part'] as const).flatMap((term) =>
      inRegions(dice, sku, 'running', () => ({
        unit: dice.one('hour', 'second', unit),
        charge: per(dice.price(5, 0.05)),
        more: { term },
      })),
    ),
    ...inRegions(dice, sku, 'running', () => {
      const low = dice.price(3, 0.05);
      return {
        unit: 'hour',
        charge: per((Number(low) + 0.01).toFixed(3)),
        more: {
          term: 'interruptible',
          range: { low, high: (Number(low) + 0.05).toFixed(3) },
          ...pool(dice),
          ...allowance(dice, 200),
        },
      };
    }),
  ];
}

function sustainedUse(dice: Dice): Partial<RateRow> {
  if (!dice.often(0.35)) return {};
  return {
    sustained: [
      { upTo: '0.25', multiplier: '1' },
      { upTo: '0.5', multiplier: '0.8' },
      { upTo: '1', multiplier: '0.5' },
    ],
  };
}

function withoutUndefined(rates: readonly RateRow[]): RateRow[] {
  return rates.map((rate) => JSON.parse(JSON.stringify(rate)) as RateRow);
}

interface Promised {
  readonly term: RateRow['term'];
  readonly early: RateRow['early'];
  readonly upfront: string | null;
}

function promises(dice: Dice): Promised[] {
  return (['12-none', '12-part', '12-all', '36-part'] as const).map((term) => ({
    term,
    early: dice.one(
      null,
      { rule: 'rest-due' as const },
      { rule: 'fee' as const, share: '0.3' },
      { rule: 're-rate' as const },
    ),
    upfront: term.endsWith('none') ? null : '1',
  }));
}

function licenceRates(dice: Dice, sku: string): RateRow[] {
  const timed = dice.often(0.3);
  return inRegions(dice, sku, 'licence.ledger-db', () => ({
    unit: timed ? 'hour' : 'core-hour',
    charge: timed ? per(dice.price(3)) : tierable(dice),
    more: {
      ...minimums(dice, { each: 8, count: 3 }),
      ...(timed && dice.often(0.5) ? { monthlyCap: dice.whole(5, 90) } : {}),
      ...pool(dice),
      ...allowance(dice, 400),
    },
  }));
}

function fees(dice: Dice, sku: string): RateRow[] {
  if (!dice.often(0.4)) return [];
  return inRegions(dice, sku, dice.one('fee', 'set-up'), () => ({
    unit: 'month',
    charge: { structure: 'flat', amount: dice.whole(1, 50), once: dice.often(0.5) },
  }));
}

function freeRates(dice: Dice): RateRow[] {
  const parts = (most: number): ChargeRow => ({
    structure: 'by-parts',
    vcpu: dice.price(4, most),
    memory: dice.price(5, most / 10),
    gpu: null,
  });
  return [
    ...inRegions(dice, 'S-FREE', 'running', () => ({
      unit: 'hour',
      charge: parts(0.05),
      more: {
        ...increments(dice),
        ...allowance(dice, 300),
        ...minimums(dice, { each: 200, count: 3, total: 900 }),
        ...sustainedUse(dice),
      },
    })),
    ...promises(dice).flatMap(({ term, early, upfront }) =>
      inRegions(dice, 'S-FREE', 'running', () => ({
        unit: 'hour',
        charge: parts(0.03),
        more: { term, early, upfront: upfront && dice.whole(20, 400) },
      })),
    ),
    ...inRegions(dice, 'S-FREE', 'running', () => ({
      unit: 'hour',
      charge: parts(0.03),
      more: { term: 'spend-12-none' },
    })),
  ];
}

function heldRates(dice: Dice, sku: string, meter: string, base: string): RateRow[] {
  return inRegions(dice, sku, meter, () => ({
    unit: `${base}-month`,
    charge: tierable(dice),
    more: {
      ...allowance(dice, 300),
      ...pool(dice),
      ...basis(dice),
      ...minimums(dice, { each: 90, count: 3, total: 800, keptDays: 45 }),
    },
  }));
}

function eventRates(dice: Dice, sku: string, meter: string): RateRow[] {
  return inRegions(dice, sku, meter, () => ({
    unit: dice.one('thousand requests', 'million requests'),
    charge: tierable(dice),
    more: {
      ...(dice.often(0.5) ? { increment: { step: '64', unit: 'KiB', least: dice.one(null, '128') } } : {}),
      ...allowance(dice, 20),
      ...pool(dice),
      ...minimums(dice, { each: 5, count: 3, total: 40 }),
    },
  }));
}

function moneyRates(dice: Dice, sku: string, meter: string, unit: string, credit: boolean): RateRow[] {
  return (['12-none', '12-part', '12-all', '36-part'] as const).flatMap((term) => {
    const recurring = term === '12-all' ? '0' : term.endsWith('none') ? '1' : '0.5';
    const price = credit && term !== '12-all' ? (Number(recurring) * 0.9).toFixed(2) : recurring;
    const upfront = term.endsWith('none') ? null : term === '12-all' ? '11' : '6';
    const early = dice.one(null, { rule: 'rest-due' as const }, { rule: 'fee' as const, share: '0.4' });
    const overage = credit && dice.often(0.4) ? '1.1' : null;
    const charge: ChargeRow =
      credit && dice.often(0.5)
        ? {
            structure: 'volume',
            tiers: [
              { upTo: '100', price },
              { upTo: null, price: (Number(price) * 0.9).toFixed(4) },
            ],
          }
        : per(price);
    return inRegions(dice, sku, meter, () => ({
      unit,
      charge,
      more: { term, upfront, early, ...(overage ? { overage } : {}) },
    }));
  });
}
