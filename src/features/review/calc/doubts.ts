/** Why a line has no amount, or no certain one; and which use is missing, with what a unit of it costs. */
import type { Component } from '@/engine/design';
import { type Kind, type MeterDefinition, meterOfKind, type Rate } from '@/engine/books';
import type { Decimal } from '@/engine/base';
import type { BookSet, PricedLine } from '@/engine/pricing';
import type { ReviewSetting } from './designs';
import type { MappedLine } from './extract';
import type { Doubt, MissingUse } from './model';

/** What no plan knows, and the profile can say. */
const OF_USE: ReadonlySet<string> = new Set(['usage.missing', 'load.missing', 'load.incomplete']);

export function doubtsOfLine(
  mapped: readonly (MappedLine | null)[],
  priced: readonly (PricedLine | null)[],
  missing: readonly MissingUse[],
): Doubt[] {
  const doubts = new Set<Doubt>();
  for (const line of mapped) {
    if (line?.is === 'unknown') doubts.add('unknown');
    if (line?.is === 'secret') doubts.add('secret');
    if (line?.is === 'fault') doubts.add('rule-fault');
  }
  for (const line of priced)
    if (line?.status === 'unpriced')
      doubts.add(line.issues.every(({ code }) => OF_USE.has(code)) ? 'usage-missing' : 'no-price');
  if (missing.length > 0) doubts.add('usage-missing');
  return [...doubts];
}

/** What the engine itself missed, in its own words. */
export function missingUse(
  component: Component,
  line: PricedLine | null,
  books: BookSet,
  setting: ReviewSetting,
): MissingUse[] {
  const said = line === null ? [] : line.status === 'priced' ? line.notices : line.issues;
  return said.flatMap(({ code, path }): MissingUse[] => {
    if (code !== 'usage.missing' && code !== 'usage.counted-as-none') return [];
    const [, meter] = path;
    const definition = typeof meter === 'string' ? meterOfKind(component.kind as Kind, meter) : undefined;
    if (!definition) return [];
    return [missingOf(definition, code === 'usage.missing', component, books, setting)];
  });
}

function missingOf(
  { meter, label, enteredIn }: MeterDefinition,
  needed: boolean,
  { place, choice }: Component,
  books: BookSet,
  { books: pins, currency }: ReviewSetting,
): MissingUse {
  const pin = place && pins.find(({ book }) => book === place.book);
  const book = pin && books.get(pin.book, pin.revision);
  const rate =
    book && choice.by === 'sku'
      ? book
          .ratesOf(choice.sku, place.region)
          .find((each) => each.meter === meter && each.term === 'on-demand')
      : undefined;
  const price = rate && book?.currency === currency ? firstPrice(rate) : null;
  return { meter, label, needed, unit: rate?.unit ?? enteredIn, price: price?.toString() ?? null };
}

/** Where its prices begin: the first tier that is not free. */
function firstPrice({ charge }: Rate): Decimal | null {
  switch (charge.structure) {
    case 'per-unit':
      return charge.price;
    case 'graduated':
    case 'volume':
      return charge.tiers.map(({ price }) => price).find((price) => !price.isZero()) ?? null;
    default:
      return null;
  }
}
