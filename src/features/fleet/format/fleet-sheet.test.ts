import ExcelJs from 'exceljs';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { fileOfBytes } from './inventory-file';
import { lookAtInventory, type Mapping, readInventory } from './read-inventory';

const HEAD = ['Name', 'vCPU', 'Memory (GB)'];
type Cells = readonly (readonly ExcelJs.CellValue[])[];

async function workbook(
  sheets: Readonly<Record<string, Cells>>,
  touch: (book: ExcelJs.Workbook) => void = () => undefined,
): Promise<Uint8Array> {
  const book = new ExcelJs.Workbook();
  for (const [name, rows] of Object.entries(sheets))
    book.addWorksheet(name).addRows(rows.map((row) => [...row]));
  touch(book);
  return new Uint8Array(await book.xlsx.writeBuffer());
}
const read = (bytes: Uint8Array, mapping: Mapping = {}) =>
  readInventory('Estate', [fileOfBytes('estate.xlsx', bytes)], mapping);
const sizes = async (bytes: Uint8Array) =>
  (await read(bytes)).fleet.machines.map(({ name, vcpu, memory }) => [name, vcpu.value, memory.value]);
const TWO: Cells = [HEAD, ['web', 4, 16], ['db', 8, 64]];
const SIZES = [
  ['web', 4, 16],
  ['db', 8, 64],
];
/** The parts of a workbook changed by hand. */
function changed(bytes: Uint8Array, change: (parts: Record<string, Uint8Array>) => void): Uint8Array {
  const parts = unzipSync(bytes);
  change(parts);
  return zipSync(parts);
}
const text = (part: Uint8Array | undefined): string => new TextDecoder().decode(part);

