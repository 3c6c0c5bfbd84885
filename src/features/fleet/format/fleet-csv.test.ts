import { describe, expect, it } from 'vitest';
import { columnsOf, type Field } from './columns';
import { isMissing, marksOf, readNumber } from './numbers';
import { fileOfBytes } from './inventory-file';
import { readInventory } from './read-inventory';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const must = (text: string | Uint8Array, chosen?: ReadonlyMap<string, Field | null>) =>
  readInventory(
    'Estate',
    [fileOfBytes('estate.csv', typeof text === 'string' ? bytes(text) : text)],
    chosen ? { chosen } : {},
  );
const sizes = async (text: string | Uint8Array) =>
  (await must(text)).fleet.machines.map(({ name, vcpu, memory }) => [name, vcpu.value, memory.value]);

describe('columns', () => {
  it.each([
    [
      ['VM', 'CPUs', 'Memory', 'Host', 'Cluster'],
      ['name', 'vcpu', 'memory', 'host', 'cluster'],
    ],
    [
      ['Server Name', 'Cores', 'RAM (GB)', 'CPU peak %', 'RAM max %', 'OS'],
      ['name', 'vcpu', 'memory', 'peakCpu', 'peakMemory', 'system'],
    ],
    [
      ['hostname', 'numCpu', 'memoryMB', 'cpu_p95_percent', 'mem_p95_percent'],
      ['name', 'vcpu', 'memory', 'usualCpu', 'usualMemory'],
    ],
    [
      ['Name', 'Prozessoren', 'Arbeitsspeicher (GB)', 'Umgebung', 'Betriebssystem'],
      ['name', 'vcpu', 'memory', 'environment', 'system'],
    ],
    [
      ['Disk used (GB)', 'Disk provisioned (GB)', 'CPU', 'Memory', 'Power state'],
      ['stored', 'storage', 'vcpu', 'memory', 'power'],
    ],
  ])('%j are %j', (headings, fields) => {
    expect(columnsOf(headings).map(({ field }) => field)).toEqual(fields);
  });

  it('are what a person says, whatever their heading; each field once', () => {
    const chosen = new Map<string, Field | null>([
      ['A', 'vcpu'],
      ['CPU', null],
    ]);
    expect(columnsOf(['A', 'CPU', 'Memory', 'Memory 2'], chosen).map(({ field }) => field)).toEqual([
      'vcpu',
      null,
      'memory',
      null,
    ]);
  });
});

describe('numbers', () => {
  it.each([
    [['1,5'], 'comma'],
    [['1.5'], 'point'],
    [['1.234,5'], 'comma'],
    [['1,234.5'], 'point'],
    [['1.234.567'], 'comma'],
    [['1,234'], null],
    [['1,234', '0,500'], 'comma'],
    [['7', '8'], null],
  ])('%j are written with a decimal %s', (samples, marks) => {
    expect(marksOf(samples)).toBe(marks);
  });

  it.each([
    ['1 024', 'point', 1024],
    ['1.024,5', 'comma', 1024.5],
    ["1'024", 'point', 1024],
    ['73 %', 'point', 73],
    ['−3', 'point', null],
    ['-3', 'point', null],
    ['12 cores', 'point', null],
    ['2026-01-01', 'point', null],
    ['1e3', 'point', 1000],
  ] as const)('%s with a %s is %s', (text, marks, value) => {
    expect(readNumber(text, marks)).toBe(value);
  });

  it('are missing where an inventory writes that it does not know', () => {
    for (const text of ['', ' ', '-', 'n/a', 'N/A', 'null', 'None', '#N/A', '?'])
      expect(isMissing(text)).toBe(true);
    for (const text of ['0', 'no', '1']) expect(isMissing(text)).toBe(false);
  });
});

const PLAIN = 'Name,vCPU,Memory (GB)\nweb,4,16\ndb,8,64\n';
const SIZES = [
  ['web', 4, 16],
  ['db', 8, 64],
];
const utf16 = (text: string, big: boolean): Uint8Array => {
  const made = new Uint8Array(text.length * 2);
  [...text].forEach((sign, at) => (made[at * 2 + (big ? 1 : 0)] = sign.charCodeAt(0)));
  return made;
};

