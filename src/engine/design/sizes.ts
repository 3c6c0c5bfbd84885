/**
 * A quantity as a list of instances: "3 of 40, 1 of 2100". Like every quantity it is what one unit of the component
 * has; the amount of the entry is its sum. Source: pricing rules, "Charge structures"; need G14.
 */
import { addAll, decimal } from '../base';
import { kindOf } from '../books';
import { isRanged, mapCased } from '../usage';
import type { Component, SizeRow, UsageEntry } from './component';
import type { Edit } from './edit';

/**
 * The entry with these instances; its amount is their sum, in every case.
 *
 * @example
 * withSizes({ amount: { likely: '0' }, unit: 'GiB' }, [{ count: '3', amount: '40' }]).amount.likely; // => '120'
 */
export function withSizes(entry: UsageEntry, sizes: readonly SizeRow[]): UsageEntry {
  const sum = addAll(sizes.map((row) => decimal(row.count).times(decimal(row.amount))));
  return { ...entry, amount: { likely: sum.toString() }, sizes };
}

/**
 * A list of the one instance there is; nothing costs more or less by it.
 *
 * @example
 * asList({ amount: { likely: '40' }, unit: 'GiB' }).sizes; // => [{ count: '1', amount: '40' }]
 */
export function asList(entry: UsageEntry): UsageEntry {
  return withSizes(entry, [{ count: '1', amount: entry.amount.likely }]);
}

/**
 * @example
 * asOneAmount({ amount: { likely: '120' }, unit: 'GiB', sizes: [{ count: '3', amount: '40' }] }).sizes === undefined; // => true
 */
export function asOneAmount({ sizes: _, ...entry }: UsageEntry): UsageEntry {
  return entry;
}

/**
 * Several equal units as one unit with a list of as many instances, so that each can be put right: of something that
 * is only held and used, not of something that runs. Null: it runs, has a range, or there is no such entry.
 *
 * @example
 * unitsAsList(server, 'running'); // => null
 */
export function unitsAsList(component: Component, meter: string): Edit[] | null {
  const entry = component.usage[meter];
  const onlyHeld = kindOf(component.kind).meters.every(({ from }) =>
    ['held', 'monthly', 'count'].includes(from),
  );
  const { id, count } = component;
  // A list has no lean and no heavy: a range is not given up for it.
  if (!entry || entry.sizes || !onlyHeld || isRanged(count) || isRanged(entry.amount)) return null;
  const all = (text: string): string => decimal(text).times(count.likely).toString();
  const others = Object.entries(component.usage).filter(([key]) => key !== meter);
  return [
    { edit: 'set-component', id, field: 'count', value: { likely: '1' } },
    {
      edit: 'set-usage',
      id,
      meter,
      value: withSizes(entry, [{ count: count.likely, amount: entry.amount.likely }]),
    },
    ...others.map(([key, other]): Edit => ({
      edit: 'set-usage',
      id,
      meter: key,
      value: other.sizes
        ? withSizes(
            other,
            other.sizes.map((row) => ({ ...row, count: all(row.count) })),
          )
        : {
            ...other,
            amount: mapCased(other.amount, all),
            ...(other.setAside ? { setAside: mapCased(other.setAside, all) } : {}),
          },
    })),
  ];
}