describe('a workbook', () => {
  it.each<[string, Cells]>([
    ['plain cells', TWO],
    ['numbers as text', [HEAD, ['web', '4', '16'], ['db', '8', '64']]],
    ['a title above', [['Inventory of the quay'], [], ...TWO]],
    [
      'headings in two rows',
      [
        ['Name', 'vCPU', 'Memory'],
        ['', 'count', '(GB)'],
        ['web', 4, 16],
        ['db', 8, 64],
      ],
    ],
    [
      'group headings above',
      [
        ['Machine', 'Size', null],
        ['Name', 'vCPU', 'Memory GB'],
        ['web', 4, 16],
        ['db', 8, 64],
      ],
    ],
    ['empty rows between', [HEAD, ['web', 4, 16], [], [], ['db', 8, 64]]],
    ['formulas that were worked out', [HEAD, ['web', { formula: '2+2', result: 4 }, 16], ['db', 8, 64]]],
    ['formatted text', [HEAD, [{ richText: [{ text: 'w' }, { text: 'eb' }] }, 4, 16], ['db', 8, 64]]],
    ['links', [HEAD, [{ text: 'web', hyperlink: 'http://example.test/' }, 4, 16], ['db', 8, 64]]],
  ])('with %s is read', async (_, rows) => {
    expect(await sizes(await workbook({ Machines: rows }))).toEqual(SIZES);
  });

  it('leaves hidden sheets out and says so; takes them where a person says so', async () => {
    const bytes = await workbook({ Machines: TWO, Old: [HEAD, ['lamp', 1, 2]] }, (book) => {
      book.getWorksheet('Old')!.state = 'hidden';
    });
    const found = await read(bytes);
    expect(found.fleet.machines.map(({ name }) => name)).toEqual(['web', 'db']);
    expect(found.notes).toContain('Sheet “Old” is hidden and was left out.');
    const both = await read(bytes, { roles: new Map([['Old', 'machines']]) });
    expect(both.fleet.machines.map(({ name }) => name)).toEqual(['web', 'db', 'lamp']);
  });

  it('says which ranges are merged, which cells are formulas that nobody worked out, and that macros are left alone', async () => {
    const plain = await workbook({ Machines: [...TWO, ['lamp', { formula: 'B2' }, 2]] }, (book) => {
      book.getWorksheet('Machines')!.mergeCells('A3:A4');
    });
    const bytes = changed(plain, (parts) => (parts['xl/vbaProject.bin'] = strToU8('macro')));
    const { notes, rejected } = await read(bytes);
    expect(notes.join('\n')).toContain('1 merged ranges (A3:A4)');
    expect(notes.join('\n')).toContain(
      '1 cells are formulas; read as they were last worked out, and 1 of them never were',
    );
    expect(notes.join('\n')).toContain('has macros: they are left alone');
    expect(rejected.map(({ table, row, column }) => [table, row, column])).toEqual([['Machines', 4, 'vCPU']]);
  });

  it('leaves out a row with a date where a number should be, or an error, with sheet, row and column', async () => {
    const { rejected, fleet } = await read(
      await workbook({
        Machines: [...TWO, ['cap', new Date('2026-03-04'), 2], ['hat', { error: '#REF!' }, 3]],
      }),
    );
    expect(fleet.machines).toHaveLength(2);
    expect(
      rejected.map(({ table, row, column, reason }) => [table, row, column, reason.slice(0, 14)]),
    ).toEqual([
      ['Machines', 4, 'vCPU', '“2026-03-04” i'],
      ['Machines', 5, 'vCPU', '“#REF!” is no '],
    ]);
  });

  it('is joined from sheets of machines, disks, measurements and hosts by their key', async () => {
    const days = Array.from({ length: 40 }, (_, at) => ['web', (at + 1) / 100, 20]);
    const { fleet, notes, tables } = await read(
      await workbook({
        Machines: [
          ['Name', 'Host', 'vCPU', 'Memory (GB)', 'Disk (GiB)'],
          ['web', 'h1', 4, 16, 5],
          ['db', 'h2', 8, 64, 7],
        ],
        Disks: [
          ['VM', 'Disk', 'Capacity (GiB)', 'Used space (GiB)'],
          ['WEB', 'a', 40, 10],
          ['web', 'b', 60, ''],
          ['gone', 'a', 1, 1],
        ],
        Use: [['Machine', 'CPU usage', 'Memory usage (%)'], ...days],
        Hosts: [
          ['Host', 'Cluster'],
          ['h1', 'quay'],
          ['h2', 'mole'],
        ],
      }),
    );
    expect(tables.map(({ sheet, role }) => [sheet, role])).toEqual([
      ['Machines', 'machines'],
      ['Disks', 'disks'],
      ['Use', 'measurements'],
      ['Hosts', 'hosts'],
    ]);
    const [web, db] = fleet.machines;
    expect([web!.cluster, web!.storage, web!.stored]).toEqual([
      'quay',
      { value: 100, from: 'derived' },
      { value: 10, from: 'derived' },
    ]);
    // Of forty measurements the 38th does not exceed 0.38.
    expect([web!.peakCpu?.value, web!.usualCpu?.value, web!.peakMemory?.value]).toEqual([0.4, 0.38, 0.2]);
    expect([db!.storage?.value, db!.peakCpu, db!.cluster]).toEqual([7, null, 'mole']);
    expect(notes.join('\n')).toContain('Disks of 1 name that is no machine of the list were left out.');
  });

  it('reduces several rows of a machine to one where the rows are measurements', async () => {
    const rows = ['a', 'b'].flatMap((name) => Array.from({ length: 30 }, (_, at) => [name, 4, 16, 10 + at]));
    const { fleet, rejected, notes } = await read(await workbook({ Days: [[...HEAD, 'CPU (%)'], ...rows] }));
    expect(
      fleet.machines.map(({ name, peakCpu, usualCpu }) => [name, peakCpu?.value, usualCpu?.value]),
    ).toEqual([
      ['a', 0.39, 0.38],
      ['b', 0.39, 0.38],
    ]);
    expect(rejected).toEqual([]);
    expect(notes.join('\n')).toContain('58 more rows');
  });

  it('and text files are joined, too', async () => {
    const file = (name: string, body: string) => fileOfBytes(name, strToU8(body));
    const { fleet } = await readInventory('Estate', [
      file('disks.csv', 'Server;Capacity GiB\nweb;30\nweb;12,5\n'),
      file('machines.csv', 'Server,Cores,RAM GB\nweb,2,8\n'),
    ]);
    expect(fleet.machines[0]!.storage?.value).toBe(42.5);
  });

  it('is looked at with what each column is taken for, and a few of its rows', async () => {
    const [look] = await lookAtInventory([fileOfBytes('e.xlsx', await workbook({ Machines: TWO }))]);
    expect(look).toMatchObject({
      headerRow: 1,
      role: 'machines',
      samples: [
        ['web', '4', '16'],
        ['db', '8', '64'],
      ],
    });
    expect(look!.columns.map(({ heading, field, unit }) => [heading, field, unit])).toEqual([
      ['Name', 'name', null],
      ['vCPU', 'vcpu', null],
      ['Memory (GB)', 'memory', 'GB'],
    ]);
  });
});

