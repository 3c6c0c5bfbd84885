/** Commitments that are held already: paid whatever happens, and what they cover is not paid again. Worked by hand. */
import { describe, expect, it } from 'vitest';
import { heldSentence, heldSum, reviewTable } from '@/features/review/words';
import { reviewOf, type Extract, type LoadProfile } from '@/features/review/calc';
import { readLoadProfile } from '@/features/review/format/review/load-schema';
import { serverOf } from '@tests/support/designs';
import { fine } from '@tests/support/reviews';
import { resourceOf, sideOf } from '@tests/support/sent-reviews';
import { DEFAULT_MONTH } from '@/engine/time';
import { indexBook } from '@/engine/books';
import { bookSet } from '@/engine/pricing';
import { toBookData } from '@/features/price-books/format/price-book';
import { wideBookFile } from '@tests/support/wide-book';

// S-4: 0.10 an hour, 0.06 under twelve months: 73.00 and 43.80 a month. S-8: 0.20 an hour: 146.00.
const setting = {
  currency: 'USD',
  assumptions: { month: DEFAULT_MONTH, countAllowances: true, exchange: [] },
  books: [{ book: 'wide', revision: 1 }],
};

const place = { book: 'wide', region: 'severn' };
const at = (address: string, sku: string, count = '1') =>
  sideOf(serverOf(address, { place, choice: { by: 'sku', sku }, count: { likely: count } }));
const server = (name: string, before: string | null, after: string | null, count = '1') => {
  const address = `quay_server.${name}`;
  const side = (sku: string | null) => (sku === null ? null : at(address, sku, count));
  return resourceOf(address, side(before), side(after));
};

const held = (units: number, more = ''): LoadProfile =>
  fine(
    readLoadProfile(
      `wick: load-profile\nversion: 1\nloads: []\nheld:\n  - { name: Ours, book: wide, region: severn, sku: S-4, term: 12-none, units: ${units} }\n${more}`,
    ),
  );

function review(profile: LoadProfile, ...resources: ReturnType<typeof server>[]) {
  const extract: Extract = { form: 'plan', map: 'Quay', resources, remarks: [] };
  return reviewOf({ extract, profile, setting, books: bookSet([indexBook(toBookData(wideBookFile()))]) })
    .review;
}

describe('commitments that are held already', () => {
  it('cover what is there, whole or in part, and are told with how far they are used', () => {
    // Three of four: 3 × 43.80 + 73.00.
    const told = review(held(3), server('a', 'S-4', 'S-4', '4'));
    expect(told.totals).toMatchObject({ before: '204.4', after: '204.4', difference: '0' });
    expect(told.held).toEqual([
      {
        ...{ name: 'Ours', units: '3', paid: { before: '0', after: '0', difference: '0' } },
        before: { covered: '3', alike: '4' },
        after: { covered: '3', alike: '4' },
      },
    ]);
    expect(heldSentence(told.held[0]!, 'USD')).toBe(
      '“Ours” covers 3 of 3, of 4 alike before, and 3 of 3, of 4 alike after.',
    );
  });

  it('are paid on when a change leaves nothing for them to cover', () => {
    const told = review(held(2), server('a', 'S-4', 'S-8'), server('b', 'S-4', null));
    // Before 2 × 43.80; after 146.00 and both commitments for nothing, 87.60.
    expect(told.totals).toMatchObject({ before: '87.6', after: '233.6', difference: '146' });
    expect(heldSum(told.totals)).toMatchObject({ before: '0', after: '87.6' });
    expect(told.held[0]).toMatchObject({ after: { covered: '0', alike: '0' }, paid: { after: '87.6' } });
    // Rows and what is paid for nothing add up to the month.
    const cells = reviewTable(told, true).rows.map(({ cells: [name, , , after] }) => [name, after]);
    expect(cells).toContainEqual(['Held already', { money: '87.6' }]);
  });

  it('stay with what stays: a new resource takes none away from an old one', () => {
    const told = review(held(1), server('a', null, 'S-4'), server('z', 'S-4', 'S-4'));
    expect(told.rows.map(({ address, difference, after }) => [address, after, difference])).toEqual([
      ['quay_server.a', '73', '73'],
      ['quay_server.z', '43.8', '0'],
    ]);
  });

  it('cover the same in whatever order the plan is', () => {
    const all = ['a', 'b', 'c'].map((name) => server(name, 'S-4', 'S-4'));
    const rows = (...of: typeof all) =>
      Object.fromEntries(review(held(2), ...of).rows.map(({ address, after }) => [address, after]));
    expect(rows(...all)).toEqual(rows(...all.toReversed()));
  });

  it('are not counted twice: what pays otherwise already is left alone, a second one covers the rest', () => {
    // One covers one of four, the other the three that are left, and two of it nothing.
    const second = '  - { name: More, book: wide, region: severn, sku: S-4, term: 12-none, units: 5 }\n';
    const told = review(held(1, second), server('a', 'S-4', 'S-4', '4'), server('b', 'S-8', 'S-8'));
    expect(told.held.map(({ after }) => after)).toEqual([
      { covered: '1', alike: '4' },
      { covered: '3', alike: '3' },
    ]);
    expect(told.totals.after).toBe('408.8');
    const paying = resourceOf(
      'quay_server.c',
      null,
      sideOf(serverOf('quay_server.c', { place, choice: { by: 'sku', sku: 'S-4' }, term: '12-part' })),
    );
    expect(review(held(1), paying).held[0]!.after).toEqual({ covered: '0', alike: '0' });
  });

  it('without a price are told, and are in no sum', () => {
    const unknown = fine(
      readLoadProfile(
        'wick: load-profile\nversion: 1\nloads: []\nheld:\n  - { name: Old, book: wide, region: severn, sku: GONE, term: 12-none, units: 1 }\n',
      ),
    );
    const told = review(unknown, server('a', 'S-4', 'S-4'));
    expect(told.totals.after).toBe('73');
    expect(told.held[0]!.paid).toBeNull();
    expect(heldSentence(told.held[0]!, 'USD')).toContain('has no price');
  });

  it('of money buy what is eligible, and are paid on both sides', () => {
    // 0.07 an hour of S-4 under a spend commitment of 0.14 an hour: two of them whole.
    const spend =
      'wick: load-profile\nversion: 1\nloads: []\nheld:\n  - { name: Pledge, kind: spend-commitment, book: wide, region: severn, sku: SPEND, term: 12-none, units: 0.14 }\n';
    const told = review(fine(readLoadProfile(spend)), server('a', 'S-4', 'S-4'), server('b', null, 'S-4'));
    expect(told.held[0]).toMatchObject({ before: null, paid: { before: '51.1', after: '0' } });
    expect(heldSentence(told.held[0]!, 'USD')).toBe(
      '“Pledge” is held: what it buys nothing with costs 0.00 USD a month after, 51.10 before.',
    );
    expect(told.totals).toMatchObject({ before: '102.2', after: '102.2' });
  });

  it('are refused in the profile where they are no commitment', () => {
    const wrong = (line: string) =>
      readLoadProfile(`wick: load-profile\nversion: 1\nloads: []\nheld:\n  - ${line}\n`);
    expect(wrong('{ name: X, book: b, region: r, sku: s, term: on-demand, units: 1 }')).toMatchObject({
      ok: false,
      faults: [{ path: 'held[0].term' }],
    });
    expect(wrong('{ name: X, book: b, region: r, sku: s, term: 12-none, units: -1 }').ok).toBe(false);
  });
});
