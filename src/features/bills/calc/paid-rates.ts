/**
 * What was really paid for a unit: list and contracted apart, by SKU, region and unit; and how that differs from a price
 * book. Needs B24, Q9; opening 34.
 */
import { addAll, type Decimal, decimal, ZERO } from '@/engine/base';
import { type Kind, meterOfKind } from '@/engine/books';
import type { Charge } from '@/engine/rates';
import { conversionFactor } from '@/engine/units';
import type { BillThing } from './bill';
import { billUnit } from './bill-unit';

export interface PaidPrice {
  readonly price: string;
  /** Rows say several prices, or none: it is money over quantity. */
  readonly isMean: boolean;
}

export interface PaidRate {
  readonly service: string;
  readonly sku: string;
  readonly region: string;
  /** As the bill calls it. */
  readonly meter: string;
  readonly description: string;
  /** In which it is stated. */
  readonly unit: string;
  readonly quantity: string;
  readonly rows: number;
  /** Null: the bill does not say. */
  readonly list: PaidPrice | null;
  readonly contracted: PaidPrice | null;
}

const DIGITS = 15;

/**
 * Use with a quantity only; what is put right, taxed or bought ahead has no rate. What costs most first.
 *
 * @example
 * paidRates([{ ...thing, listUnitPrice: '0.1', contractedUnitPrice: '0.09' }]).map(({ list, contracted }) => [list?.price, contracted?.price]); // => [['0.1', '0.09']]
 */
export function paidRates(things: readonly BillThing[]): PaidRate[] {
  const groups = new Map<string, BillThing[]>();
  for (const thing of things) {
    const { category, isCorrection, quantity, sku, region, unit, commitmentStatus } = thing;
    if (category !== 'Usage' || isCorrection || quantity === null || commitmentStatus === 'Unused') continue;
    if (decimal(quantity).lessThanOrEqualTo(0)) continue;
    const key = JSON.stringify([sku, region, unit, thing.meter]);
    const group = groups.get(key) ?? [];
    groups.set(key, group);
    group.push(thing);
  }
  return [...groups.values()]
    .map((group) => ({ group, worth: addAll(group.map(({ effective }) => decimal(effective))) }))
    .sort((a, b) => b.worth.comparedTo(a.worth))
    .map(({ group }) => rateOf(group));
}

function rateOf(group: readonly BillThing[]): PaidRate {
  const { service, sku, region, meter, description, unit } = group[0]!;
  const quantity = addAll(group.map((each) => decimal(each.quantity!)));
  return {
    ...{ service, sku, region, meter, description, unit, quantity: quantity.toString() },
    rows: group.reduce((sum, { rows }) => sum + rows, 0),
    list: priceOf(group, 'listUnitPrice', 'list', quantity),
    contracted: priceOf(group, 'contractedUnitPrice', 'contracted', quantity),
  };
}

function priceOf(
  group: readonly BillThing[],
  said: 'listUnitPrice' | 'contractedUnitPrice',
  money: 'list' | 'contracted',
  quantity: Decimal,
): PaidPrice | null {
  const prices = new Set(group.map((each) => each[said]));
  const [only] = prices;
  if (prices.size === 1 && only) return { price: only, isMean: false };
  const sum = addAll(group.map((each) => decimal(each[money])));
  return sum.isZero()
    ? null
    : { price: sum.dividedBy(quantity).toDecimalPlaces(DIGITS).toString(), isMean: true };
}

/** A rate of a book, on demand. */
export interface ListedRate {
  readonly sku: string;
  readonly region: string;
  readonly meter: string;
  readonly unit: string;
  readonly charge: Charge;
  /** Either makes the price of an hour hang on how many there are. */
  readonly sustained?: unknown;
  readonly monthlyCap?: unknown;
}

export type RateState =
  | 'same'
  | 'other-price'
  /** The book has no such SKU, or does not sell it there. */
  | 'unknown-sku'
  | 'unknown-region'
  /** Nothing of it is counted in such a unit. */
  | 'other-unit'
  /** Several of its meters are, and none is called so. */
  | 'several-meters'
  /** The price hangs on how much is used: one bill does not say the tiers. */
  | 'tiers'
  | 'no-price';