describe('an inventory of any program', () => {
  it.each<[string, string | Uint8Array]>([
    ['commas', PLAIN],
    ['a mark of its encoding', `\ufeff${PLAIN}`],
    ['semicolons', PLAIN.replaceAll(',', ';')],
    ['tabs', PLAIN.replaceAll(',', '\t')],
    ['bars', PLAIN.replaceAll(',', '|')],
    ['other line ends', PLAIN.replaceAll('\n', '\r\n')],
    ['quotes', 'Name,vCPU,Memory (GB)\n"web",4,16\n"db","8","64"\n'],
    ['a title and empty rows above', `Inventory of the quay,,\n,,\n${PLAIN}`],
    ['empty rows between and below', PLAIN.replace('web', ',,\nweb') + ',,\n\n'],
    ['a column nobody knows', 'Name,vCPU,Remark,Memory (GB)\nweb,4,old,16\ndb,8,,64\n'],
    ['another order', 'Memory (GB),Name,vCPU\n16,web,4\n64,db,8\n'],
    ['megabytes', 'Name,vCPU,Memory (MB)\nweb,4,16384\ndb,8,65536\n'],
    ['megabytes that are not said', 'Name,vCPU,Memory\nweb,4,16384\ndb,8,65536\n'],
    ['decimal commas', 'Name;vCPU;Memory (GB)\nweb;4,0;16,0\ndb;8,0;64,0\n'],
    ['sixteen bits', utf16(PLAIN, false)],
    ['sixteen bits, the other way round', utf16(PLAIN, true)],
    ['sixteen bits with their mark', utf16(`\ufeff${PLAIN}`, false)],
    ['rows that are shorter', 'Name,vCPU,Memory (GB),Host\nweb,4,16\ndb,8,64,house\n'],
  ])('with %s is read', async (_, text) => {
    expect(await sizes(text)).toEqual(SIZES);
  });

  it('in western eight-bit signs is read', async () => {
    const made = Uint8Array.from(
      [...'Name,vCPU,Memory (GB)\nquai-\u00e9,2,4\n'].map((sign) => sign.charCodeAt(0)),
    );
    expect(await sizes(made)).toEqual([['quai-é', 2, 4]]);
  });

  it.each([
    ['a word for a number', 'web,four,16', 'vCPU', '“four” is no number'],
    ['less than nothing', 'web,-4,16', 'vCPU', 'no number of nothing or more'],
    ['nothing', 'web,0,16', 'vCPU', 'missing or nothing'],
    ['what is not known', 'web,4,n/a', 'Memory (GB)', 'missing or nothing'],
    ['a date', 'web,2026-01-02,16', 'vCPU', 'no number'],
    ['more than any machine has', 'web,4,99999999', 'Memory (GB)', 'more than any machine has'],
    ['a machine twice', 'db,2,4', 'Name', 'stands in row 2 already'],
  ])('leaves out a row with %s, says where and why, and keeps the others', async (_, row, column, reason) => {
    const { fleet, rejected } = await must(`Name,vCPU,Memory (GB)\ndb,8,64\n${row}\n`);
    expect(fleet.machines.map(({ name }) => name)).toEqual(['db']);
    expect(rejected).toEqual([
      { table: 'estate.csv', row: 3, column, reason: expect.stringContaining(reason) as string },
    ]);
  });

  it.each([
    ['nothing in it', '', 'The file is empty.'],
    ['no headings', 'web,4,16\ndb,8,64\n', 'among the first 20 rows none has headings'],
    ['half a workbook', 'PK\u0003\u0004…', 'cut off'],
    [
      'a cell of two hundred thousand letters',
      `Name,vCPU,Memory\n${'x'.repeat(200_000)},1,1\n`,
      'Row 2, column 1 has more than 100000 letters',
    ],
    ['too many columns', `vCPU,Memory${',x'.repeat(2500)}\n`, 'more than 2000 columns'],
    [
      'a cell of three million letters',
      `Name,vCPU,Memory\n"${'x'.repeat(3_000_000)}",1,1\n`,
      'cannot be read as CSV',
    ],
  ])('with %s is refused in words', async (_, text, words) => {
    await expect(must(text)).rejects.toMatchObject({
      name: 'InventoryError',
      message: expect.stringContaining(words) as string,
    });
  });

  it('says what it took for granted, and no more', async () => {
    expect((await must(PLAIN)).notes).toEqual([]);
    expect((await must('Name,vCPU,Memory\nweb,4,16\n')).notes).toEqual([
      '“Memory” does not say its unit: read as GiB, because the middle of it is 16.',
    ]);
  });

  it('reads shares as they are meant: per cent, or parts of one', async () => {
    const peak = async (cells: readonly string[], heading = 'CPU peak') => {
      const { fleet } = await must(
        `Name,vCPU,Memory (GB),${heading}\n${cells.map((cell, at) => `m${at},1,1,${cell}`).join('\n')}\n`,
      );
      return fleet.machines.map(({ peakCpu }) => peakCpu?.value ?? null);
    };
    expect(await peak(['50', '7.5', 'n/a'])).toEqual([0.5, 0.075, null]);
    expect(await peak(['0.5', '0.075', ''])).toEqual([0.5, 0.075, null]);
    // A sheet shows 50 % and holds 0.5.
    expect(await peak(['0.5', '1'], 'CPU peak (%)')).toEqual([0.5, 1]);
    expect(await peak(['0.5', '20'], 'CPU peak (%)')).toEqual([0.005, 0.2]);
  });

  it('tells apart what is on, what is off and what nobody says', async () => {
    const text =
      'Name,vCPU,Memory (GB),Power state\na,1,1,poweredOn\nb,1,1,Powered off\nc,1,1,\nd,1,1,stopped\n';
    expect((await must(text)).fleet.machines.map(({ power }) => power)).toEqual(['on', 'off', null, 'off']);
  });
});
