import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { smallBooks } from '@tests/support/books';
import { componentOf, designOf, serverOf } from '@tests/support/designs';
import { SHORES, shoresDesign } from '@tests/support/two-shores';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createAlternator } from '../alternatives';
import { addAll, ZERO } from '@/engine/base';
import { anyOfKind, type Component } from '@/engine/design';
import { axisSentence } from '@/features/compare/words';
import { monthlyOf, planOf, priceDesign } from '@/engine/pricing';
import { AXES, axisLooksAt, axisOf, type AxisRow } from './';

const ALL = { of: 'all' } as const;
const HERE = { book: 'near', region: 'severn' };
const line = (id: string, kind: Component['kind'], sku: string, part: Partial<Component> = {}) =>
  componentOf({ id, kind, place: HERE, choice: { by: 'sku', sku }, ...part });
const held = (likely: string): Component['usage'] => ({ stored: { amount: { likely }, unit: 'GB' } });

const brief = (rows: readonly AxisRow[], ...facts: (keyof AxisRow['facts'])[]): unknown[] =>
  rows.map((row) => [row.label, row.monthly, row.change, ...facts.map((fact) => row.facts[fact])]);

describe('every region', () => {
  const design = shoresDesign([line('web', 'server', 'N-4'), line('tunnel', 'vpn', 'N-VPN')]);

  it('is ranked, what is chosen is marked, and what lacks a line comes after what lacks nothing', () => {
    const { rows } = axisOf('regions', planOf(design, SHORES), ALL);
    // 146 + 36.5 at home; elsewhere the server is 116.8 and the tunnel stays.
    expect(brief(rows, 'equivalent')).toEqual([
      ['Near, severn', '182.5', null, true],
      ['Near, hudson', '182.5', '0', false],
      ['Far, tagus', '153.3', '-29.2', false],
      ['Far, elbe', '153.3', '-29.2', false],
      ['Far, thames', '153.3', '-29.2', true],
      ['Far, plata', '153.3', '-29.2', false],
    ]);
    expect(rows.filter(({ now }) => now).map(({ label }) => label)).toEqual(['Near, severn']);
    expect(rows[2]!.missing.map(({ name, issue }) => [name, issue.code])).toEqual([
      ['Component tunnel', 'move.none-of-kind'],
    ]);
    expect(rows[2]!.facts).toMatchObject({ country: 'Portugal', area: 'Europe', carbon: null });
    expect(axisSentence(axisOf('regions', planOf(design, SHORES), ALL))).toBe(
      'What is chosen costs least. Far, tagus would cost less: “Component tunnel”: Far, tagus has nothing of the kind vpn that would do.',
    );
  });

  it('of one provider each is the nearest equivalent', () => {
    const { rows } = axisOf('providers', planOf(design, SHORES), { of: 'lines', ids: ['web'] });
    expect(brief(rows)).toEqual([
      ['Far, thames', '116.8', '-29.2'],
      ['Near, severn', '146', null],
    ]);
  });

  it('needs no more than the kinds that are asked about, each place once', () => {
    const books = [SHORES.get('near', 1)!, SHORES.get('far', 1)!];
    const places = (axis: Parameters<typeof axisLooksAt>[0]): (string | undefined)[] =>
      axisLooksAt(axis, [line('a', 'server', 'N-4'), line('b', 'server', 'N-4')], books).map(
        ({ place }) => place?.region,
      );
    expect(places('regions')).toEqual(['severn', 'hudson', 'tagus', 'elbe', 'thames', 'plata']);
    expect(places('providers')).toEqual(['thames']);
    expect(places('sizes')).toEqual(['severn']);
    expect(places('paying')).toEqual([]);
    expect(axisLooksAt('regions', [anyOfKind('server', null)], books)).toEqual([]);
  });
});

describe('every size', () => {
  it('says what a vCPU and a GiB of it cost, and whether the price grows in step', () => {
    const { rows } = axisOf('sizes', planOf(designOf([serverOf('a')]), smallBooks()), ALL);
    // A-4 at 0.1 is chosen. A-2 is half of it at 0.06, so two of them are a fifth dearer; A-8 is twice it at 1.9 times.
    expect(brief(rows, 'sizeTimes', 'amountTimes', 'perVcpu')).toEqual([
      ['a-2', '43.8', '-29.2', '0.5', '0.6', '21.9'],
      ['2 × a-2', '87.6', '14.6', '1', '1.2', '21.9'],
      ['l-4', '21.9', '-51.1', '1', '0.3', '5.475'],
      ['o-4', '36.5', '-36.5', '1', '0.5', '9.125'],
      ['a-4', '73', null, '1', '1', '18.25'],
      ['b-4', '73', '0', '1', '1', '18.25'],
      ['a-8', '138.7', '65.7', '2', '1.9', '17.3375'],
    ]);
  });

  it('is nothing for what has no size or no amount', () => {
    const none = designOf([serverOf('a', { choice: { by: 'none' } })]);
    expect(axisOf('sizes', planOf(none, smallBooks()), ALL).rows).toEqual([]);
    const store = shoresDesign([line('s', 'object-store', 'N-SELDOM', { usage: held('1000') })]);
    expect(axisOf('sizes', planOf(store, SHORES), ALL).rows).toEqual([]);
    expect(axisOf('forms', planOf(store, SHORES), { of: 'lines', ids: ['gone'] }).rows).toEqual([]);
  });
});

describe('every way of paying', () => {
  it('is there where some line can be paid so, with what leaves at the start', () => {
    const { rows } = axisOf('paying', planOf(designOf([serverOf('a')]), smallBooks()), ALL);
    expect(brief(rows, 'upfront', 'changed')).toEqual([
      ['36 months, part upfront', '34.6', '-38.4', '720', 1],
      ['12 months, all upfront', '50', '-23', '600', 1],
      ['12 months, part upfront', '50.55', '-22.45', '300', 1],
      ['12 months, nothing upfront', '51.1', '-21.9', '0', 1],
      ['As it is', '73', null, '0', 0],
    ]);
  });
});

describe('every form', () => {
  it('is one for each meaning that the kind is sold in', () => {
    const store = shoresDesign([line('s', 'object-store', 'N-SELDOM', { usage: held('1000') })]);
    expect(brief(axisOf('forms', planOf(store, SHORES), ALL).rows)).toEqual([
      ['grade archive: n-archive', '2', '-8'],
      ['grade seldom: n-seldom', '10', null],
    ]);
  });
});

describe('a row of any axis', () => {
  it('changes the design by what it says, and its changes make an alternative that costs the same', () => {
    fc.assert(
      fc.property(anyWideDesign, fc.constantFrom(...AXES), (design, axis) => {
        const { rows } = axisOf(axis, planOf(design, WIDE_BOOKS), ALL);
        const before = monthlyOf(priceDesign(design, WIDE_BOOKS, 'likely'));
        for (const row of rows) {
          if (row.change === null) continue;
          const made = createAlternator(WIDE_BOOKS).apply(design, { changes: row.changes });
          const after = monthlyOf(priceDesign(made.design, WIDE_BOOKS, 'likely'));
          // What has no amount now is compared with nothing.
          const change = addAll([...before].map(([id, was]) => (after.get(id) ?? ZERO).minus(was)));
          // It is the difference of what is printed: of the lines asked about, here all of them.
          expect(change.minus(row.change).abs().toNumber()).toBeLessThanOrEqual(0.01);
        }
      }),
      { numRuns: 60 },
    );
  });
});
