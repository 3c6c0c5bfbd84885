import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyAlternative } from '@tests/support/alternatives';
import { smallBooks } from '@tests/support/books';
import { designOf, transferOf } from '@tests/support/designs';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { createAlternator } from '../alternatives';
import type { Alternative, Design } from '@/engine/design';
import { freeSentence } from '@/features/compare/words';
import { type BookSet, createPricer, priceDesign } from '@/engine/pricing';
import { withoutFree } from './';
import { drawn } from '@tests/support/drawn';

const asked = (design: Design, alternative: Alternative, books: BookSet) =>
  withoutFree(design, alternative, createPricer(books), createAlternator(books));

describe('two sides without what is included free', () => {
  it('differ as if everybody paid in full', () => {
    // 100 GB are free; what is paid: 10 at 1.00, then 90 at 0.50, the rest at 0.10.
    const design = designOf([transferOf('out', { likely: '150' })]);
    const twice: Alternative = {
      id: 'twice',
      name: 'Twice',
      note: '',
      changes: [{ change: 'traffic', what: { of: 'all' }, times: '2' }],
    };
    // 300 GB: 10 + 45 + 10 = 65 with 100 free, 10 + 45 + 20 = 75 in full; 150 GB: 30, and 10 + 45 + 5 = 60.
    const { change, without } = asked(design, twice, smallBooks());
    expect([change.toString(), without.toString()]).toEqual(['35', '15']);
    expect(freeSentence({ change, without }, '“Twice”', 'USD')).toBe(
      'Without what is included free “Twice” would be 15.00 USD a month above the design; what is included makes 20.00 USD of the difference.',
    );
  });

  it('are those of two designs of their own', () => {
    fc.assert(
      fc.property(anyWideDesign, anyAlternative, (design, alternative) => {
        const { change, without } = asked(design, alternative, WIDE_BOOKS);
        const other = createAlternator(WIDE_BOOKS).apply(design, alternative).design;
        const monthly = (each: Design, countAllowances?: false) =>
          priceDesign(
            countAllowances === undefined
              ? each
              : { ...each, assumptions: { ...each.assumptions, countAllowances } },
            WIDE_BOOKS,
            'likely',
          ).monthly.value;
        expect(change.toString()).toBe(monthly(other).minus(monthly(design)).toString());
        expect(without.toString()).toBe(monthly(other, false).minus(monthly(design, false)).toString());
      }),
      { numRuns: drawn(60) },
    );
  });
});
