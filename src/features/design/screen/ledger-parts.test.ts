/** The parts of the ledger that think: reading cells, placing, what the last change did, words for conflicts. */
import { describe, expect, it } from 'vitest';
import { bookFrom, smallBookFile, smallBooks } from '@tests/support/books';
import { componentOf, designOf, serverOf, storeOf, transferOf, volumeOf } from '@tests/support/designs';
import { decimal, must } from '@/engine/base';
import type { Component, Design } from '@/engine/design';
import { compareOffers } from '@/engine/analysis';
import { summarise } from '@/engine/summary';
import type { PricingClient } from '@/features/design/worker/client';
import { keptRange, readCount, readUse, textOfUse } from './cells/use-text';
import { editValue } from '@/features/design/words';
import { matchesWords } from './pickers/offer-table';
import { savingText } from './pickers/term-picker';
import { placeEdits } from './place-edits';
import { newComponent, rowsOf } from './rows';
import { placeText, type BookInfo } from './book-list';
import { changeBetween } from './tally';

const month = decimal('730');
const plain = (text: string): string => text.replace(/\u00a0/g, ' ');

describe('the use cell', () => {
  it.each<[Component, string]>([
    [serverOf('a'), 'always'],
    [serverOf('a', { running: { pattern: 'hours', hoursPerMonth: { likely: '300' } } }), '300 h'],
    [
      serverOf('a', {
        running: { pattern: 'days', hoursPerDay: { likely: '10' }, daysPerMonth: { likely: '22' } },
      }),
      '10 h × 22 d',
    ],
    [volumeOf('a', { likely: '12000' }), '12 000 GiB'],
    [componentOf({ id: 'a', kind: 'transfer-out' }), ''],
  ])('shows %#', (component, text) => {
    expect(plain(textOfUse(component))).toBe(text);
  });

  it.each([
    ['always', { pattern: 'always' }],
    ['300', { pattern: 'hours', hoursPerMonth: { likely: '300' } }],
    ['300 h', { pattern: 'hours', hoursPerMonth: { likely: '300' } }],
    ['2 days', { pattern: 'hours', hoursPerMonth: { likely: '48' } }],
    ['10 h x 22 d', { pattern: 'days', hoursPerDay: { likely: '10' }, daysPerMonth: { likely: '22' } }],
    ['8.5×20', { pattern: 'days', hoursPerDay: { likely: '8.5' }, daysPerMonth: { likely: '20' } }],
  ])('reads running hours from %s', (text, value) => {
    expect(must(readUse(serverOf('a'), text, month))).toMatchObject({ field: 'running', value });
  });

  it('reads back what it shows', () => {
    for (const component of [
      volumeOf('a', { likely: '1234567.5' }),
      storeOf('a', { stored: { amount: { likely: '2' }, unit: 'TB' } }),
    ]) {
      const edit = must(readUse(component, textOfUse(component), month));
      expect(edit).toMatchObject({ value: Object.values(component.usage)[0] });
    }
  });

  it('keeps the range, converted, when only the likely value is typed in another unit', () => {
    const entry = { amount: { likely: '2000', lean: '1000', heavy: '4000' }, unit: 'GB' };
    expect(keptRange(entry, 'TB')).toEqual({ lean: '1', heavy: '4' });
    const edit = must(readUse(storeOf('a', { stored: entry }), '3 TB', month));
    expect(edit).toMatchObject({ value: { amount: { likely: '3', lean: '1', heavy: '4' }, unit: 'TB' } });
  });

  it.each([
    ['731', 'hours.exceed-month'],
    ['24 x 31', 'hours.exceed-month'],
    ['-3', 'quantity.negative'],
    ['ten', 'decimal.not-plain'],
    ['5 GB', 'unit.mismatch'],
  ])('refuses %s for a server as %s', (text, code) => {
    expect(readUse(serverOf('a'), text, month)).toMatchObject({ ok: false, issue: { code } });
  });

  it('reads whole counts only and keeps their range', () => {
    const component = serverOf('a', { count: { likely: '2', heavy: '9' } });
    expect(must(readCount(component, '4'))).toMatchObject({ value: { likely: '4', heavy: '9' } });
    expect(readCount(component, '0.5')).toMatchObject({ ok: false, issue: { code: 'count.not-whole' } });
    expect(readCount(component, '2000000')).toMatchObject({
      ok: false,
      issue: { code: 'quantity.too-large' },
    });
  });
});

const bookList: BookInfo[] = ['small', 'foreign'].map((key) => ({
  key,
  title: key === 'small' ? 'Small' : 'Foreign',
  currency: 'USD',
  monthHours: '720',
  revision: 3,
  effective: '2026-11-01',
  revisions: [{ number: 3, effective: '2026-11-01' }],
  newest: 3,
  regions: bookFrom(smallBookFile()).regions,
}));

