import { act, cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { designOf, serverOf } from '@tests/support/designs';
import { faultsOfChange } from '@/features/design/format/design';
import { FaultyEntries } from './faulty-entries';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
  cleanup();
});

const sound = designOf([serverOf('a', { name: 'Web' })]);
const strange = designOf([
  serverOf('a', { name: 'Web', usage: { pages: { amount: { likely: '1' }, unit: 'item' } } }),
]);
const grown = {
  ...strange,
  assumptions: { ...strange.assumptions, growth: { traffic: { likely: '15' }, stock: { likely: '0' } } },
};

describe('a design from before entries were checked', () => {
  it('names each entry that no file takes', () => {
    render(<FaultyEntries design={grown} />);
    act(() => void vi.advanceTimersByTime(1000));
    const items = screen.getAllByRole('listitem').map((each) => each.textContent);
    expect(items).toHaveLength(2);
    expect(items.join()).toContain('“Web”: usage.pages Server has no meter “pages”');
    expect(items.join()).toContain('15 % is written 0.15');
  });

  it('says nothing of a sound one', () => {
    render(<FaultyEntries design={sound} />);
    act(() => void vi.advanceTimersByTime(1000));
    expect(screen.queryByRole('status')).toBeNull();
  });

  it('can be put right one after the other: only what comes in anew is refused', () => {
    const renamed = {
      ...strange,
      sections: [
        { ...strange.sections[0]!, components: [{ ...strange.sections[0]!.components[0]!, name: 'Site' }] },
      ],
    };
    expect(faultsOfChange(strange, renamed)).toEqual([]);
    expect(faultsOfChange(strange, sound)).toEqual([]);
    expect(faultsOfChange(sound, strange)).toEqual([
      { path: '“Web” usage.pages', message: 'Server has no meter “pages”' },
    ]);
  });
});
