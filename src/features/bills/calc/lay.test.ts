import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyRow, NOVEMBER, thingOf, thingsOf } from '@tests/support/bills';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf, storeOf, transferOf } from '@tests/support/designs';
import { addAll, decimal } from '@/engine/base';
import { allComponents, type Design } from '@/engine/design';
import { billLines } from '@/features/bills/words';
import type { BillPeriod, BillThing } from './bill';
import { expectedBill } from './expected';
import { expectedRows } from './expected-rows';
import { layBill } from './lay';
import { measuredEntries } from './measured';
import { relationsOf } from './relations';
import { type BillRule, takeThings } from './rules';

const books = smallBooks();
const quay = designOf([
  serverOf('web', { count: { likely: '2' } }),
  transferOf('out', { likely: '300' }),
  storeOf('store', {
    stored: { amount: { likely: '50' }, unit: 'GB' },
    reads: { amount: { likely: '2000000' }, unit: 'request' },
    writes: { amount: { likely: '0' }, unit: 'request' },
  }),
]);
const byTag = (design: Design): BillRule[] =>
  allComponents(design).map(({ id }) => ({
    id,
    when: { tag: { key: 'component', value: id } },
    to: id,
  }));

interface Laid {
  readonly design?: Design;
  readonly period?: BillPeriod;
  readonly newest?: string | null;
  readonly rules?: readonly BillRule[];
  readonly completeness?: readonly string[];
  readonly basis?: 'effective' | 'billed';
}

function laid(things: readonly BillThing[], how: Laid = {}) {
  const { design = quay, period = NOVEMBER, newest = '2026-11-30', completeness = [] } = how;
  const expected = expectedBill(design, books, period, 'USD');
  const ids = new Set(allComponents(design).map(({ id }) => id));
  const taken = takeThings(things, how.rules ?? byTag(design), ids);
  return layBill({ design, expected, taken, period, newest, basis: how.basis ?? 'effective', completeness });
}

describe('what is expected', () => {
  it('of a calendar month counts its own hours; of another period its share of the design’s month', () => {
    const of = (period: BillPeriod) =>
      expectedBill(quay, books, period, 'USD').meters.find(({ component }) => component === 'web')!;
    // 720 and 744 hours at 0.10, two servers.
    expect(of(NOVEMBER)).toMatchObject({ quantity: '1440', cost: '144', unit: 'hour' });
    expect(of({ from: '2026-10-01', to: '2026-11-01' })).toMatchObject({ quantity: '1488', cost: '148.8' });
    // Ten days of a 730-hour month.
    const ten = of({ from: '2026-11-05', to: '2026-11-15' });
    expect(decimal(ten.cost).minus('48').abs().lessThan('1e-12')).toBe(true);
    expect(decimal(ten.quantity!).minus('480').abs().lessThan('1e-12')).toBe(true);
  });

  it('is told as missing where a line has no amount, never as nothing', () => {
    const design = designOf([serverOf('web'), serverOf('gone', { choice: { by: 'sku', sku: 'NOT-THERE' } })]);
    expect(expectedBill(design, books, NOVEMBER, 'USD').without).toEqual(['gone']);
    // Nobody said what a EUR is in USD.
    expect(expectedBill(quay, books, NOVEMBER, 'EUR').without).toEqual(['web', 'out', 'store']);
  });
});

