import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { componentOf, designOf, serverOf } from '@tests/support/designs';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { decimal } from '@/engine/base';
import { allComponents, applyEdits, type Component, type Design } from '@/engine/design';
import { planOf, priceDesign } from '@/engine/pricing';
import { type Finding, findingsOf } from './';
import { SAVINGS } from './savings';
import { drawn } from '@tests/support/drawn';

const BOOKS = smallBooks();
let made = 0;
const newId = (): string => `made-${(made += 1)}`;
const of = (check: string, design: Design, books = BOOKS): Finding[] =>
  findingsOf(planOf(design, books), newId).filter((each) => each.check === check);

const costOf = (design: Design, books = BOOKS) => priceDesign(design, books, 'likely').monthly.value;

/** The design after the remedy, and what it saves. */
function taken(check: string, design: Design, books = BOOKS): { design: Design; saved: string } {
  const applied = applyEdits(design, of(check, design, books)[0]!.remedy!.edits);
  if (!applied.ok) throw new Error('refused');
  const { design: after } = applied.value;
  return { design: after, saved: costOf(design, books).minus(costOf(after, books)).toString() };
}

const named = (name: string, ...components: readonly Component[]): Design =>
  designOf([], { sections: [{ id: 'section', name, components }] });
const inWide = (id: string, kind: Component['kind'], sku: string, part: Partial<Component> = {}): Component =>
  componentOf({ id, kind, place: { book: 'wide', region: 'severn' }, choice: { by: 'sku', sku }, ...part });
const wide = (components: readonly Component[], name = 'Production'): Design =>
  designOf([], {
    books: [{ book: 'wide', revision: 1 }],
    sections: [{ id: 'section', name, components }],
  });

describe('non-production', () => {
  it('sleeps at night, and the finding says what that saves', () => {
    // A-4 is 0.10 an hour: 730 hours are 73, ten hours on 22 days are 22.
    const design = named('Staging', serverOf('a'));
    const [found] = of('could-sleep-at-night', design);
    expect(found!.says).toContain('51.00 USD less a month');
    expect(taken('could-sleep-at-night', design).saved).toBe('51');
  });

  it('is known by its name; production is left alone', () => {
    expect(of('could-sleep-at-night', named('Production', serverOf('a')))).toEqual([]);
    for (const name of ['Test', 'dev & build', 'Acceptance', 'QA']) {
      expect(of('could-sleep-at-night', named(name, serverOf('a')))).toHaveLength(1);
    }
  });

  it('that sleeps already, is committed, or never runs, is left alone', () => {
    const office = serverOf('a', { running: { pattern: 'hours', hoursPerMonth: { likely: '100' } } });
    const bound = serverOf('b', { term: '12-none' });
    const disk = componentOf({
      id: 'c',
      kind: 'block-volume',
      choice: { by: 'sku', sku: 'VOL' },
      usage: { capacity: { amount: { likely: '10' }, unit: 'GiB' } },
    });
    expect(of('could-sleep-at-night', named('Staging', office, bound, disk))).toEqual([]);
  });
});

describe('what always runs', () => {
  it('is committed for a year where that costs less, all of it at once', () => {
    // S-4 is 0.10 on demand and 0.06 committed: 29.20 less for each in 730 hours. S-8 has no such commitment.
    const design = wide([
      inWide('a', 'server', 'S-4', { count: { likely: '2' } }),
      inWide('b', 'server', 'S-8'),
      inWide('c', 'server', 'S-4', { running: { pattern: 'hours', hoursPerMonth: { likely: '100' } } }),
    ]);
    const [found] = of('commitment-would-pay', design, WIDE_BOOKS);
    expect(found!.says).toMatch(/^One line always on; .* 58\.40 USD less a month\.$/);
    const after = taken('commitment-would-pay', design, WIDE_BOOKS);
    expect(after.saved).toBe('58.4');
    expect(allComponents(after.design).map(({ term }) => term)).toEqual([
      '12-none',
      'on-demand',
      'on-demand',
    ]);
  });

  it('and may go or be stopped is not', () => {
    const ending = inWide('a', 'server', 'S-4', { months: { from: 1, to: 6 } });
    const stoppable = inWide('b', 'server', 'S-4', { mayBeStopped: true });
    expect(of('commitment-would-pay', wide([ending, stoppable]), WIDE_BOOKS)).toEqual([]);
  });

  it('is left alone beside money committed otherwise', () => {
    const credit = inWide('k', 'prepaid-credit', 'CREDIT', {
      usage: { credit: { amount: { likely: '100' }, unit: 'money' } },
    });
    expect(of('commitment-would-pay', wide([inWide('a', 'server', 'S-4'), credit]), WIDE_BOOKS)).toEqual([]);
  });
});

describe('screens that ask often', () => {
  const viewers = (refresh: string): Component =>
    inWide('a', 'server', 'S-4', {
      running: {
        pattern: 'autoscale',
        floor: { likely: '1' },
        ceiling: { likely: '50' },
        carries: { likely: '10' },
      },
      load: {
        rate: { by: 'viewers', viewers: { likely: '600' }, refreshSeconds: { likely: refresh, lean: '60' } },
      },
    });

  it('ask every half minute instead, where that saves something', () => {
    // 600 viewers every 10 seconds are 60 requests a second, six machines; every 30 they are 20, two machines.
    const after = taken('asks-often', wide([viewers('10')]), WIDE_BOOKS);
    expect(after.saved).toBe('292');
    expect(allComponents(after.design)[0]!.load!.rate).toMatchObject({
      refreshSeconds: { likely: '30', lean: '60' },
    });
    expect(of('asks-often', after.design, WIDE_BOOKS)).toEqual([]);
  });

  it('are left alone where they already do, or where nothing is paid by them', () => {
    expect(of('asks-often', wide([viewers('30')]), WIDE_BOOKS)).toEqual([]);
    const idle = { ...viewers('10'), running: { pattern: 'always' as const } };
    expect(of('asks-often', wide([idle]), WIDE_BOOKS)).toEqual([]);
  });
});

describe('every saving', () => {
  it('taken, the month costs less, never more', () => {
    const codes = new Set(SAVINGS.map(({ check }) => check));
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        const before = costOf(design, WIDE_BOOKS);
        for (const { check, remedy } of findingsOf(planOf(design, WIDE_BOOKS), newId)) {
          if (!codes.has(check) || !remedy) continue;
          const after = applyEdits(design, remedy.edits);
          if (!after.ok) throw new Error('refused');
          const then = costOf(after.value.design, WIDE_BOOKS);
          expect([check, then.lessThanOrEqualTo(before.plus(decimal('1e-15')))]).toEqual([check, true]);
        }
      }),
      { numRuns: drawn(60) },
    );
  });
});