describe('a workbook that cannot be read', () => {
  const compound = (words: string): Uint8Array =>
    Uint8Array.from([
      0xd0,
      0xcf,
      0x11,
      0xe0,
      ...new Uint8Array(60),
      ...[...words].flatMap((sign) => [sign.charCodeAt(0), 0]),
    ]);
  const part = (name: string, xml: string) => async () =>
    changed(await workbook({ Machines: TWO }), (parts) => (parts[name] = strToU8(xml)));
  const SHEET = 'xl/worksheets/sheet1.xml';
  const cells = (...texts: readonly string[]): string =>
    texts.map((each) => `<c t="str"><v>${each}</v></c>`).join('');
  const HEAD_XML = `<row r="1">${cells('Name', 'vCPU', 'Memory')}</row><row r="2">${cells('web', '1', '2')}</row>`;
  const rows = (body: string): string => `<worksheet><sheetData>${body}</sheetData></worksheet>`;
  it.each<[string, () => Uint8Array | Promise<Uint8Array>, string]>([
    ['an encrypted one', () => compound('EncryptedPackage'), 'is encrypted: it needs a password'],
    ['one of the old form', () => compound('Workbook'), 'old binary form'],
    ['one that is cut off', async () => (await workbook({ M: TWO })).slice(0, 3000), 'cut off'],
    ['one with damaged bytes', async () => damaged(await workbook({ M: TWO })), 'damaged'],
    ['another container', () => zipSync({ mimetype: strToU8('text') }), 'no XLSX workbook'],
    ['one of a binary form', () => zipSync({ 'xl/workbook.bin': strToU8('x') }), 'of a binary form'],
    ['a sheet that unpacks without end', () => bomb(), 'unpacks to more than'],
    [
      'a cell of ten megabytes',
      part(SHEET, rows(`<row r="1"><c r="A1" t="str"><v>${'x'.repeat(10_000_000)}</v></c></row>`)),
      'row 1, column A has more than 100000 letters',
    ],
    [
      'ten thousand columns',
      part(SHEET, rows('<row r="1"><c r="NTP1"><v>1</v></c></row>')),
      'beyond the 2000 columns',
    ],
    ['rows out of order', part(SHEET, rows('<row r="5"/><row r="2"/>')), 'not in order after row 5'],
    [
      'a document type',
      part(SHEET, '<!DOCTYPE x [<!ENTITY a "b">]><worksheet/>'),
      'declares a document type',
    ],
    ['broken XML', part(SHEET, '<worksheet><row></worksheet>'), 'is damaged'],
    [
      'a million empty rows',
      part(
        SHEET,
        rows(HEAD_XML + Array.from({ length: 1_150_000 }, (_, at) => `<row r="${at + 3}"/>`).join('')),
      ),
      'more than a million empty rows',
    ],
    ['no machines in it', () => workbook({ Notes: [['Remember', 'the keys']] }), 'No table has the machines'],
  ])('%s is refused in words', { timeout: 30_000 }, async (_, make, words) => {
    await expect(read(await make())).rejects.toMatchObject({
      name: 'InventoryError',
      message: expect.stringContaining(words) as string,
    });
  });

  it('keeps external entities and formulas from doing anything', async () => {
    const bytes = await part(
      SHEET,
      rows('<row r="1"><c r="A1" t="inlineStr"><is><t>&outside;</t></is></c></row>'),
    )();
    await expect(read(bytes)).rejects.toThrow('damaged');
    expect(text(unzipSync(bytes)[SHEET])).toContain('&outside;');
  });
});

function bomb(): Uint8Array {
  return zipSync({
    'xl/workbook.xml': strToU8('<workbook><sheets><sheet name="a" r:id="r1"/></sheets></workbook>'),
    'xl/worksheets/sheet1.xml': new Uint8Array(60_000_000),
  });
}

function damaged(bytes: Uint8Array): Uint8Array {
  const made = bytes.slice();
  for (let at = 40; at < 2500; at += 3) made[at] = 0xaa;
  return made;
}
