import { WIDE_BOOKS } from '@tests/support/wide-designs';
import { componentOf, designOf } from '@tests/support/designs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { priceMonths } from '@/engine/analysis';
import { must } from '@/engine/base';
import { applyEdits, type Component, type Design } from '@/engine/design';
import { type DesignPlan, planOf } from '@/engine/pricing';
import { creditChange, creditPlan, takeOnChange, takeOnCredit } from './';

const PLACE = { book: 'wide', region: 'severn' };
const server = (id: string, part: Partial<Component> = {}): Component =>
  componentOf({ id, kind: 'server', place: PLACE, choice: { by: 'sku', sku: 'S-4' }, ...part });
const wide = (components: readonly Component[]): Design => ({
  ...designOf([...components]),
  books: [{ book: 'wide', revision: 1 }],
});
const planned = (design: Design): DesignPlan => planOf(design, WIDE_BOOKS);
const whole = (design: Design, months: number): number =>
  priceMonths(planned(design), 'likely', months).whole.monthly.toNumber();

describe('what is paid over what is used', () => {
  it('is what the engine says of the design’s own use', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), (count) => {
        const design = wide([
          server('a', { count: { lean: '1', likely: String(count), heavy: String(count * 2) } }),
        ]);
        const credit = { ...PLACE, sku: 'CREDIT' };
        const plan = creditPlan(planned(design), credit)!;
        const { uses, lines: drawn } = plan.overUse;
        const use = Number(plan.use);
        const right = uses.findIndex((each) => each >= use);
        for (const { term, credit: amount, amounts } of drawn.slice(1)) {
          const [a, b] = [uses[right - 1]!, uses[right]!];
          const paid = amounts[right - 1]! + ((amounts[right]! - amounts[right - 1]!) * (use - a)) / (b - a);
          const made = planned(
            must(applyEdits(design, takeOnCredit(design, credit, term!, amount, 'new'))).design,
          );
          // Everything in the design is paid by the credit: its month is what is paid for its use.
          expect(paid).toBeCloseTo(made.pricer.price(made, { case: 'likely' }).monthly.value.toNumber(), 1);
        }
        expect(drawn.length).toBeGreaterThan(0);
      }),
      { numRuns: 8 },
    );
  });
});

it('another credit from a later month is priced month by month, and taken on as it is', () => {
  const design = wide([
    server('a', { count: { likely: '4' } }),
    server('b', { months: { from: 13, to: null } }),
  ]);
  const change = {
    ...PLACE,
    sku: 'CREDIT',
    term: '12-none',
    credit: '300',
    fromMonth: 13,
    then: '450',
  } as const;
  const answer = creditChange(planned(design), change, 24);
  const taken = must(applyEdits(design, takeOnChange(design, change, 'new'))).design;
  const kept = must(applyEdits(design, takeOnCredit(design, change, '12-none', '300', 'new'))).design;
  expect(Number(answer.changed.likely)).toBeCloseTo(whole(taken, 24), 9);
  expect(Number(answer.unchanged.likely)).toBeCloseTo(whole(kept, 24), 9);
  expect(Number(answer.saves)).toBeCloseTo(whole(kept, 24) - whole(taken, 24), 9);
  expect(whole(kept, 12)).toBeCloseTo(whole(taken, 12), 9);
});
