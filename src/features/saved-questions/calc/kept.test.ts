import { following, USERS } from '@tests/support/drivers';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { must } from '@/engine/base';
import { curveOver } from '@/features/load/calc';
import { applyEdit, type Design, designInStep, type Kept, type KeptAsk } from '@/engine/design';
import { curveTable } from '@/features/load/words';
import { planOf } from '@/engine/pricing';
import { buildReport } from '@/features/report/calc';
import { answerKept, keptBeside, keptLooksAt, soldWhere } from './';

const FULL = { variant: 'full', validUntil: null, withAgreements: false } as const;
const kept = (ask: KeptAsk, id = 'k'): Kept => ({ id, name: `Asked ${id}`, ask });
const CURVE: KeptAsk = {
  shows: 'curve',
  along: { of: 'driver', name: 'users' },
  range: null,
  beside: [],
  of: { of: 'all' },
};

function stated(): Design {
  const made = designOf([
    serverOf('a', { count: following('ceil(users / 400[user])') }),
    transferOf('out', { likely: '900' }),
  ]);
  const { assumptions } = made;
  return designInStep({ ...made, assumptions: { ...assumptions, drivers: [USERS] } });
}

const holding = (design: Design, all: readonly Kept[]): Design => ({
  ...design,
  assumptions: { ...design.assumptions, kept: all },
});

describe('what is kept with a design', () => {
  it('is answered as the screen answers it, under the name that it was given', () => {
    const design = stated();
    const plan = planOf(design, smallBooks());
    const { table, drawing } = answerKept(kept(CURVE), [{ id: null, name: 'The design', plan }]);
    const curve = curveOver([{ id: null, name: 'The design', plan }], {
      along: CURVE.along,
      range: null,
      what: { of: 'design' },
      points: 160,
    })!;
    expect(table).toEqual({ ...curveTable(curve), title: 'Asked k' });
    expect(drawing!.lines[0]!.points.length).toBe(curve.at.length);
  });

  it('follows the design: another price of it gives another answer', () => {
    const design = holding(stated(), [kept({ shows: 'draws', seed: 'harbour', draws: 500 })]);
    const dearer = must(
      applyEdit(design, {
        edit: 'set-assumption',
        field: 'drivers',
        value: [{ ...USERS, value: { likely: '9000', lean: '8000', heavy: '20000' } }],
      }),
    ).design;
    const [now, then] = [design, dearer].map((each) => buildReport(each, smallBooks(), FULL).report.kept[0]!);
    expect(now!.table.answer).toMatch(/Half of all draws/);
    expect(then!.table.answer).not.toBe(now!.table.answer);
  });

  it('says of what is gone that it is gone, with no rows and no made-up amount', () => {
    const plan = planOf(stated(), smallBooks());
    const sides = [{ id: null, name: 'The design', plan }];
    const asks: KeptAsk[] = [
      { ...CURVE, along: { of: 'driver', name: 'gone' } },
      { ...CURVE, along: { of: 'entry', line: 'gone', entry: 'count' } },
      { shows: 'ready', ready: 'alone', line: 'gone', other: null, entry: null },
      { shows: 'prepaid', book: 'small', region: 'severn', sku: 'GONE' },
      { shows: 'every-hour', book: 'gone', region: 'x', sku: 'GONE', term: '12-none', level: null },
    ];
    for (const ask of asks) {
      const { table, drawing } = answerKept(kept(ask), sides);
      expect(table.rows).toEqual([]);
      expect(drawing).toBeNull();
      expect(table.answer).toMatch(/not in the design|Nothing/);
    }
  });

  it('says how many alternatives are gone that stood beside it', () => {
    const plan = planOf(stated(), smallBooks());
    const sides = [{ id: null, name: 'The design', plan }];
    const { table } = answerKept(kept({ ...CURVE, beside: ['gone'] }), sides);
    expect(table.notes.at(-1)).toEqual({
      title: 'Not drawn',
      lines: ['1 alternative that was drawn beside it is not there any more.'],
    });
  });

  it('answers whatever is asked of any design, and the same twice', () => {
    fc.assert(
      fc.property(anyWideDesign, (made) => {
        const design = made;
        const place = { book: 'wide', region: 'severn' };
        const line = design.sections[0]!.components[0]!.id;
        const all = [
          { ...CURVE, along: { of: 'traffic' } as const },
          { shows: 'ready', ready: 'alone', line, other: null, entry: null } as const,
          { shows: 'draws', seed: 's', draws: 100 } as const,
          { shows: 'units', term: '12-none' } as const,
          { shows: 'every-hour', ...place, sku: 'SPEND', term: '12-none', level: null } as const,
          { shows: 'prepaid', ...place, sku: 'CREDIT' } as const,
        ].map((ask, at) => kept(ask, `k${at}`));
        const [first, second] = [0, 1].map(
          () => buildReport(holding(design, all), WIDE_BOOKS, FULL).report.kept,
        );
        expect(first!.map(({ table }) => table.title)).toEqual(all.map(({ name }) => name));
        for (const { table } of first!) {
          expect(table.answer).not.toMatch(/NaN|undefined|Infinity/);
          expect(JSON.stringify(table.rows)).not.toMatch(/NaN|Infinity/);
          for (const { cells } of table.rows) expect(cells.length).toBe(table.head.length);
        }
        expect(second).toEqual(first);
      }),
      { numRuns: 2 },
    );
  });

  it('changes no amount, and is in no quotation', () => {
    const design = stated();
    const held = holding(design, [kept(CURVE)]);
    const [plain, full, quotation] = [
      buildReport(design, smallBooks(), FULL),
      buildReport(held, smallBooks(), FULL),
      buildReport(held, smallBooks(), { ...FULL, variant: 'quotation' }),
    ];
    expect(full.report.total).toEqual(plain.report.total);
    expect(full.report.kept.length).toBe(1);
    expect(quotation.report.kept).toEqual([]);
  });
});

describe('what must be at hand', () => {
  it('is every offer where a question looks at classes, and what is sold ahead where a plan is', () => {
    const design = designOf([serverOf('a')]);
    const ask = { shows: 'ready', ready: 'classes', line: 'a', other: null, entry: null } as const;
    expect(keptLooksAt([kept(ask)], design).map(({ kind }) => kind)).toEqual(['server']);
    expect(keptLooksAt([kept({ ...ask, line: 'gone' }), kept(CURVE)], design)).toEqual([]);
    const plan = { shows: 'prepaid', book: 'small', region: 'severn', sku: 'X' } as const;
    expect(keptLooksAt([kept(plan)], design).map(({ kind }) => kind)).toEqual(['prepaid-credit']);
    expect(soldWhere(designOf([serverOf('a'), serverOf('b')])).length).toBe(2);
  });

  it('is each alternative once', () => {
    const beside = (ids: readonly string[]): Kept => kept({ ...CURVE, beside: ids });
    expect(
      keptBeside([beside(['a', 'b']), beside(['b']), kept({ shows: 'units', term: '12-none' })]),
    ).toEqual(['a', 'b']);
  });
});