describe('a design’s own expectation, billed', () => {
  const asThings = (design: Design, period: BillPeriod): BillThing[] =>
    [...expectedRows(design, expectedBill(design, books, period, 'USD'), period)].map(
      ({ day: _, ...row }, at) => ({
        ...row,
        at,
        rows: 1,
      }),
    );

  it('differs by nothing, for any design and period', () => {
    const amount = fc.integer({ min: 1, max: 5000 }).map((likely) => ({ likely: String(likely) }));
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        amount,
        amount,
        fc.constantFrom(
          NOVEMBER,
          { from: '2027-02-01', to: '2027-03-01' },
          { from: '2026-11-17', to: '2026-12-17' },
        ),
        (count, out, stored, period) => {
          const design = designOf([
            serverOf('a', { count: { likely: String(count) } }),
            transferOf('b', out),
            storeOf('c', {
              stored: { amount: stored, unit: 'GB' },
              reads: { amount: out, unit: 'request' },
              writes: { amount: out, unit: 'request' },
            }),
          ]);
          const told = laid(asThings(design, period), { design, period, newest: '2027-12-31' });
          expect(told.variance).toEqual({
            ...{
              price: '0',
              quantity: '0',
              mix: '0',
              new: '0',
              gone: '0',
              corrections: '0',
              difference: '0',
            },
          });
          expect(told.billed).toBe(told.expected);
          expect(told.sections.some(({ part }) => part !== 'design')).toBe(false);
        },
      ),
      { numRuns: 25 },
    );
  });
});

const cellOf = (told: ReturnType<typeof laid>, component: string, meter: string) =>
  told.sections
    .flatMap(({ components }) => components)
    .find(({ id }) => id === component)!
    .meters.find((each) => each.meter === meter)!;

describe('a bill by hand', () => {
  const mine = { tags: { component: 'out' }, sku: 'OUT', meter: 'transferred', unit: 'GB' };

  it('finds its meter by name, else by the only one that is counted so', () => {
    const named = laid([thingOf({ ...mine, quantity: '663', effective: '500' })]);
    expect(cellOf(named, 'out', 'transferred').billed).toEqual({ cost: '500', quantity: '663', unit: 'GB' });
    const byUnit = laid([
      thingOf({ ...mine, meter: 'egress', unit: 'MB', quantity: '663000', effective: '5' }),
    ]);
    expect(cellOf(byUnit, 'out', 'transferred').billed).toEqual({ cost: '5', quantity: '663', unit: 'GB' });
    const another = laid([
      thingOf({ ...mine, meter: 'peering', unit: 'Ports', quantity: '2', effective: '5' }),
    ]);
    expect(cellOf(another, 'out', 'transferred').variance.gone).not.toBe('0');
    expect(another.variance.new).toBe('5');
  });

  it('keeps corrections, credits, taxes and what is not in the design apart', () => {
    const told = laid([
      thingOf({ ...mine, at: 0, quantity: '300', effective: '40' }),
      thingOf({ ...mine, at: 1, isCorrection: true, quantity: '-10', effective: '-4' }),
      thingOf({ at: 2, category: 'Credit', effective: '-7' }),
      thingOf({ at: 3, category: 'Tax', effective: '3' }),
      thingOf({ at: 4, service: 'Logs', sku: 'LOGS', effective: '9' }),
    ]);
    expect(told.sections.map(({ part, billed }) => [part, billed])).toEqual([
      ['design', '36'],
      ['outside', '9'],
      ['credits', '-7'],
      ['taxes', '3'],
    ]);
    expect(told.corrections).toBe('-11');
    // A correction is money alone: the quantity stands as it was billed.
    expect(cellOf(told, 'out', 'transferred').billed?.quantity).toBe('300');
    expect(told.billed).toBe('41');
  });

  it('counts used commitment as use, and tells what was paid for nothing', () => {
    const web = { tags: { component: 'web' }, unit: 'Hours', meter: 'running' };
    const told = laid([
      thingOf({ ...web, at: 0, commitmentStatus: 'Used', quantity: '1000', billed: '0', effective: '80' }),
      thingOf({ ...web, at: 1, commitmentStatus: 'Unused', quantity: '440', billed: '0', effective: '40' }),
      thingOf({ ...web, at: 2, category: 'Purchase', quantity: '1', billed: '120', effective: '0' }),
    ]);
    expect(cellOf(told, 'web', 'running').billed).toMatchObject({ cost: '80', quantity: '1000' });
    expect(cellOf(told, 'web', 'Commitment not used').variance.new).toBe('40');
    const money = laid(
      [
        thingOf({
          ...web,
          category: 'Purchase',
          description: 'A year',
          quantity: '1',
          billed: '120',
          effective: '0',
        }),
      ],
      { basis: 'billed' },
    );
    expect(money.billed).toBe('120');
  });

  it('expects for the days that are known, and less of those that are not whole', () => {
    const half = laid([], { newest: '2026-11-15' });
    expect(half.days).toEqual({ known: 15, worth: '15', all: 30 });
    expect(half.soFar).toBe(decimal(half.expected).dividedBy(2).toString());
    const late = laid([], { newest: '2026-11-15', completeness: ['0.5', '0.5'] });
    expect(late.days.worth).toBe('14');
    // Before the first day nothing is due, so nothing is gone.
    const none = laid([], { newest: null });
    expect([none.soFar, none.variance.gone]).toEqual(['0', '0']);
  });

  it('finds that each request moves another volume, and measures what was a guess', () => {
    const part = { tags: { component: 'store' }, sku: 'STORE' };
    const told = laid([
      thingOf({ ...mine, at: 0, quantity: '663', effective: '100' }),
      thingOf({ ...part, at: 1, meter: 'reads', unit: 'Requests', quantity: '500000', effective: '1' }),
    ]);
    expect(relationsOf(told)).toMatchObject([
      { is: 'volume', expected: '150000', billed: '1326000', requests: '0.25' },
    ]);
    const measured = measuredEntries(told, quay);
    expect(measured.map(({ component, meter, before, after }) => [component, meter, before, after])).toEqual([
      ['out', 'transferred', '300', '663'],
      ['store', 'reads', '2000000', '500000'],
    ]);
    expect(measured[0]!.edits[0]).toMatchObject({
      edit: 'set-usage',
      id: 'out',
      meter: 'transferred',
      value: { amount: { likely: '663', lean: '596.7', heavy: '729.3' } },
    });
    const early = laid([thingOf({ ...mine, quantity: '63', effective: '10' })], { newest: '2026-11-02' });
    expect(measuredEntries(early, quay)).toEqual([]);
  });
});

