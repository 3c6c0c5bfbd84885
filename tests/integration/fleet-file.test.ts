/** A fleet as a file: the workbook has every machine, and each sheet adds up to what the group costs. */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import ExcelJs from 'exceljs';
import { beforeEach, describe, expect, it } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { machineOf, sent } from '@tests/support/fleet-contract';
import { testContext } from '@tests/support/store-contract';
import { uploadOf } from '@tests/support/upload';
import { defaultPlacement } from '@/features/fleet/calc';
import { inlineDesk } from '@/desk/jobs';
import { machineLines } from '@/features/fleet/format/machine-schema';
import { askFleetFile } from '@/features/report/use/jobs';
import { bringMachines, openFleet, savePlan } from '@/features/fleet/use/fleets';
import { type Context } from '@/stores/ports';
import { importBook } from '@/features/price-books/use/import-book';
import { memoryStores } from '@/stores/memory-stores';

const SEVERN = { book: 'small', region: 'severn' };
const fact = (value: number) => ({ value, from: 'measured' as const });
let context: Context;
let id = '';

beforeEach(async () => {
  context = testContext(memoryStores());
  await importBook(context, uploadOf(smallBookFile()));
  id = context.newId();
  const machines = [
    machineOf('=web', 2, {
      host: 'h1',
      cluster: 'quay',
      peakCpu: fact(0.2),
      peakMemory: fact(0.3),
      system: 'Linux',
    }),
    machineOf('db', 4, { host: 'h1', cluster: 'mole', stored: fact(40), system: 'Linux' }),
    machineOf('huge', 900, { host: 'h2', cluster: 'mole', system: 'Linux' }),
  ];
  await bringMachines(context, { id, title: 'Quay', origin: 'a', source: sent(...machineLines(machines)) });
});

const plan = async () => {
  const stored = await openFleet(context, id);
  const placements = [
    defaultPlacement('used', 'Used / as [it] is', [SEVERN]),
    { ...defaultPlacement('as', 'Used : as *it* is', [SEVERN]), rule: { by: 'installed' as const } },
  ];
  await savePlan(context, id, { baseRevision: stored.revision, plan: { ...stored.plan, placements } });
};
const written = (form: 'xlsx' | 'csv' | 'md' | 'json' | 'pdf') =>
  inlineDesk(context).ask('fleet-file', { actor: context.actor, id, form });

describe('a fleet as a file', () => {
  it('is a workbook with hosts, machines, disks and every placement, each by its own name, that adds up', async () => {
    await plan();
    const book = new ExcelJs.Workbook();
    await book.xlsx.load((await written('xlsx')).bytes.buffer as never);
    expect(book.worksheets.map(({ name }) => name)).toEqual([
      'Side by side',
      'Hosts',
      'Machines',
      'Disks',
      'Used   as  it  is',
      'Used   as  it  is 2',
      'What to know',
    ]);
    const rows = (name: string): ExcelJs.CellValue[][] => {
      const all: ExcelJs.CellValue[][] = [];
      book.getWorksheet(name)!.eachRow((row) => all.push((row.values as ExcelJs.CellValue[]).slice(1)));
      return all;
    };
    expect(rows('Hosts').slice(2)).toEqual([
      ['h1', 'several', 2, 6, 24],
      ['h2', 'mole', 1, 900, 3600],
    ]);
    expect(
      rows('Machines')
        .slice(2)
        .map(([name]) => name),
    ).toEqual(['=web', 'db', 'huge']);
    expect(book.getWorksheet('Machines')!.getCell('A3').formula).toBeUndefined();
    const placed = rows('Used   as  it  is').slice(3);
    expect(placed[2]!.at(-1)).toBe('no size is as large');
    const sum = placed.reduce((all, row) => all + Number(row[3] ?? 0), 0);
    const side = rows('Side by side').slice(3);
    expect(sum).toBeCloseTo(Number(side[0]![5]), 8);
    expect(rows('Used   as  it  is')[1]![0]).toMatch(/^Prices: .*revision 3 of \d{4}-/);
    expect(book.getWorksheet('Machines')!.views[0]).toMatchObject({ state: 'frozen', xSplit: 1, ySplit: 2 });
    expect(book.getWorksheet('Machines')!.autoFilter).toBeTruthy();
  });

  it('is the same in every other form', async () => {
    await plan();
    const text = async (form: 'csv' | 'md' | 'json') => new TextDecoder().decode((await written(form)).bytes);
    const { cells } = JSON.parse(await text('json')) as { cells: { printed: string; placement: string }[] };
    expect(cells.map(({ placement }) => placement)).toEqual(['used', 'as']);
    const [, first] = (await text('csv')).split('\r\n');
    expect(first).toContain(`,${Number(cells[0]!.printed).toFixed(2)},`);
    const md = await text('md');
    expect(md).toContain('no size is as large: huge');
    expect(md).toContain('# What is in the way?');
    // On paper, too; the typeface groups digits with a narrow space.
    const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'wick-fleet-')), 'fleet.pdf');
    fs.writeFileSync(file, (await written('pdf')).bytes);
    const paper = spawnSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).stdout;
    expect(paper).toContain(Number(cells[0]!.printed).toFixed(2));
    for (const title of md.matchAll(/^## (.+)$/gm)) expect(paper).toContain(title[1]!);
    expect(paper).toMatch(/Page 1 of \d/);
  });

  it('is asked for as a job, once for the same plan, and not without a placement', async () => {
    await expect(written('csv')).rejects.toMatchObject({ code: 'invalid' });
    await plan();
    const one = await askFleetFile(context, id, 'xlsx');
    expect((await askFleetFile(context, id, 'xlsx')).id).toBe(one.id);
    expect((await askFleetFile(context, id, 'csv')).id).not.toBe(one.id);
    const other = { ...context, actor: { ...context.actor, workspace: context.newId() } };
    await expect(askFleetFile(other, id, 'csv')).rejects.toMatchObject({ code: 'not-found' });
  });
});
