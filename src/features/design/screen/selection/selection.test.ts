import { describe, expect, it } from 'vitest';
import { componentOf, designOf, serverOf, transferOf, volumeOf } from '@tests/support/designs';
import { allComponents, applyEdits, type Design, type Edit } from '@/engine/design';
import { rowsOf } from '../rows';
import { copyAll, fillDown, moveAll, multiplyAll, payAll, removeAll, runAll } from './bulk-edits';
import { selectionAfter } from './use-selection';

const design: Design = designOf([
  serverOf('a', { count: { likely: '4', lean: '1', heavy: '9' }, term: '36-part' }),
  serverOf('b', { place: { book: 'small', region: 'tasman' } }),
  volumeOf('v', { likely: '80' }),
  volumeOf('w', { likely: '10' }),
  transferOf('out', { likely: '500' }),
]);
type A = ReturnType<typeof allComponents>[number];
const all = allComponents(design);
const [a, b, v, w, out] = all as readonly (typeof all)[number][] as [A, A, A, A, A];

function after(edits: readonly Edit[]): readonly (typeof all)[number][] {
  const applied = applyEdits(design, edits);
  if (!applied.ok) throw new Error(applied.issue.code);
  const back = applyEdits(applied.value.design, applied.value.inverse);
  expect(back.ok && back.value.design).toEqual(design);
  return allComponents(applied.value.design);
}

describe('a selection', () => {
  const rows = rowsOf(design, null);
  const none = { anchor: null, keys: new Set<string>() };

  it('reaches with Shift from where one was, over components only', () => {
    const range = selectionAfter(none, 'section', 'v', 'range', rows);
    expect([...range.keys]).toEqual(['a', 'b', 'v']);
    expect([...selectionAfter(range, 'v', 'section', 'range', rows).keys]).toEqual([]);
    expect([...selectionAfter({ ...range, anchor: 'w' }, 'w', 'b', 'range', rows).keys]).toEqual([
      'b',
      'v',
      'w',
    ]);
  });

  it('takes single rows in and out with Ctrl, and the one it came from', () => {
    const two = selectionAfter(none, 'a', 'v', 'toggle', rows);
    expect([...two.keys]).toEqual(['a', 'v']);
    expect([...selectionAfter(two, 'v', 'a', 'toggle', rows).keys]).toEqual(['v']);
    expect([...selectionAfter(none, null, 'next-section', 'toggle', rows).keys]).toEqual([]);
  });

  it('ends with a plain move', () => {
    expect(selectionAfter({ anchor: 'a', keys: new Set(['a', 'b']) }, 'b', 'v', undefined, rows)).toEqual({
      anchor: 'v',
      keys: new Set(),
    });
  });
});

describe('edits over several components', () => {
  it('multiply counts in all three cases, whole, and refuse what is no factor', () => {
    expect(after(multiplyAll([a, b], '0.3')!).map((each) => each.count)).toEqual([
      { likely: '2', lean: '1', heavy: '3' },
      { likely: '1' },
      ...[v, w, out].map((each) => each.count),
    ]);
    for (const factor of ['0', '-1', 'x', '']) expect(multiplyAll([a], factor)).toBeNull();
  });

  it('pay and run only what can be paid and runs', () => {
    expect(payAll(all, '12-none').map((edit) => 'id' in edit && edit.id)).toEqual(['a', 'b']);
    expect(runAll(all, { pattern: 'always' })).toHaveLength(2);
    expect(after(payAll(all, '12-none'))[0]!.term).toBe('12-none');
  });

  it('remove, move and copy, each taken back by one undo', () => {
    expect(after(removeAll([a, w])).map((each) => each.id)).toEqual(['b', 'v', 'out']);
    expect(after(moveAll([a, v], 'section')).map((each) => each.id)).toEqual(['b', 'w', 'out', 'a', 'v']);
    let made = 0;
    const copied = after(copyAll([a, v], design, () => `n${(made += 1)}`));
    expect(copied.map((each) => each.id)).toEqual(['a', 'n1', 'b', 'v', 'n2', 'w', 'out']);
    expect(copied[1]).toEqual({ ...a, id: 'n1', name: 'Component a (copy)' });
  });

  it('fill a column down where it means the same', () => {
    expect(after(fillDown([a, b], 'count'))[1]!.count).toEqual(a.count);
    expect(after(fillDown([a, b], 'where'))[1]!.place).toEqual(a.place);
    expect(after(fillDown(all, 'paid')).map((each) => each.term)).toEqual([
      '36-part',
      '36-part',
      ...Array.from({ length: 3 }, () => 'on-demand'),
    ]);
    expect(after(fillDown([v, w, out], 'use')).map((each) => each.usage)).toEqual([
      {},
      {},
      v.usage,
      v.usage,
      out.usage,
    ]);
    const night = serverOf('n', { running: { pattern: 'hours', hoursPerMonth: { likely: '9' } } });
    expect(fillDown([night, b], 'use')).toMatchObject([{ id: 'b', field: 'running', value: night.running }]);
    expect(fillDown([a, componentOf({ id: 'q', kind: 'queue' })], 'what')).toEqual([]);
    expect(fillDown([], 'count')).toEqual([]);
  });
});
