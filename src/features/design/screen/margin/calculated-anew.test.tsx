/** What a later calculation changed in a design that was saved before, as its margin says it. */
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf } from '@tests/support/designs';
import { summarise } from '@/engine/summary';
import { CalculatedAnew, changedLines } from './calculated-anew';

afterEach(cleanup);

const design = designOf([
  serverOf('a', { name: 'Web' }),
  serverOf('b', { name: 'Queue' }),
  serverOf('c', { name: 'Not chosen', choice: { by: 'none' } }),
]);
const summary = summarise(design, smallBooks());
const plain = (): string => (screen.getByRole('status').textContent ?? '').replace(/\u00a0/g, ' ');

describe('what another calculation changed', () => {
  it('are the lines with another amount, and the ones that were not priced or are no longer', () => {
    expect(changedLines({ a: '70.50', b: '73.00', c: null }, summary)).toEqual([
      { id: 'a', before: '70.50', after: '73' },
    ]);
    expect(changedLines({ a: '73', b: null, c: '1' }, summary)).toEqual([
      { id: 'b', before: null, after: '73' },
      { id: 'c', before: '1', after: null },
    ]);
  });

  it('is said line by line', () => {
    render(
      <CalculatedAnew
        {...{ design, summary }}
        before={{ monthly: '143.5', lines: { a: '70.5', b: '73', c: null } }}
      />,
    );
    expect(plain()).toContain('146.00 USD a month instead of 143.50');
    expect(screen.getAllByRole('listitem').map((each) => each.textContent)).toEqual([
      expect.stringMatching(/^Web.*70\.50 → .*73\.00$/),
    ]);
  });

  it('is the total alone where the lines were not kept, and says so', () => {
    render(<CalculatedAnew {...{ design, summary }} before={{ monthly: '143.5', lines: null }} />);
    expect(screen.queryAllByRole('listitem')).toEqual([]);
    expect(plain()).toContain('was not kept by the version before');
  });
});
