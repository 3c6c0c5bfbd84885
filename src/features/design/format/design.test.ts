import fc from 'fast-check';
import { parse } from 'csv-parse/sync';
import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { agreementOf, anyDesign, designOf, serverOf, transferOf, volumeOf } from '@tests/support/designs';
import { addAll, decimal } from '@/engine/base';
import { summarise } from '@/engine/summary';
import { check } from '@/platform/formats/faults';
import { designCsv } from './design-csv';
import { editBatchSchema } from './edit';
import { readDesign, writeDesign } from './design';
import { drawn } from '@tests/support/drawn';

const books = smallBooks();
const faultsOf = (text: string): string[] => {
  const read = readDesign(text);
  return read.ok ? [] : read.faults.map((fault) => `${fault.path}: ${fault.message}`);
};
const fileOf = (
  change: (file: { [key: string]: unknown; design: Record<string, unknown> }) => void,
): string => {
  const file = JSON.parse(writeDesign(designOf([serverOf('a')]))) as {
    [key: string]: unknown;
    design: Record<string, unknown>;
  };
  change(file);
  return JSON.stringify(file);
};

describe('the design file', () => {
  it('comes back the same, with or without what it cost', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const plain = JSON.parse(JSON.stringify(design)) as unknown;
        expect(readDesign(writeDesign(design))).toEqual({ ok: true, value: plain });
        expect(readDesign(writeDesign(design, summarise(design, books)))).toEqual({ ok: true, value: plain });
      }),
      { numRuns: drawn(50) },
    );
  });

  it.each<[string, string, RegExp]>([
    ['another version', fileOf((file) => (file.version = 7)), /^version: must be 1/],
    ['another format', fileOf((file) => (file.format = 'shopping-list')), /^format:/],
    ['an empty title', fileOf((file) => (file.design.title = '  ')), /^design\.title: must not be empty/],
    [
      'a title of 5 MB',
      fileOf((file) => (file.design.title = 'x'.repeat(5_000_000))),
      /^design\.title: must be at most 200/,
    ],
    ['a file of 9 MB', fileOf((file) => (file.design.title = 'x'.repeat(9_000_000))), /larger than 8 MB/],
    [
      'negative hours',
      fileOf(
        (file) =>
          (file.design.sections = [
            section({ running: { pattern: 'hours', hoursPerMonth: { likely: '-4' } } }),
          ]),
      ),
      /hoursPerMonth\.likely: must not be negative/,
    ],
    [
      'half a server',
      fileOf((file) => (file.design.sections = [section({ count: { likely: '0.5' } })])),
      /count\.likely: must be a whole number/,
    ],
    [
      'an unknown unit',
      fileOf(
        (file) =>
          (file.design.sections = [
            section({
              kind: 'block-volume',
              usage: { capacity: { amount: { likely: '1' }, unit: 'barrel' } },
            }),
          ]),
      ),
      /usage\.capacity\.unit:/,
    ],
    [
      'a meter of another kind',
      fileOf(
        (file) =>
          (file.design.sections = [section({ usage: { stored: { amount: { likely: '1' }, unit: 'GB' } } })]),
      ),
      /has no meter/,
    ],
    [
      'a committed volume',
      fileOf((file) => (file.design.sections = [section({ kind: 'block-volume', term: '12-all' })])),
      /cannot be paid with a commitment/,
    ],
    [
      'the same id twice',
      JSON.stringify({ format: 'wick-design', version: 1, design: designOf([serverOf('a'), serverOf('a')]) }),
      /stands twice/,
    ],
    [
      'a book pinned twice',
      fileOf(
        (file) =>
          (file.design.books = [
            { book: 'a', revision: 1 },
            { book: 'a', revision: 2 },
          ]),
      ),
      /pinned twice/,
    ],
  ])('%s is refused with its place', (_, text, expected) => {
    expect(
      faultsOf(text).some((fault) => expected.test(fault)),
      faultsOf(text).slice(0, 3).join('\n').slice(0, 500),
    ).toBe(true);
  });

  it('keeps markup in a name as the text it is', () => {
    const design = designOf([serverOf('a', { name: '<script>alert(1)</script>' })]);
    expect(readDesign(writeDesign(design))).toMatchObject({ ok: true, value: design });
  });
});

function section(part: object) {
  return { id: 's', name: 'S', components: [{ ...serverOf('a'), ...part }] };
}

