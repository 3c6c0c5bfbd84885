/** Rules of every review, over drawn plans: held against pricing both sides as designs of their own. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addAll, decimal } from '@/engine/base';
import { halfAwayFromZero } from '@/engine/money';
import { priceDesign } from '@/engine/pricing';
import type { LoadProfile, Review } from '@/features/review/calc';
import { drawnChanges as changes } from '@tests/support/drawn-plans';
import { type Changed, planJson } from '@tests/support/plans';
import { demoBookSet, reviewed } from '@tests/support/reviews';
import { drawn } from '@tests/support/drawn';

const reviewOfPlan = (all: readonly Changed[]): Review => reviewed(planJson(all)).review;

const sum = (amounts: readonly string[]): string => addAll(amounts.map(decimal)).toString();

const heldProfile = (units: number): LoadProfile => ({
  title: '',
  loads: [],
  held: [
    {
      ...{ name: 'Ours', kind: 'server', book: 'norvane', region: 'severn-1', sku: 'NV-BAL-4-16' },
      ...{ term: '12-none', units: String(units) },
    },
  ],
});

describe('every review', () => {
  it('is the difference of both sides, each priced as a design by itself', () => {
    fc.assert(
      fc.property(changes, (all) => {
        const { review, before, after } = reviewed(planJson(all));
        const alone = [before, after].map(({ design }) =>
          halfAwayFromZero(priceDesign(design, demoBookSet(), 'likely').monthly.value, 2).toString(),
        );
        const { aside } = review.totals;
        expect([sum([review.totals.before, aside.before]), sum([review.totals.after, aside.after])]).toEqual(
          alone,
        );
        for (const { lines, state } of review.rows)
          if (lines.some(({ half }) => half)) expect(state).toBe('open');
        for (const side of ['before', 'after', 'difference'] as const) {
          const { rounding, byModule, byKind, byProvider, byRegion } = review.totals;
          for (const rows of [review.rows, byModule, byKind, byProvider, byRegion])
            expect(sum([...rows.map((row) => row[side]), rounding[side]]), side).toBe(review.totals[side]);
        }
        // Half a cent for each row at most.
        const most = review.rows.reduce((count, { lines }) => count + lines.length, 0) * 0.005 + 0.005;
        expect(Math.abs(Number(review.totals.rounding.after))).toBeLessThanOrEqual(most);
      }),
      { numRuns: drawn(60) },
    );
  }, 120_000);

  it('with commitments that are held: the order of the plan changes nothing, and what stays has what it had', () => {
    fc.assert(
      fc.property(changes, fc.integer({ min: 1, max: 6 }), (all, units) => {
        const profile = heldProfile(units);
        const { review } = reviewed(planJson(all), profile);
        const turned = reviewed(planJson(all.toReversed()), profile).review;
        expect(turned.totals).toEqual(review.totals);
        expect(turned.held).toEqual(review.held);
        for (const side of ['before', 'after', 'difference'] as const) {
          const { rounding, byModule } = review.totals;
          expect(sum([...byModule.map((row) => row[side]), rounding[side]]), side).toBe(review.totals[side]);
        }
        // A plan of nothing but what stays costs the same on both sides, covered or not.
        const still = all.map((each) => {
          const values = each.after ?? each.before!;
          return { ...each, actions: ['no-op'], before: values, after: values };
        });
        expect(reviewed(planJson(still), profile).review.totals.difference).toBe('0');
      }),
      { numRuns: drawn(60) },
    );
  }, 120_000);

  it('of a plan against itself is nothing everywhere', () => {
    fc.assert(
      fc.property(changes, (all) => {
        const still = all.map((each) => {
          const values = each.after ?? each.before!;
          return { ...each, actions: ['no-op'], before: values, after: values };
        });
        const { rows, totals } = reviewOfPlan(still);
        expect(totals.difference).toBe('0');
        for (const { difference, lines } of rows) {
          expect(difference).toBe('0');
          for (const line of lines) expect(line.before).toBe(line.after);
        }
      }),
      { numRuns: drawn(30) },
    );
  }, 120_000);

  it('does not hang on the order of what changes', () => {
    fc.assert(
      fc.property(changes, fc.integer(), (all, turn) => {
        const at = all.length === 0 ? 0 : Math.abs(turn) % all.length;
        const other = [...all.slice(at), ...all.slice(0, at)].reverse();
        const [first, second] = [reviewOfPlan(all), reviewOfPlan(other)];
        expect(second.totals.difference).toBe(first.totals.difference);
        expect(second.totals.after).toBe(first.totals.after);
        expect(second.doubts).toEqual(first.doubts);
      }),
      { numRuns: drawn(30) },
    );
  }, 120_000);

  it('takes a replacement for a removal and a creation, and a move for nothing', () => {
    fc.assert(
      fc.property(changes, (all) => {
        const apart = all.flatMap((each): Changed[] =>
          each.actions?.length === 2
            ? [
                { ...each, address: `${each.address}_old`, actions: ['delete'], after: null },
                { ...each, actions: ['create'], before: null },
              ]
            : [each],
        );
        const whole = reviewOfPlan(all);
        // What is known on one side only is in no sum; taken apart, what is removed is known.
        if (whole.totals.aside.difference === '0')
          expect(reviewOfPlan(apart).totals.difference).toBe(whole.totals.difference);
        for (const row of reviewOfPlan(all).rows)
          if (row.action === 'moved') expect(row.difference).toBe('0');
      }),
      { numRuns: drawn(30) },
    );
  }, 120_000);
});

describe('a plan through its map', () => {
  it('makes of each resource what it makes of it alone', () => {
    fc.assert(
      fc.property(changes, (all) => {
        const together = reviewed(planJson(all)).extract.resources;
        const alone = all.map((each) => reviewed(planJson([each])).extract.resources[0]);
        expect(together).toEqual(alone);
      }),
      { numRuns: drawn(40) },
    );
  }, 120_000);
});
