import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { componentOf, designOf, SEVERN } from '@tests/support/designs';
import { WIDE_BOOKS } from '@tests/support/wide-designs';
import { usageEntry } from '@/features/design/format/use-fields';
import { priceDesign } from '../pricing';
import {
  applyEdits,
  asList,
  asOneAmount,
  type Component,
  findComponent,
  unitsAsList,
  type UsageEntry,
  withSizes,
} from './';

const gib = (likely: string): UsageEntry => ({ amount: { likely }, unit: 'GiB' });
const inWide = (kind: Component['kind'], sku: string, meter: string, entry: UsageEntry, count: string) =>
  componentOf({
    id: 'a',
    kind,
    place: { ...SEVERN, book: 'wide' },
    choice: { by: 'sku', sku },
    count: { likely: count },
    usage: { [meter]: entry },
  });

function costOf(component: Component): string {
  const design = designOf([component], { books: [{ book: 'wide', revision: 1 }] });
  return priceDesign(design, WIDE_BOOKS, 'likely').monthly.value.toDecimalPlaces(12).toString();
}

describe('a list of sizes', () => {
  it('has their sum as its amount, and forgets lean and heavy', () => {
    const entry = withSizes({ amount: { lean: '1', likely: '2', heavy: '9' }, unit: 'GiB' }, [
      { count: '3', amount: '40' },
      { count: '1', amount: '2100.5' },
    ]);
    expect(entry).toMatchObject({ amount: { likely: '2220.5' }, unit: 'GiB' });
    expect(usageEntry.safeParse(entry).success).toBe(true);
  });

  it('begins with the one there is, and ends as the amount it has come to', () => {
    expect(asList(gib('40'))).toEqual({ ...gib('40'), sizes: [{ count: '1', amount: '40' }] });
    const listed = withSizes(gib('0'), [
      { count: '1', amount: '10' },
      { count: '1', amount: '50' },
    ]);
    expect(asOneAmount(listed)).toEqual(gib('60'));
  });

  const metered = [
    ['per unit', 'block-volume', 'VOL', 'capacity'],
    ['in steps', 'backup', 'BACKUP', 'protected'],
    ['with a least amount of each', 'file-share', 'SHARE', 'stored'],
  ] as const;
  const amounts = fc.integer({ min: 1, max: 3000 }).map(String);
  const counts = fc.integer({ min: 1, max: 30 }).map(String);

  it.each(metered)('costs what its one amount costs: %s', (_, kind, sku, meter) => {
    fc.assert(
      fc.property(amounts, counts, (amount, count) => {
        const [one, list] = [gib(amount), asList(gib(amount))].map((entry) =>
          costOf(inWide(kind, sku, meter, entry, count)),
        );
        expect(list).toBe(one);
      }),
      { numRuns: 40 },
    );
  });

  it.each(metered)('of all units costs what the units cost one by one: %s', (_, kind, sku, meter) => {
    fc.assert(
      fc.property(amounts, counts, (amount, count) => {
        const units = inWide(kind, sku, meter, gib(amount), count);
        const edits = unitsAsList(units, meter)!;
        const applied = applyEdits(designOf([units]), edits);
        const listed = applied.ok && findComponent(applied.value.design, 'a');
        if (!listed) throw new Error('refused');
        expect(listed.count).toEqual({ likely: '1' });
        expect(costOf(listed)).toBe(costOf(units));
        expect(usageEntry.safeParse(listed.usage[meter]).success).toBe(true);
      }),
      { numRuns: 40 },
    );
  });

  it('of all units carries what else they hold along, and is not made of what runs', () => {
    const backup = {
      ...inWide('backup', 'BACKUP', 'protected', gib('300'), '4'),
      usage: {
        protected: gib('300'),
        stored: { amount: { likely: '10', heavy: '12' }, unit: 'GiB', setAside: { likely: '20' } },
        restored: { ...gib('3'), sizes: [{ count: '3', amount: '1' }] },
      },
    };
    const values = unitsAsList(backup, 'protected')!.map((edit) => (edit as { value: unknown }).value);
    expect(values.slice(2)).toEqual([
      { amount: { likely: '40', heavy: '48' }, unit: 'GiB', setAside: { likely: '80' } },
      { ...gib('12'), sizes: [{ count: '12', amount: '1' }] },
    ]);
    expect(unitsAsList(inWide('relational-database', 'DB', 'stored', gib('5'), '2'), 'stored')).toBeNull();
    expect(unitsAsList({ ...backup, count: { likely: '4', heavy: '6' } }, 'protected')).toBeNull();
    expect(unitsAsList(backup, 'stored')).toBeNull();
    expect(unitsAsList(backup, 'restored')).toBeNull();
    expect(unitsAsList(backup, 'nothing')).toBeNull();
  });
});