describe('the CSV', () => {
  const rowsOf = (text: string): Record<string, string>[] =>
    parse(text, { columns: true, bom: true }) as Record<string, string>[];

  it('has money columns whose rows add up to the total row', () => {
    fc.assert(
      fc.property(anyDesign, (design) => {
        const rows = rowsOf(designCsv(design, summarise(design, books)));
        const total = rows.pop()!;
        const columns = ['Monthly', 'Lean monthly', 'Heavy monthly', 'Upfront', 'List monthly'];
        for (const column of [...columns, 'Resale monthly']) {
          const cells = rows
            .map((row) => row[column]!)
            .filter((cell) => cell !== '' && cell !== 'not priced');
          expect(addAll(cells.map(decimal)).equals(decimal(total[column]!)), column).toBe(true);
        }
      }),
      { numRuns: drawn(60) },
    );
  });

  it('keeps list, contracted and resale price apart', () => {
    const agreement = agreementOf({ discount: { by: 'share', share: '0.5' }, margin: '0.2' });
    const design = designOf([serverOf('a')], { agreements: [agreement] });
    const [row] = rowsOf(designCsv(design, summarise(design, books)));
    expect(row).toMatchObject({ 'List monthly': '73.00', Monthly: '36.50', 'Resale monthly': '43.80' });
  });

  it('defuses what a spreadsheet would run as a formula', () => {
    const names = ['=1+1', '+cmd', '-2', '@sum'];
    const design = designOf(names.map((name, index) => serverOf(`c${index}`, { name })));
    const cells = rowsOf(designCsv(design, summarise(design, books))).map((row) => row.Component!);
    expect(cells.slice(0, names.length)).toEqual(names.map((name) => `'${name}`));
  });

  it('says what is not priced, and that the total is incomplete', () => {
    const design = designOf([
      serverOf('a', { choice: { by: 'none' } }),
      volumeOf('b', { likely: '10' }),
      transferOf('c', { likely: '110' }),
    ]);
    const rows = rowsOf(designCsv(design, summarise(design, books)));
    expect(rows[0]).toMatchObject({ Monthly: 'not priced', Note: 'No offer chosen yet for this server.' });
    expect(rows[3]).toMatchObject({ Section: 'Total (incomplete: 1 not priced)', Monthly: '10.80' });
  });
});

describe('a batch of edits', () => {
  const batch = (edit: unknown) => ({
    baseRevision: 0,
    batch: '11111111-1111-4111-8111-111111111111',
    edits: [edit],
  });

  it('takes every command of the core', () => {
    const edits = [
      { edit: 'set-component', id: 'a', field: 'term', value: '36-all' },
      {
        edit: 'set-usage',
        id: 'a',
        meter: 'stored',
        value: { amount: { likely: '1', lean: '0', heavy: '2' }, unit: 'GiB' },
      },
      { edit: 'set-assumption', field: 'month', value: { hours: 'calendar', year: 2027, month: 2 } },
      { edit: 'add-component', section: 's', index: 0, component: serverOf('b') },
      {
        edit: 'set-component',
        id: 'a',
        field: 'size',
        value: { vcpu: { likely: '2' }, memory: { likely: '4' } },
      },
      { edit: 'set-component', id: 'a', field: 'licences', value: null },
      { edit: 'set-component', id: 'a', field: 'months', value: { from: 2, to: null } },
      { edit: 'set-component', id: 'a', field: 'allocated', value: { likely: '0.5' } },
      { edit: 'set-component', id: 'a', field: 'guesses', value: ['count', 'usage/stored'] },
      { edit: 'answer-check', check: 'no-backup', subject: 'a', reason: 'Rebuilt from images.' },
      { edit: 'answer-check', check: 'no-backup', subject: '', reason: null },
      { edit: 'set-assumption', field: 'budget', value: '1200.50' },
      { edit: 'set-assumption', field: 'horizon', value: 60 },
      {
        edit: 'set-component',
        id: 'a',
        field: 'running',
        value: { pattern: 'asleep', share: { likely: '0.5' }, wakeUps: { likely: '3' } },
      },
      {
        edit: 'set-component',
        id: 'a',
        field: 'load',
        value: { rate: { by: 'requests', perSecond: { likely: '5' } } },
      },
      { edit: 'set-assumption', field: 'growth', value: null },
      { edit: 'set-assumption', field: 'season', value: Array.from({ length: 12 }, () => '1') },
      { edit: 'set-agreements', agreements: [] },
    ];
    for (const edit of edits) expect(check(editBatchSchema, batch(edit))).toMatchObject({ ok: true });
  });

  it.each([
    { edit: 'set-component', id: 'a', field: 'count', value: { likely: '-1' } },
    { edit: 'set-component', id: 'a', field: 'colour', value: 'red' },
    { edit: 'set-component', id: 'a', field: 'name', value: 'x'.repeat(201) },
    { edit: 'set-component', id: 'a', field: 'term', value: '24-none' },
    { edit: 'set-component', id: 'a', field: 'months', value: { from: 5, to: 2 } },
    { edit: 'set-component', id: 'a', field: 'allocated', value: { likely: '1.5' } },
    { edit: 'set-component', id: 'a', field: 'guesses', value: [''] },
    { edit: 'set-assumption', field: 'horizon', value: 0 },
    { edit: 'answer-check', check: '', subject: '', reason: 'x' },
    { edit: 'set-component', id: 'a', field: 'running', value: { pattern: 'week', days: ['#'] } },
    { edit: 'set-assumption', field: 'season', value: ['1'] },
    { edit: 'set-assumption', field: 'start', value: 'spring' },
    {
      edit: 'set-usage',
      id: 'a',
      meter: 'protected',
      value: { amount: { likely: '5' }, unit: 'GB', sizes: [{ count: '2', amount: '40' }] },
    },
    { edit: 'format-disk' },
  ])('refuses %j', (edit) => {
    expect(check(editBatchSchema, batch(edit)).ok).toBe(false);
  });
});
