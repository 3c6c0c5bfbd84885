/** Alternatives and axes in the files of a report: the same amounts as the comparison, and nothing of them in a quotation. */
import ExcelJs from 'exceljs';
import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { agreementOf, designOf, serverOf, transferOf } from '@tests/support/designs';
import { decimal } from '@/engine/base';
import { compareDesign } from '@/features/compare/calc/comparison';
import type { Alternative, Design } from '@/engine/design';
import { BESIDES, buildReport } from '@/features/report/calc';
import { handOver } from './hand-over';
import { stretchesOf } from '@/platform/files/pdf-beside';

const AT = new Date('2026-11-25T12:00:00Z');
const BOOKS = smallBooks();
const HOSTILE = '=HYPERLINK("http://x","y")|<script>';

const other = (id: string, name: string, times: string): Alternative => ({
  id,
  name,
  note: '',
  changes: [{ change: 'traffic', what: { of: 'all' }, times }],
});
const design: Design = {
  ...designOf([serverOf('a', { count: { likely: '2' } }), transferOf('out', { likely: '150' })]),
  alternatives: [other('x', HOSTILE, '2'), other('y', 'Ten times', '10')],
};
const options = { variant: 'full', validUntil: null, withAgreements: false, beside: BESIDES } as const;
const built = buildReport(design, BOOKS, options);
const comparison = compareDesign(design, BOOKS);

describe('what stands beside a design', () => {
  it('is said as it is compared', () => {
    const [table] = built.report.beside;
    const total = table!.rows[table!.rows.length - 1]!.cells;
    expect([total[1], total[2], total[5]]).toEqual(
      comparison.columns.map(({ printed }) => ({ money: decimal(printed).toString() })),
    );
    expect(built.report.beside.map(({ head }) => head[0])).toEqual(['Line', 'What', 'What', 'What']);
  });

  it('is in a sheet with live sums, where names stay text', async () => {
    const book = new ExcelJs.Workbook();
    await book.xlsx.load((await handOver('xlsx', built, AT)).bytes.buffer);
    const sheet = book.getWorksheet('Beside 1')!;
    const last = sheet.getRow(sheet.rowCount);
    expect(last.getCell(2).result).toBe(Number(comparison.columns[0]!.printed));
    expect(last.getCell(3).formula).toMatch(/^C\d+$/);
    expect(last.getCell(3).result).toBe(Number(comparison.columns[1]!.printed));
    expect(sheet.getCell('C1').value).toBe(HOSTILE);
    expect(book.getWorksheet('Beside 4, to know')!.getCell('A1').text).toContain('way of paying');
  });

  it('is in Markdown, where names are no markup', async () => {
    const text = new TextDecoder().decode((await handOver('md', built, AT)).bytes);
    expect(text).not.toContain('<script>');
    expect(text).toContain('| **A month** | **176.00** | **211.00** | **35.00** |');
  });

  it('is on paper, a few sides at a time', async () => {
    const { bytes } = await handOver('pdf', built, AT);
    expect(new TextDecoder().decode(bytes.subarray(0, 5))).toBe('%PDF-');
    const plain = buildReport(design, BOOKS, { ...options, beside: [] });
    const pages = (pdf: Uint8Array): number =>
      new TextDecoder('latin1').decode(pdf).split('/Type /Page\n').length - 1;
    expect(pages(bytes)).toBe(pages((await handOver('pdf', plain, AT)).bytes) + BESIDES.length);
    const sides = Array.from({ length: 12 }, (_, at) => [`S${at}`, `S${at} ±`, `S${at} is`]).flat();
    const wide = { ...built.report.beside[0]!, head: ['Line', 'The design', ...sides] };
    const stretches = stretchesOf(wide).map(({ columns }) => columns.map((at) => wide.head[at]));
    expect(stretches.map((heads) => heads[1])).toEqual(['The design', 'The design', 'The design']);
    expect(stretches.flatMap((heads) => heads.slice(2))).toEqual(
      sides.filter((each) => !each.endsWith(' is')),
    );
  });

  it('never stands in a quotation', () => {
    const sold = { ...design, agreements: [agreementOf({ name: 'Frame', margin: '0.5' })] };
    const quotation = { ...options, variant: 'quotation', validUntil: '2026-12-31' } as const;
    expect(buildReport(sold, BOOKS, quotation).report.beside).toEqual([]);
  });
});
