/** Random rates that mix rules on purpose, the same shape in both regions at prices of their own. */
import type { RateRow } from '@/features/price-books/format/price-book-schema';
import type { Dice } from './dice';

type ChargeRow = RateRow['charge'];

export const REGIONS = ['severn', 'elbe'] as const;

interface Shape {
  readonly unit: string;
  readonly charge: ChargeRow;
  readonly more?: Partial<RateRow>;
}

const NONE = { each: null, count: null, total: null, keptDays: null };

export const per = (price: string): ChargeRow => ({ structure: 'per-unit', price });

/** The same shape in both regions, at prices of their own. */
export function inRegions(dice: Dice, sku: string, meter: string, shape: () => Shape): RateRow[] {
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

export function tierable(dice: Dice): ChargeRow {
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

export function allowance(dice: Dice, most: number): Partial<RateRow> {
  if (!dice.often(0.45)) return {};
  return {
    allowance: dice.whole(1, most),
    ...(dice.often(0.3) ? { allowanceMonths: dice.number(1, 6) } : {}),
  };
}

export function pool(dice: Dice): Partial<RateRow> {
  return { pool: dice.one('component', 'region', 'provider', 'workspace') };
}

export function basis(dice: Dice): Partial<RateRow> {
  return dice.often(0.4) ? { basis: 'set-aside' } : {};
}

export function increments(dice: Dice): Partial<RateRow> {
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

export function minimums(dice: Dice, bounds: Bounds): Partial<RateRow> {
  if (!dice.often(0.4)) return {};
  const own = Object.fromEntries(
    Object.entries(bounds).map(([field, most]) => [field, dice.often(0.5) ? dice.whole(1, most) : null]),
  );
  return { minimums: { ...NONE, ...own } };
}

export function onDemandRates(dice: Dice, sku: string, sized: boolean, hosts = false): RateRow[] {
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

export function runningRates(dice: Dice, sku: string, hosts = false): RateRow[] {
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

export function sustainedUse(dice: Dice): Partial<RateRow> {
  if (!dice.often(0.35)) return {};
  return {
    sustained: [
      { upTo: '0.25', multiplier: '1' },
      { upTo: '0.5', multiplier: '0.8' },
      { upTo: '1', multiplier: '0.5' },
    ],
  };
}

export function withoutUndefined(rates: readonly RateRow[]): RateRow[] {
  return rates.map((rate) => JSON.parse(JSON.stringify(rate)) as RateRow);
}

interface Promised {
  readonly term: RateRow['term'];
  readonly early: RateRow['early'];
  readonly upfront: string | null;
}

export function promises(dice: Dice): Promised[] {
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

export function licenceRates(dice: Dice, sku: string): RateRow[] {
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

export function fees(dice: Dice, sku: string): RateRow[] {
  if (!dice.often(0.4)) return [];
  return inRegions(dice, sku, dice.one('fee', 'set-up'), () => ({
    unit: 'month',
    charge: { structure: 'flat', amount: dice.whole(1, 50), once: dice.often(0.5) },
  }));
}

export function freeRates(dice: Dice): RateRow[] {
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

export function heldRates(dice: Dice, sku: string, meter: string, base: string): RateRow[] {
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

export function eventRates(dice: Dice, sku: string, meter: string): RateRow[] {
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
