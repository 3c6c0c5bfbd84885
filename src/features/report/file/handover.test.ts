import ExcelJs from 'exceljs';
import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import { buildReport } from '@/features/report/calc';
import { handOver } from './hand-over';

const AT = new Date('2026-11-25T12:00:00Z');
const SMALL_BOOKS = smallBooks();
const FULL = { variant: 'full', validUntil: null, withAgreements: true } as const;
const HOSTILE = '=HYPERLINK("http://x","y")|<script>';

const design = designOf(
  [serverOf('a', { name: HOSTILE, count: { likely: '2' } }), transferOf('out', { likely: '1500' })],
  { title: HOSTILE, description: '# not a heading' },
);
const built = buildReport(design, SMALL_BOOKS, FULL);

async function workbook(): Promise<ExcelJs.Workbook> {
  const { bytes } = await handOver('xlsx', built, AT);
  const book = new ExcelJs.Workbook();
  await book.xlsx.load(bytes.buffer);
  return book;
}

describe('the sheet', () => {
  it('has its sheets, frozen heads and formulas for every amount', async () => {
    const book = await workbook();
    expect(book.worksheets.map((sheet) => sheet.name)).toEqual([
      'Summary',
      'Lines',
      'Ways of paying',
      'Months',
      'Assumptions',
      'Prices used',
      'Workings',
    ]);
    const lines = book.getWorksheet('Lines')!;
    expect(lines.views[0]).toMatchObject({ state: 'frozen', ySplit: 1, xSplit: 1 });
    expect(lines.getCell('L3').formula).toMatch(/^ROUND\(Workings!D\d+,2\)\+M3$/);
    expect(lines.getCell('L3').result).toBe(146);
    expect(lines.getCell('L3').numFmt).toBe('#,##0.00');
  });

  it('keeps what people wrote as text, whatever it begins with', async () => {
    const book = await workbook();
    for (const sheet of book.worksheets) {
      sheet.eachRow((row) =>
        row.eachCell((cell) => {
          if (cell.formula) expect(cell.formula).not.toContain('HYPERLINK');
          if (cell.text.includes('HYPERLINK')) expect(cell.type).toBe(ExcelJs.ValueType.String);
        }),
      );
    }
    expect(book.getWorksheet('Lines')!.getCell('A3').value).toBe(HOSTILE);
  });
});

describe('Markdown', () => {
  it('cannot be given markup by names, and carries the totals', async () => {
    const text = new TextDecoder().decode((await handOver('md', built, AT)).bytes);
    expect(text).toContain('\\<script\\>');
    expect(text).not.toContain('<script>');
    expect(text).toContain('\\# not a heading');
    expect(
      text.split('\n').filter((line) => line.includes('HYPERLINK') && line.startsWith('|')),
    ).toHaveLength(1);
    expect(text).toContain('| Likely, a month | 331.00 |');
  });
});

describe('JSON', () => {
  it('is the report itself', async () => {
    const { bytes } = await handOver('json', built, AT);
    expect(JSON.parse(new TextDecoder().decode(bytes))).toEqual(built.report);
  });
});