export interface HeldRate {
  readonly paid: PaidRate;
  readonly state: RateState;
  /** Of the book; null: none was found. */
  readonly meter: string | null;
  readonly unit: string | null;
  /** Of one unit of the book; null: not one price. */
  readonly listed: string | null;
  readonly list: string | null;
  readonly contracted: string | null;
  /** List price less the book's, times what was used: money of this bill. */
  readonly difference: string | null;
}

/**
 * Each paid rate beside the book's. `kinds`: the kind of each SKU.
 *
 * @example
 * const [paid] = paidRates([{ ...thing, sku: 'A-4', region: 'severn', unit: 'Hours', quantity: '100', listUnitPrice: '0.11' }]);
 * const rates = [{ sku: 'A-4', region: 'severn', meter: 'running', unit: 'hour', charge: { structure: 'per-unit', price: decimal('0.1') } }];
 * const [held] = holdRates([paid], rates, new Map([['A-4', 'server']]));
 * [held.state, held.listed, held.list, held.difference]; // => ['other-price', '0.1', '0.11', '1']
 */
export function holdRates(
  paid: readonly PaidRate[],
  rates: readonly ListedRate[],
  kinds: ReadonlyMap<string, Kind>,
): HeldRate[] {
  const bySku = new Map<string, ListedRate[]>();
  for (const rate of rates) bySku.set(rate.sku, [...(bySku.get(rate.sku) ?? []), rate]);
  return paid.map((each) => holdRate(each, bySku.get(each.sku), kinds.get(each.sku)));
}

function holdRate(
  paid: PaidRate,
  ofSku: readonly ListedRate[] | undefined,
  kind: Kind | undefined,
): HeldRate {
  const nothing = { meter: null, unit: null, listed: null, list: null, contracted: null, difference: null };
  const cannot = (state: RateState): HeldRate => ({ paid, state, ...nothing });
  if (!ofSku || kind === undefined) return cannot('unknown-sku');
  const here = ofSku.filter(({ region }) => region === paid.region);
  if (here.length === 0) return cannot('unknown-region');
  const read = billUnit(paid.unit);
  const fitting = here.flatMap((rate) => {
    const factor = read && conversionFactor(read.unit, rate.unit);
    return factor?.ok ? [{ rate, factor: factor.value.times(read!.factor) }] : [];
  });
  if (fitting.length === 0) return cannot('other-unit');
  const named = fitting.filter(({ rate }) => isCalled(rate, kind, paid.meter));
  const [found, ...others] = fitting.length === 1 ? fitting : named;
  if (!found || others.length > 0) return cannot('several-meters');
  const { rate, factor } = found;
  const inUnit = (price: PaidPrice | null): Decimal | null =>
    price && decimal(price.price).dividedBy(factor).toDecimalPlaces(DIGITS);
  const [list, contracted] = [inUnit(paid.list), inUnit(paid.contracted)];
  const told = {
    ...{ paid, meter: rate.meter, unit: rate.unit },
    ...{ list: list?.toString() ?? null, contracted: contracted?.toString() ?? null },
  };
  const listed = priceOfAll(rate);
  if (listed === null) return { ...told, state: 'tiers', listed: null, difference: null };
  if (!list) return { ...told, state: 'no-price', listed: listed.toString(), difference: null };
  // Prices that were worked out by dividing are the same where they print alike.
  const isSame = list.minus(listed).abs().lessThanOrEqualTo(listed.abs().times(ALIKE));
  const difference = isSame ? ZERO : list.minus(listed).times(paid.quantity).times(factor);
  return {
    ...told,
    state: isSame ? 'same' : 'other-price',
    listed: listed.toString(),
    difference: difference.toDecimalPlaces(DIGITS).toString(),
  };
}

/** Null: it hangs on how much is used. */
function priceOfAll({ charge, sustained, monthlyCap }: ListedRate): Decimal | null {
  return charge.structure === 'per-unit' && !sustained && !monthlyCap ? charge.price : null;
}

const ALIKE = '0.000000001';

function isCalled({ meter }: ListedRate, kind: Kind, called: string): boolean {
  const name = called.trim().toLowerCase();
  return name === meter || name === meterOfKind(kind, meter)?.label.toLowerCase();
}
