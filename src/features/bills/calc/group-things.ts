/** A bill by what its things say: service, account, region, a tag. Source: FOCUS; need P8. */
import { type Decimal, decimal, ZERO } from '@/engine/base';
import type { BillThing } from './bill';

export const GROUPED_BY = ['service', 'account', 'region', 'resource', 'sku', 'category'] as const;
/** `tag:` and a key: by the value of that tag. */
export type GroupedBy = (typeof GROUPED_BY)[number] | `tag:${string}`;

export interface ThingGroup {
  /** Empty: those that do not say. */
  readonly name: string;
  readonly rows: number;
  readonly list: string;
  readonly contracted: string;
  readonly billed: string;
  readonly effective: string;
}

/**
 * What costs most first; of equals in the order of their names. Together they are the bill.
 *
 * @example
 * groupThings([thing, { ...thing, service: 'Other', effective: '200' }], 'service').map(({ name }) => name); // => ['Other', 'Servers']
 */
export function groupThings(things: readonly BillThing[], by: GroupedBy): ThingGroup[] {
  const sums = new Map<
    string,
    { rows: number } & Record<'list' | 'contracted' | 'billed' | 'effective', Decimal>
  >();
  const nameOf = (thing: BillThing): string =>
    by.startsWith('tag:')
      ? Object.hasOwn(thing.tags, by.slice(4))
        ? thing.tags[by.slice(4)]!
        : ''
      : thing[by as (typeof GROUPED_BY)[number]];
  for (const thing of things) {
    const name = nameOf(thing);
    const sum = sums.get(name) ?? { rows: 0, list: ZERO, contracted: ZERO, billed: ZERO, effective: ZERO };
    sums.set(name, {
      rows: sum.rows + thing.rows,
      list: sum.list.plus(thing.list),
      contracted: sum.contracted.plus(thing.contracted),
      billed: sum.billed.plus(thing.billed),
      effective: sum.effective.plus(thing.effective),
    });
  }
  return [...sums]
    .sort(([a, x], [b, y]) => y.effective.comparedTo(x.effective) || (a < b ? -1 : 1))
    .map(([name, { rows, ...money }]) => ({
      ...{ name, rows, list: money.list.toString(), contracted: money.contracted.toString() },
      ...{ billed: money.billed.toString(), effective: money.effective.toString() },
    }));
}

/**
 * Keys of tags that things carry, those on most money first.
 *
 * @example
 * tagKeys([thing]); // => ['component']
 */
export function tagKeys(things: readonly BillThing[]): string[] {
  const money = new Map<string, Decimal>();
  for (const { tags, effective } of things)
    for (const key of Object.keys(tags))
      money.set(key, (money.get(key) ?? ZERO).plus(decimal(effective).abs()));
  return [...money].sort(([a, x], [b, y]) => y.comparedTo(x) || (a < b ? -1 : 1)).map(([key]) => key);
}
