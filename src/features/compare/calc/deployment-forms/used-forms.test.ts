import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { designOf } from '@tests/support/designs';
import { WIDE_BOOKS } from '@tests/support/wide-designs';
import { applyEdits, type Design } from '@/engine/design';
import { priceDesign } from '@/engine/pricing';
import { formKinds, type FormRow, formsFor, type FormWish, type MessageWish, type StoreWish } from './';

const WIDE: Design = designOf([], { books: [{ book: 'wide', revision: 1 }] });
const SEVERN = { book: 'wide', region: 'severn' };
const store = (part: Partial<StoreWish> = {}): StoreWish => ({
  job: 'store',
  reached: null,
  held: '2000',
  readBack: '0',
  accesses: '0',
  ...part,
});
const messages = (part: Partial<MessageWish> = {}): MessageWish => ({
  job: 'messages',
  again: null,
  messages: '1000000',
  size: '10',
  days: '7',
  ...part,
});
let made = 0;
const ask = (wish: FormWish): FormRow[] => formsFor(wish, SEVERN, WIDE, WIDE_BOOKS, () => `f${(made += 1)}`);
const costOf = (rows: readonly FormRow[], kind: string): string | undefined =>
  rows.find((row) => row.form.kind === kind)?.monthly?.toString();

describe('forms of a store', () => {
  it('cost what the same amount costs in each', () => {
    const rows = ask(store());
    // Objects: 1 000 GB at 0.02 and 1 000 at 0.01. A disk: 2 000 GB are 1862.645… GiB at 0.08.
    expect(costOf(rows, 'object-store')).toBe('30');
    expect(costOf(rows, 'block-volume')!.slice(0, 9)).toBe('149.01161');
    expect(rows.map((row) => row.monthly !== null)).toEqual([true, true, true, false]);
  });

  it('are paid by their accesses too: four fifths read', () => {
    // A million accesses: 800 000 reads lie within the first million free; 200 000 writes at 0.005 a thousand.
    expect(costOf(ask(store({ accesses: '1000000' })), 'object-store')).toBe('31');
  });

  it('that are reached in another way stay in the list and say so', () => {
    const rows = ask(store({ reached: 'files' }));
    expect(rows.filter((row) => row.component).map((row) => row.form.kind)).toEqual(['file-share']);
    expect(rows.find((row) => row.form.kind === 'block-volume')!.note).toBe('It is reached in another way.');
  });

  it('that nobody sells here say so, whatever was asked', () => {
    expect(ask(store({ reached: 'rows' })).find((row) => row.form.kind === 'key-value-store')).toMatchObject({
      component: null,
      note: 'Nothing of this size is sold here.',
    });
  });
});

describe('forms of passing messages on', () => {
  it('are paid by request, three for each message', () => {
    // 3 000 000 requests of one started 64 KiB at 0.40 a million; of 100 kB each counts twice.
    expect(costOf(ask(messages()), 'queue')).toBe('1.2');
    expect(costOf(ask(messages({ size: '100' })), 'queue')).toBe('2.4');
  });

  it('that lose what was read do not fit where it must be read again', () => {
    const rows = ask(messages({ again: true }));
    expect(rows.find((row) => row.form.kind === 'queue')).toMatchObject({
      component: null,
      note: 'What was read is gone.',
    });
    expect(ask(messages({ again: false })).find((row) => row.form.kind === 'stream')!.note).toContain(
      'nobody reads again',
    );
  });
});

describe('every form', () => {
  const anyWish: fc.Arbitrary<FormWish> = fc.oneof(
    fc.record({
      job: fc.constant('store' as const),
      reached: fc.constantFrom(null, 'objects' as const, 'files' as const, 'disk' as const),
      held: fc.integer({ min: 1, max: 100_000 }).map(String),
      readBack: fc.integer({ min: 0, max: 10_000 }).map(String),
      accesses: fc.integer({ min: 0, max: 50_000_000 }).map(String),
    }),
    fc.record({
      job: fc.constant('messages' as const),
      again: fc.constantFrom(null, false),
      messages: fc.integer({ min: 1, max: 1_000_000_000 }).map(String),
      size: fc.integer({ min: 1, max: 300 }).map(String),
      days: fc.integer({ min: 0, max: 30 }).map(String),
    }),
  );

  it('added to the design costs what it was shown to cost, and the cheapest stands first', () => {
    fc.assert(
      fc.property(anyWish, (wish) => {
        const fitting = ask(wish).filter((row) => row.component);
        for (const [at, row] of fitting.entries()) {
          const add = {
            edit: 'add-component',
            section: 'section',
            index: 0,
            component: row.component!,
          } as const;
          const added = applyEdits(WIDE, [add]);
          if (!added.ok) throw new Error('refused');
          const priced = priceDesign(added.value.design, WIDE_BOOKS, 'likely');
          expect(priced.monthly.value.toString()).toBe(row.monthly!.toString());
          expect(at === 0 || row.monthly!.greaterThanOrEqualTo(fitting[at - 1]!.monthly!)).toBe(true);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('has its kind’s offers loaded beforehand', () => {
    expect(formKinds('store')).toEqual(['object-store', 'file-share', 'block-volume', 'key-value-store']);
    expect(formKinds('messages')).toEqual(['queue', 'stream']);
    for (const wish of [store(), messages()]) {
      for (const row of ask(wish)) expect(formKinds(wish.job)).toContain(row.form.kind);
    }
  });
});
