import { describe, expect, it } from 'vitest';
import { decimal } from '@/engine/base';
import { pastedLines, type PasteWorld } from './pasted-lines';
import { type PastedTable, readPasted } from './pasted-table';

const table = (text: string): PastedTable => {
  const read = readPasted(text);
  if (typeof read === 'string') throw new Error(read);
  return read;
};

const WORLD: PasteWorld = {
  books: [
    {
      key: 'norvane',
      title: 'Norvane',
      regions: [
        { code: 'severn-1', name: 'Severn' },
        { code: 'tagus-1', name: 'Tagus' },
      ],
      offers: [
        { sku: 'NV-BAL-4-16', name: 'bal-4-16', kind: 'server' },
        { sku: 'NV-VOL', name: 'Volume, even', kind: 'block-volume' },
      ],
    },
    { key: 'osmere', title: 'Osmere', regions: [{ code: 'de.elbe', name: 'Elbe' }], offers: [] },
  ],
  place: { book: 'norvane', region: 'severn-1' },
  newId: () => 'new',
  monthHours: () => decimal('730'),
};

const lines = (text: string) => {
  const read = table(text);
  return pastedLines(read, read.fields, WORLD);
};

describe('a pasted table', () => {
  it('knows its columns by what stands above them, in any order and case', () => {
    expect(table('Qty\tServer name\tvCPUs\tRAM (GB)\tNotes\n2\tweb\t4\t16\tx').fields).toEqual([
      'count',
      'name',
      'vcpu',
      'memory',
      'ignore',
    ]);
  });

  it('takes each column once, and tables without headings by their usual order', () => {
    expect(table('Name\tName\tCount\na\tb\t1').fields).toEqual(['name', 'ignore', 'count']);
    expect(table('web\t2')).toMatchObject({ head: null, fields: ['name', 'count'], rows: [['web', '2']] });
  });

  it('cuts by tabs, semicolons or commas, and bears stray quotation marks and short rows', () => {
    expect(table('name;count\n"a;b";2').rows).toEqual([['a;b', '2']]);
    expect(table('name,count\nweb').rows).toEqual([['web', '']]);
    expect(table('name\tcount\n5" disk\t1').rows).toEqual([['5" disk', '1']]);
  });

  it.each([
    ['', 'nothing to paste'],
    ['name\tcount', 'nothing below'],
    [`name\tcount\n${'a\t1\n'.repeat(401)}`, 'at most 400'],
    ['x\t'.repeat(60), 'at most 40'],
    ['x'.repeat(1_000_001), 'million'],
  ])('is refused with a sentence: %#', (text, said) => {
    expect(readPasted(text)).toContain(said);
  });
});

describe('pasted lines', () => {
  it('become components with place, offer, count and use', () => {
    const [web, disk, big] = lines(
      'Name\tOffer\tCount\tUse\tRegion\tPaid\n' +
        'web\tbal-4-16\t3\t300 h\tTagus\t36 months, part upfront\n' +
        'disk\tnv-vol\t2\t80 GiB\t\t\n' +
        'big\t\t1\t\tElbe\t',
    );
    expect(web!.component).toMatchObject({
      name: 'web',
      kind: 'server',
      count: { likely: '3' },
      place: { book: 'norvane', region: 'tagus-1' },
      choice: { by: 'sku', sku: 'NV-BAL-4-16' },
      running: { pattern: 'hours', hoursPerMonth: { likely: '300' } },
      term: '36-part',
    });
    expect(disk!.component).toMatchObject({
      kind: 'block-volume',
      place: { region: 'severn-1' },
      usage: { capacity: { amount: { likely: '80' }, unit: 'GiB' } },
    });
    expect(big!.component).toMatchObject({ place: { book: 'osmere', region: 'de.elbe' } });
    // Only the row that names no region has taken one over.
    expect([web, disk, big].map((line) => line!.component!.guesses)).toEqual([
      undefined,
      ['place'],
      undefined,
    ]);
  });

  it('with a size and nothing else are the cheapest machine that has it', () => {
    const [line] = lines('Name\tCores\tMemory\nold host\t6\t24 GB');
    expect(line!.component).toMatchObject({
      kind: 'server',
      choice: { by: 'cheapest', need: { vcpu: '6', memory: '24' } },
    });
  });

  it('stand with the provider that has the offer, where several have the region', () => {
    const books = [{ ...WORLD.books[0]!, key: 'other', title: 'Other', offers: [] }, ...WORLD.books];
    const read = table('Name\tOffer\tRegion\na\tbal-4-16\tSevern');
    const [line] = pastedLines(read, read.fields, { ...WORLD, books, place: null });
    expect(line!.component!.place).toEqual({ book: 'norvane', region: 'severn-1' });
  });

  it('name every fault of a row at once', () => {
    const [line] = lines('Name\tRegion\tCount\na\tAtlantis\tmany');
    expect(line!.faults.map((each) => each.column)).toEqual([1, 2]);
  });

  it.each([
    ['Name\tOffer\na\tnothing-like-it', 1, 'no offer'],
    ['Name\tRegion\na\tAtlantis', 1, 'no region'],
    ['Name\tProvider\na\tNobody', 1, 'no price book'],
    ['Name\tKind\na\tspaceship', 1, 'not a kind'],
    ['Name\tCount\na\t2.5', 1, 'whole number'],
    ['Name\tCount\na\tmany', 1, 'not a number'],
    ['Name\tUse\na\t900 h', 1, '730'],
    ['Name\tPaid\na\tin shells', 1, 'way of paying'],
    ['Kind\tOffer\nserver\tnv-vol', 0, 'block volume'],
    ['Name\tvCPU\na\t-4', 1, 'negative'],
  ])('say what is wrong and in which column: %#', (text, column, message) => {
    const [line] = lines(text);
    expect(line!.component).toBeNull();
    expect(line!.faults[0]).toMatchObject({ column });
    expect(line!.faults[0]!.message).toContain(message);
  });
});
