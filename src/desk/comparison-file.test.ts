import ExcelJs from 'exceljs';
import { describe, expect, it } from 'vitest';
import { componentOf } from '@tests/support/designs';
import { testContext } from '@tests/support/store-contract';
import { FAR, NEAR, shoresDesign } from '@tests/support/two-shores';
import type { AxisAnswer } from '@/features/compare/calc/axes';
import type { Comparison } from '@/features/compare/calc/comparison';
import type { Component, Design } from '@/engine/design';
import { type ComparisonAsked, type TableForm, type WrittenFile } from '@/platform/use/job-ports';
import { publishBook } from '@/features/price-books/use/import-book';
import { storeDesign } from '@/features/design/use/designs';
import { memoryStores } from '@/stores/memory-stores';
import { inlineDesk } from './jobs';

const HERE = { book: 'near', region: 'severn' };
const line = (id: string, kind: Component['kind'], sku: string, part: Partial<Component> = {}) =>
  componentOf({ id, kind, place: HERE, choice: { by: 'sku', sku }, ...part });
const stored = (likely: string): Component['usage'] => ({ capacity: { amount: { likely }, unit: 'GiB' } });

const design: Design = {
  ...shoresDesign([
    line('web', 'server', 'N-4', { name: '=1+1' }),
    line('db', 'relational-database', 'N-DB'),
    line('lost', 'server', 'N-4', { choice: { by: 'none' } }),
  ]),
  alternatives: [
    {
      id: 'away',
      name: 'Away | far',
      note: 'As asked.',
      changes: [{ change: 'move', what: { of: 'all' }, book: 'far', revision: 1, region: null }],
    },
  ],
};
const two: Design = {
  ...design,
  sections: [
    ...design.sections,
    {
      id: 'more',
      name: 'More',
      components: [line('disk', 'block-volume', 'N-SSD', { usage: stored('100') })],
    },
  ],
};

async function written(form: TableForm, asked: ComparisonAsked = { by: 'section' }): Promise<WrittenFile> {
  const context = testContext(memoryStores());
  for (const file of [NEAR, FAR]) await publishBook(context, file);
  const id = await storeDesign(context, two);
  return inlineDesk(context).ask('comparison-file', { actor: context.actor, id, asked, form });
}

const text = ({ bytes }: WrittenFile): string => new TextDecoder().decode(bytes);

describe('a comparison as a file', () => {
  it('says the same in every form: 146 + 292 + 10 here, 116.8 + 365 + 8 there', async () => {
    const json = JSON.parse(text(await written('json'))) as Comparison;
    expect(json.columns.map(({ printed, change }) => [printed, change])).toEqual([
      ['448', null],
      ['489.8', '41.8'],
    ]);
    const csv = text(await written('csv'));
    expect(csv).toContain('total,A month,448.00,489.80,41.80');
    expect(csv.split('\r\n')[1]).toMatch(/^line,'=1\+1,146\.00,116\.80,-29\.20/);
    const markdown = text(await written('md'));
    expect(markdown).toContain('| **A month** | **448.00** | **489.80** | **41.80** |');
    expect(markdown).toContain('Away \\| far');
    expect(markdown).toContain('- As asked.');
    expect(markdown).toContain('Everything to Far, each line in the nearest region');
  });

  it('is a workbook whose sums and differences are live, and say what they are', async () => {
    const file = await written('xlsx');
    expect(file.name).toBe('test-design-alternatives.xlsx');
    const book = new ExcelJs.Workbook();
    await book.xlsx.load(file.bytes.buffer as never);
    const sheet = book.getWorksheet('Comparison')!;
    const rowOf = (name: string): number => {
      for (let at = 1; at <= sheet.rowCount; at += 1) if (sheet.getCell(`A${at}`).value === name) return at;
      throw new Error(`no row ${name}`);
    };
    const value = (cell: string): number => {
      const read = sheet.getCell(cell).value as number | { formula: string; result: number } | null | string;
      if (read === null || typeof read === 'string') return 0;
      if (typeof read === 'number') return read;
      // The formula, worked out from the other cells, is what stands beside it.
      const sum = /^SUM\((\w)(\d+):\w(\d+)\)$/.exec(read.formula);
      const worked = sum
        ? Array.from({ length: Number(sum[3]) - Number(sum[2]) + 1 }, (_, at) =>
            value(`${sum[1]}${Number(sum[2]) + at}`),
          ).reduce((total, each) => total + each, 0)
        : read.formula.includes('+')
          ? read.formula.split('+').reduce((total, each) => total + value(each), 0)
          : value(read.formula.split('-')[0]!) - value(read.formula.split('-')[1]!);
      expect(worked).toBeCloseTo(read.result, 8);
      return read.result;
    };
    const total = rowOf('A month');
    expect([value(`B${total}`), value(`C${total}`), value(`D${total}`)]).toEqual([448, 489.8, 41.8]);
    expect(value(`D${rowOf('=1+1')}`)).toBe(-29.2);
    expect(sheet.getCell(`A${rowOf('=1+1')}`).formula).toBeUndefined();
    expect(sheet.getCell(`B${rowOf('Component lost')}`).value).toBe('not priced');
    expect(book.getWorksheet('What to know')!.getCell('A1').value).toBe('Test design: alternatives');
  });

  it('of an axis ranks, and says shares and what is lacking', async () => {
    const asked = { axis: 'providers', what: { of: 'lines', ids: ['web'] } } as const;
    const json = JSON.parse(text(await written('json', asked))) as AxisAnswer;
    expect(json.rows.map(({ label, monthly }) => [label, monthly])).toEqual([
      ['Far, thames', '116.8'],
      ['Near, severn', '146'],
    ]);
    expect(text(await written('csv', asked))).toContain(
      '"Far, thames",116.80,-29.20,-0.2,f-2,United Kingdom',
    );
    expect(text(await written('md', asked))).toContain('every provider for “=1+1”');
    expect((await written('xlsx', asked)).bytes.length).toBeGreaterThan(1000);
  });

  it('is refused to nobody’s design', async () => {
    const context = testContext(memoryStores());
    const asked = inlineDesk(context).ask('comparison-file', {
      actor: context.actor,
      id: crypto.randomUUID(),
      asked: { by: 'section' },
      form: 'csv',
    });
    await expect(asked).rejects.toMatchObject({ code: 'not-found' });
  });
});
