import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import { summarise } from '@/engine/summary';
import { implausible } from '../use-plausibility';
import { withSizes } from '@/engine/design';
import { readSizes } from './sizes-entry';

describe('a list of sizes', () => {
  it('is read, and its sum becomes the amount', () => {
    const read = readSizes('3 of 40, 1 of 2100');
    expect(read).toEqual({
      ok: true,
      value: [
        { count: '3', amount: '40' },
        { count: '1', amount: '2100' },
      ],
    });
    if (!read.ok) return;
    const entry = { amount: { likely: '1', heavy: '9' }, unit: 'GiB' };
    expect(withSizes(entry, read.value)).toMatchObject({ amount: { likely: '2220' }, unit: 'GiB' });
  });

  it.each(['', '3', '3 of', '2.5 of 40', '-1 of 40', '1 of -40', 'some of 40', '3 of 40;'])(
    'is refused: “%s”',
    (text) => expect(readSizes(text).ok).toBe(false),
  );
});

describe('plausibility', () => {
  const BOOKS = smallBooks();
  const design = (count: string, sku = 'A-4') =>
    designOf([
      serverOf('a', { name: 'Front', count: { likely: count }, choice: { by: 'sku', sku } }),
      serverOf('b'),
      transferOf('out', { likely: '50' }),
    ]);
  const said = (from: ReturnType<typeof design>, to: ReturnType<typeof design>) =>
    implausible(summarise(from, BOOKS), summarise(to, BOOKS), to);

  it('says which line made the month a multiple or a fraction', () => {
    expect(said(design('1'), design('10'))).toMatch(/^“Front” made the month \d\.\d times as much\.$/);
    expect(said(design('10'), design('1'))).toMatch(/^“Front” made the month \d+ % of it\.$/);
  });

  it('says when a line loses its amount, and nothing where little changed', () => {
    expect(said(design('1'), design('1', 'nothing'))).toMatch(/^“Front” lost its amount\./);
    expect(said(design('4'), design('5'))).toBeNull();
    expect(said(design('4'), design('4'))).toBeNull();
  });
});