describe('any bill under any design', () => {
  it('adds up on every level, exact and printed', () => {
    fc.assert(
      fc.property(
        fc.array(anyRow, { maxLength: 25 }),
        fc.option(fc.integer({ min: 1, max: 30 }), { nil: null }),
        fc.constantFrom('effective' as const, 'billed' as const),
        (rows, day, basis) => {
          const design = designOf([serverOf('a'), transferOf('b', { likely: '300' })]);
          const newest = day === null ? null : `2026-11-${String(day).padStart(2, '0')}`;
          const told = laid(thingsOf(rows), { design, newest, basis });
          const all = addAll(rows.map((row) => decimal(row[basis])));
          expect(told.billed).toBe(all.toString());
          const sum = (texts: readonly string[]): string =>
            addAll(texts.map((each) => decimal(each))).toString();
          expect(sum(told.sections.map(({ billed }) => billed))).toBe(told.billed);
          for (const { components, ...section } of told.sections) {
            expect(sum(components.map(({ billed }) => billed))).toBe(section.billed);
            expect(sum(components.map(({ variance }) => variance.difference))).toBe(
              section.variance.difference,
            );
          }
          expect(decimal(told.billed).minus(told.soFar).toString()).toBe(told.variance.difference);
          const { lines, total } = billLines(told, {});
          for (const column of ['expected', 'soFar', 'billed', 'difference'] as const) {
            const of = (parent: string | null): string =>
              sum(lines.flatMap((line) => (line.parent === parent ? [line[column]] : [])));
            expect(of(null)).toBe(total[column]);
            for (const line of lines) if (line.level !== 'meter') expect(of(line.key)).toBe(line[column]);
          }
        },
      ),
    );
  });
});
