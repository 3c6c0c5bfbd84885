import { anyAlternative } from '@tests/support/alternatives';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal } from '@/engine/base';
import { allComponents, applyEdits, type Component, type Design, editsBetween } from '@/engine/design';
import { createPricer, type PricedDesign, priceDesign, underLoad } from '@/engine/pricing';
import { createAlternator } from './';
import { drawn } from '@tests/support/drawn';

const linesOf = ({ sections }: PricedDesign): Map<string, string> =>
  new Map(
    sections.flatMap(({ lines }) =>
      lines.map((line) => [
        line.id,
        line.status === 'priced' ? line.monthly.value.toString() : line.issues[0]!.code,
      ]),
    ),
  );

const counted = (design: Design, count: string): Design => ({
  ...design,
  sections: design.sections.map((section) => ({
    ...section,
    components: section.components.map((each, at): Component =>
      at === 0 ? { ...each, count: { likely: count } } : each,
    ),
  })),
});

describe('an alternative', () => {
  it('costs, line by line, what a design of its own would', () => {
    fc.assert(
      fc.property(anyWideDesign, anyAlternative, (baseline, alternative) => {
        const { design } = createAlternator(WIDE_BOOKS).apply(baseline, alternative);
        const pricer = createPricer(WIDE_BOOKS);
        const shared = pricer.price(pricer.plan(design, pricer.plan(baseline)), { case: 'likely' });
        const own = priceDesign(JSON.parse(JSON.stringify(design)) as Design, WIDE_BOOKS, 'likely');
        expect(linesOf(shared)).toEqual(linesOf(own));
        expect(shared.monthly.value.toString()).toBe(own.monthly.value.toString());
      }),
      { numRuns: drawn(150) },
    );
  });

  it('is taken on by edits, and undone to the letter', () => {
    fc.assert(
      fc.property(anyWideDesign, anyAlternative, (baseline, alternative) => {
        const held: Design = { ...baseline, alternatives: [alternative] };
        const { design } = createAlternator(WIDE_BOOKS).apply(held, alternative);
        expect(design.alternatives).toBeUndefined();
        const taken = applyEdits(held, editsBetween(baseline, design));
        expect(taken.ok).toBe(true);
        if (!taken.ok) return;
        expect(taken.value.design).toEqual({ ...design, alternatives: [alternative] });
        const undone = applyEdits(taken.value.design, taken.value.inverse);
        expect(undone.ok && undone.value.design).toEqual(held);
      }),
      { numRuns: drawn(150) },
    );
  });

  it('follows an edit of the baseline as if it were asked for the first time', () => {
    fc.assert(
      fc.property(anyWideDesign, anyAlternative, anyAlternative, (baseline, one, other) => {
        const used = createAlternator(WIDE_BOOKS);
        used.apply(baseline, one);
        used.apply(baseline, other);
        const edited = counted(baseline, '4');
        for (const alternative of [other, one]) {
          expect(used.apply(edited, alternative)).toEqual(
            createAlternator(WIDE_BOOKS).apply(edited, alternative),
          );
        }
      }),
      { numRuns: drawn(120) },
    );
  });

  it('keeps the very objects of the baseline that no change reaches', () => {
    fc.assert(
      fc.property(anyWideDesign, (baseline) => {
        const changes = [{ change: 'leave-out', what: { of: 'lines', ids: ['c0'] } }] as const;
        const { design } = createAlternator(WIDE_BOOKS).apply(baseline, { changes });
        const kept = new Set(allComponents(baseline));
        for (const each of allComponents(design)) expect(kept.has(each)).toBe(true);
        expect(allComponents(design).length).toBe(allComponents(baseline).length - 1);
      }),
    );
  });

  it('under so much traffic costs what the engine says of that load', () => {
    fc.assert(
      fc.property(anyWideDesign, fc.constantFrom('0.5', '2', '12.25'), (baseline, times) => {
        const changes = [{ change: 'traffic', what: { of: 'all' }, times }] as const;
        const { design } = createAlternator(WIDE_BOOKS).apply(baseline, { changes });
        const direct = priceDesign(underLoad(baseline, decimal(times)), WIDE_BOOKS, 'likely');
        const applied = priceDesign(design, WIDE_BOOKS, 'likely');
        const difference = applied.monthly.value.minus(direct.monthly.value).abs();
        expect(difference.toNumber()).toBeLessThan(1e-15);
      }),
      { numRuns: drawn(120) },
    );
  });
});
