/** Drawn changes taken over into designs: the design then costs what the review says, and everything can be taken back. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawnChanges } from '@tests/support/drawn-plans';
import { planJson } from '@tests/support/plans';
import { demoBookSet, demoSetting, reviewed } from '@tests/support/reviews';
import { applyEdits, type Design } from '@/engine/design';
import { acceptEdits, codeLinesOf, designEffect, matchLines, type Review } from '@/features/review/calc';
import { drawn, metAtLeast } from '@tests/support/drawn';

const REPOSITORY = 'skerrow/drawn';
const EMPTY: Design = {
  title: 'Drawn',
  description: '',
  ...demoSetting,
  sections: [],
};

let made = 0;

function taken(design: Design, plan: unknown) {
  const { extract, review } = reviewed(plan);
  const lines = codeLinesOf(extract);
  const matches = matchLines(design, lines, REPOSITORY, {});
  const newId = (): string => `n${(made += 1)}`;
  const pins = demoSetting.books;
  const edits = acceptEdits({ design, lines, matches, repository: REPOSITORY, pins, newId });
  const effect = designEffect(design, edits, demoBookSet());
  if (!effect.ok) throw new Error(effect.issue.code);
  return { review, edits, ...effect.value };
}

/** Everything of it has an amount: what has none is not taken over, so sums would be of other things. */
const isKnown = ({ rows }: Review): boolean =>
  rows.every(({ doubts }) => doubts.every((doubt) => doubt === 'no-rule' || doubt === 'usage-missing'));

describe('a change taken over into a design', () => {
  it('costs there what the review says, step by step, and is taken back whole', () => {
    let held = 0;
    fc.assert(
      fc.property(drawnChanges, (changes) => {
        const before = changes.flatMap((each) =>
          each.before
            ? [
                {
                  ...each,
                  ...{ actions: ['create'], before: null, after: each.before, previous: undefined },
                  address: each.previous ?? each.address,
                },
              ]
            : [],
        );
        const first = taken(EMPTY, planJson(before));
        const second = taken(first.design, planJson(changes));
        if (isKnown(first.review) && isKnown(second.review)) {
          held += 1;
          expect(first.totals.after).toBe(first.review.totals.after);
          expect(second.totals.before).toBe(second.review.totals.before);
          expect(second.totals.after).toBe(second.review.totals.after);
        }
        expect(taken(second.design, planJson(changes)).edits).toEqual([]);
        const back = applyEdits(second.design, second.inverse);
        expect(back.ok && back.value.design).toEqual(first.design);
      }),
      { numRuns: drawn(120) },
    );
    expect(held).toBeGreaterThan(metAtLeast(30));
  });
});
