/** Random price books that mix rules on purpose, within what a book may say. */
import { offer } from '@tests/support/offers';
import type { OfferRow, PriceBookFile, RateRow } from '@/features/price-books/format/price-book-schema';
import type { Dice } from './dice';
import { moneyRates } from './mixed-money';
import {
  REGIONS,
  allowance,
  basis,
  eventRates,
  fees,
  freeRates,
  heldRates,
  inRegions,
  increments,
  licenceRates,
  minimums,
  onDemandRates,
  per,
  pool,
  promises,
  runningRates,
  tierable,
} from './mixed-rates';

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
          { dimension: 'new-connections', label: 'Connections begun a second', carries: '40', unit: 'item' },
          { dimension: 'open-connections', label: 'Connections held', carries: '2000', unit: 'item' },
          { dimension: 'data', label: 'Gigabytes an hour', carries: '2', unit: 'GB' },
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
