import { describe, expect, it } from 'vitest';
import { scaleOf, strokesOf } from './pdf-drawing';

describe('a drawing on paper', () => {
  it('marks its axes at round numbers, inside of what is drawn', () => {
    expect(scaleOf('linear', 0, 1, 0, 100).ticks).toEqual([0, 0.2, 0.4, 0.6, 0.8, 1]);
    expect(scaleOf('linear', -600, 400, 0, 100).ticks).toEqual([-600, -400, -200, 0, 200, 400]);
    expect(scaleOf('log', 10, 1000, 0, 100).ticks).toEqual([10, 20, 50, 100, 200, 500, 1000]);
    expect(scaleOf('log', 0.1, 100_000, 0, 100).ticks).toEqual([0.1, 1, 10, 100, 1000, 10_000, 100_000]);
    for (const scale of ['linear', 'log'] as const) {
      const { place, ticks } = scaleOf(scale, 3, 4711, 50, 450);
      for (const each of ticks) {
        expect(place(each)).toBeGreaterThanOrEqual(50);
        expect(place(each)).toBeLessThanOrEqual(450);
      }
      expect(ticks.length).toBeGreaterThan(1);
    }
  });

  it('draws a range of no width without a number that is none', () => {
    const { place, ticks } = scaleOf('linear', 5, 5, 0, 10);
    expect([place(5), ...ticks].some(Number.isNaN)).toBe(false);
  });

  it('leaves a gap where there is no amount, and goes level from step to step', () => {
    const same = (value: number): number => value;
    expect(
      strokesOf(
        [
          [0, 1],
          [1, 2],
          [2, null],
          [3, 4],
        ],
        same,
        same,
        false,
      ),
    ).toBe('M0.00 1.00L1.00 2.00M3.00 4.00');
    expect(
      strokesOf(
        [
          [0, 1],
          [1, 3],
        ],
        same,
        same,
        true,
      ),
    ).toBe('M0.00 1.00L1.00 1.00L1.00 3.00');
  });
});
