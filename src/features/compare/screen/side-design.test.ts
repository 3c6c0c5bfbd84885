import { describe, expect, it } from 'vitest';
import { designOf, serverOf } from '@tests/support/designs';
import { must } from '@/engine/base';
import {
  type Alternative,
  applyEdits,
  type Change,
  type Design,
  type DesignEdit,
  recorded,
} from '@/engine/design';
import { madeNow } from './side-design';

const MOVE: Change = { change: 'traffic', what: { of: 'all' }, times: '2' };
const count = (likely: string): DesignEdit => ({
  edit: 'set-component',
  id: 'a',
  field: 'count',
  value: { likely },
});
const other = (changes: readonly Change[]): Alternative => ({ id: 'x', name: 'X', note: '', changes });
const plain = designOf([serverOf('a'), serverOf('b')]);
const holding = (design: Design, changes: readonly Change[]): Design => ({
  ...design,
  alternatives: [other(changes)],
});
const first = [MOVE];
const from = holding(plain, first);
const made = { from, design: plain };

const countIn = (design: Design | null): string | undefined =>
  design?.sections[0]!.components[0]!.count.likely;

describe('an alternative that is open', () => {
  it('is what the worker said while nothing was done', () => {
    expect(madeNow(made, from, 'x')).toBe(plain);
    expect(madeNow(made, holding(plain, first), 'x')).toBe(plain);
  });

  it('has what was typed at once, and what was typed anew in its place', () => {
    const once = recorded(first, [count('4')]);
    const twice = recorded(once, [count('5')]);
    expect(countIn(madeNow(made, holding(plain, once), 'x'))).toBe('4');
    const answered = { from: holding(plain, once), design: must(applyEdits(plain, [count('4')])).design };
    expect(countIn(madeNow(answered, holding(plain, twice), 'x'))).toBe('5');
  });

  it('waits for the worker where the design, a wide change, or something before became another', () => {
    const once = recorded(first, [count('4')]);
    const moved = must(applyEdits(plain, [count('9')])).design;
    expect(madeNow(made, holding(moved, once), 'x')).toBeNull();
    expect(madeNow(made, holding(plain, [...first, { ...MOVE }]), 'x')).toBeNull();
    expect(madeNow(made, holding(plain, []), 'x')).toBeNull();
    const answered = { from: holding(plain, once), design: must(applyEdits(plain, [count('4')])).design };
    expect(madeNow(answered, from, 'x')).toBeNull();
  });

  it('waits where it was taken away and what is left cannot be done', () => {
    const gone: DesignEdit = { edit: 'set-component', id: 'nobody', field: 'count', value: { likely: '1' } };
    expect(madeNow(made, holding(plain, recorded(first, [gone])), 'x')).toBeNull();
  });
});
