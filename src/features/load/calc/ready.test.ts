import { WIDE_BOOKS } from '@tests/support/wide-designs';
import { smallBooks } from '@tests/support/books';
import { componentOf, designOf, serverOf, storeOf, transferOf } from '@tests/support/designs';
import { describe, expect, it } from 'vitest';
import type { Component, Design, ReadyWish } from '@/engine/design';
import { curveSentence } from '@/features/load/words';
import { type BookSet, planOf } from '@/engine/pricing';
import { type Curve, curveOf, NotAsked, readyCurve, readyFor, turnsOn } from './';

const SMALL = smallBooks();
const wish = (part: Partial<ReadyWish>): ReadyWish => ({
  ready: 'alone',
  line: 'a',
  other: null,
  entry: null,
  ...part,
});

function asked(
  components: readonly Component[],
  part: Partial<ReadyWish>,
  books: BookSet = SMALL,
  design: Design = designOf([...components]),
): Curve {
  return curveOf({ ...readyCurve(wish(part), planOf(design, books)), points: 60 });
}

const wideServer = (part: Partial<Component> = {}): Component =>
  componentOf({
    id: 'a',
    kind: 'server',
    place: { book: 'wide', region: 'severn' },
    choice: { by: 'sku', sku: 'S-4' },
    ...part,
  });
const wide = (components: readonly Component[]): Design => ({
  ...designOf([...components]),
  books: [{ book: 'wide', revision: 1 }],
});

describe('a ready question', () => {
  it('finds the share of time from which a commitment pays', () => {
    const design = wide([wideServer()]);
    const curve = asked([], { ready: 'committed' }, WIDE_BOOKS, design);
    expect(curve.sides.map(({ name }) => name)).toContain('12 months, nothing upfront');
    // 0.06 committed, or 0.03 and 219 a year, against 0.10 on demand: dearer once it sleeps more than the cheapest leaves.
    const crossing = curve.crossings.at(-1)!;
    expect(curve.sides[crossing.above]!.name).toBe('on demand');
    const cheapest = Math.min(0.06, 0.03 + 219 / 12 / 730);
    expect(crossing.at).toBeCloseTo(1 - cheapest / 0.1, 3);
    expect(curveSentence(curve)).toMatch(/above .* “on demand”/);
  });

  it('holds one line against another, each alone', () => {
    const components = [
      serverOf('web', { count: { likely: '2' } }),
      transferOf('a', { likely: '300' }),
      transferOf('other', { likely: '5' }),
    ];
    const curve = asked(components, { ready: 'against', other: 'web', entry: 'usage/transferred' });
    expect(curve.sides.map(({ name }) => name)).toEqual(['Component a', 'Component web']);
    // 146 for two servers; 100 GB free, then 10, 45 and 0.10 for each GB.
    expect(curve.crossings).toHaveLength(1);
    expect(curve.crossings[0]!.at).toBeCloseTo(1110, 0);
    // Both move where both have the entry.
    const both = asked(components, { ready: 'against', other: 'other', entry: 'usage/transferred' });
    expect(both.sides[0]!.amounts).toEqual(both.sides[1]!.amounts);
  });

  it('holds peaks against as many all month', () => {
    const peaks = serverOf('a', {
      running: {
        pattern: 'peaks',
        baseline: { likely: '1' },
        peak: { likely: '4' },
        days: [0, 1, 2, 3, 4],
        from: 8,
        hours: { likely: '4' },
      },
    });
    const curve = asked([peaks], { ready: 'peaks' });
    expect(curve.axis.unit).toBe('hour');
    const [withPeaks, all] = curve.sides as [Curve['sides'][number], Curve['sides'][number]];
    expect(all.amounts.every((each) => Math.abs(each! - 292) < 1e-9)).toBe(true);
    expect(withPeaks.amounts[0]).toBeCloseTo(73, 6);
    expect(withPeaks.amounts.at(-1)).toBeGreaterThan(withPeaks.amounts[0]!);
  });

  it('says where an allowance ends, of a line alone', () => {
    const curve = asked([transferOf('a', { likely: '300' }), serverOf('web')], {
      entry: 'usage/transferred',
    });
    expect(curve.marks.some(({ at }) => Math.abs(at - 100) < 1)).toBe(true);
    expect(curve.sides).toHaveLength(1);
  });

  it('is only asked where it has an answer, and says why not', () => {
    const server = serverOf('a');
    const store = storeOf('s', { stored: { amount: { likely: '40' }, unit: 'GB' } });
    const design = designOf([server, store]);
    expect(readyFor(server, design)).toEqual(['against', 'committed', 'alone']);
    expect(readyFor(store, design)).toEqual(['against', 'classes', 'alone']);
    const says = (part: Partial<ReadyWish>): string => {
      try {
        readyCurve(wish(part), planOf(design, SMALL));
        return 'asked';
      } catch (error) {
        if (error instanceof NotAsked) return error.message;
        throw error;
      }
    };
    expect(says({ ready: 'peaks' })).toContain('has no peak');
    expect(says({ line: 'gone' })).toContain('not in the design any more');
    expect(says({ ready: 'against', other: 'a' })).toContain('Choose another line');
    expect(says({ ready: 'classes', line: 's' })).toContain('nothing to put beside it');
    expect(turnsOn('committed', server).map(({ entry }) => entry)).toEqual(['running/share']);
    expect(turnsOn('alone', store)[0]!.entry).toBe('usage/stored');
  });
});