describe('placing', () => {
  const client = {
    ask: async (question: { design: Design; component: Component }) =>
      compareOffers(question.component, question.design, smallBooks()).map((row) => ({
        sku: row.offer.sku,
        soldHere: row.soldHere,
        vcpu: row.offer.vcpu?.toNumber() ?? null,
        memory: row.offer.memory?.toNumber() ?? null,
      })),
  } as unknown as PricingClient;
  const elbe = { book: 'small', region: 'elbe' };

  it('keeps the offer where the book has it, even if the region does not sell it', async () => {
    const edits = await placeEdits(client, designOf([]), serverOf('a'), elbe, bookList);
    expect(edits).toEqual([{ edit: 'set-component', id: 'a', field: 'place', value: elbe }]);
  });

  it('takes the only offer there is', async () => {
    const fresh = componentOf({ id: 'a', kind: 'transfer-out', place: null });
    const edits = await placeEdits(
      client,
      designOf([]),
      fresh,
      { book: 'small', region: 'severn' },
      bookList,
    );
    expect(edits[1]).toMatchObject({ field: 'choice', value: { by: 'sku', sku: 'OUT' } });
  });

  it('pins a book the design did not know yet', async () => {
    const design = designOf([], { books: [{ book: 'small', revision: 3 }] });
    const edits = await placeEdits(
      client,
      design,
      serverOf('a'),
      { book: 'foreign', region: 'severn' },
      bookList,
    );
    expect(edits[0]).toEqual({
      edit: 'pin-books',
      books: [
        { book: 'small', revision: 3 },
        { book: 'foreign', revision: 3 },
      ],
    });
  });

  it('says where in words', () => {
    expect(placeText(bookList, elbe)).toBe('Small, Elbe');
    expect(placeText(bookList, null)).toBe('');
    expect(placeText(bookList, { book: 'gone', region: 'x' })).toBe('gone, x');
  });
});

describe('rows', () => {
  it('are sections, components, a blank line for each and one for a new section', () => {
    const rows = rowsOf(designOf([serverOf('a')]), null);
    expect(rows.map((row) => [row.key, row.level])).toEqual([
      ['section', 'head'],
      ['a', 'line'],
      ['section/next', 'blank'],
      ['next-section', 'blank'],
    ]);
  });

  it('place a new component where the last one is', () => {
    const design = designOf([
      serverOf('a', { place: { book: 'small', region: 'tasman' } }),
      serverOf('b', { place: null }),
    ]);
    expect(newComponent(design, design.sections[0]!, 'block-volume', 'Block volume', 'n').place).toEqual({
      book: 'small',
      region: 'tasman',
    });
  });
});

describe('the last change', () => {
  const books = smallBooks();
  const before = designOf([serverOf('a'), transferOf('b', { likely: '50' })]);
  const change = (after: Design) => changeBetween(summarise(before, books), summarise(after, books), after);

  it('names the one component that moved', () => {
    expect(
      change(designOf([serverOf('a', { count: { likely: '3' } }), transferOf('b', { likely: '50' })])),
    ).toEqual({
      amount: '146',
      what: 'Component a',
    });
  });

  it('counts several, knows what was removed, and is silent about nothing', () => {
    expect(
      change(designOf([serverOf('a', { count: { likely: '3' } }), transferOf('b', { likely: '250' })]))?.what,
    ).toBe('2 components');
    expect(change(designOf([transferOf('b', { likely: '50' })]))).toEqual({ amount: '-73', what: 'removed' });
    expect(change(before)).toBeNull();
  });
});

describe('words', () => {
  it('say what each side of a conflict wants', () => {
    expect(editValue({ edit: 'set-component', id: 'a', field: 'term', value: '12-none' })).toBe(
      '12 months, nothing upfront',
    );
    expect(
      editValue({
        edit: 'set-usage',
        id: 'a',
        meter: 'stored',
        value: { amount: { likely: '2' }, unit: 'TB' },
      }),
    ).toBe('2 TB');
    const count = { lean: '3', heavy: '6', likely: '5' };
    expect(editValue({ edit: 'set-component', id: 'a', field: 'count', value: count })).toBe(
      '5, lean 3, heavy 6',
    );
    expect(editValue({ edit: 'remove-component', id: 'a' })).toBe('removed');
  });

  it('say whether a term costs less or more', () => {
    expect(plain(savingText('0.27'))).toBe('27 % less');
    expect(plain(savingText('-0.054'))).toBe('5.4 % more');
    expect(savingText('0')).toBe('the same');
  });

  it('find offers by every typed word', () => {
    const row = {
      sku: 'NV-BAL-4-16',
      name: 'bal-4-16',
      family: 'Balanced',
      processor: 'Halden',
      vcpu: 4,
      memory: 16,
      note: '',
    } as Parameters<typeof matchesWords>[0];
    expect(matchesWords(row, 'halden 4/16')).toBe(true);
    expect(matchesWords(row, 'halden 8/32')).toBe(false);
    expect(matchesWords(row, '')).toBe(true);
  });
});
