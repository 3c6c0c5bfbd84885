/** What leaves the house, for any design: it adds up, it is the same in every form, and it keeps secrets. */
import ExcelJs from 'exceljs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { agreementOf } from '@tests/support/designs';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { addAll, decimal } from '@/engine/base';
import type { Design } from '@/engine/design';
import { writeMoney } from '@/platform/words';
import { buildReport, type Report } from '@/features/report/calc';
import { handOver } from './hand-over';
import { drawn } from '@tests/support/drawn';

const AT = new Date('2026-11-25T12:00:00Z');
const FULL = { variant: 'full', validUntil: null, withAgreements: true } as const;
const QUOTATION = { variant: 'quotation', validUntil: '2026-12-31', withAgreements: true } as const;
const SECRET = 'Kestrel frame contract';

/** A fifth off, and a margin of 13.7 per cent on top. */
const agreed = (design: Design): Design => ({
  ...design,
  agreements: [agreementOf({ name: SECRET, discount: { by: 'share', share: '0.2' }, margin: '0.137' })],
});

const sum = (values: readonly (string | null)[]): string =>
  addAll(values.flatMap((value) => (value === null ? [] : [decimal(value)]))).toString();
const same = (a: string, b: string): void => expect(decimal(a).toString()).toBe(decimal(b).toString());

async function textOf(form: 'md' | 'json', built: ReturnType<typeof buildReport>): Promise<string> {
  return new TextDecoder().decode((await handOver(form, built, AT)).bytes);
}

/** Every text, number and formula of every sheet. */
async function cellsOf(built: ReturnType<typeof buildReport>): Promise<string> {
  const book = new ExcelJs.Workbook();
  await book.xlsx.load((await handOver('xlsx', built, AT)).bytes.buffer);
  const texts: string[] = [book.title, book.subject, book.keywords, book.description].map(String);
  for (const sheet of book.worksheets) {
    texts.push(sheet.name);
    sheet.eachRow((row) =>
      row.eachCell((cell) => texts.push(`${cell.formula ?? ''} ${cell.text} ${String(cell.note ?? '')}`)),
    );
  }
  return texts.join('\n');
}

describe('a report of any design', () => {
  it('adds up: rows to sections, sections to the total, kinds and categories too', () => {
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        const { report } = buildReport(design, WIDE_BOOKS, FULL);
        for (const section of report.sections) {
          same(sum(section.lines.map((line) => line.amount)), section.amount);
          for (const row of [section, ...section.lines]) {
            if (row.wick) expect(row.wick.likely).toBe(row.amount);
          }
        }
        same(sum(report.sections.map((section) => section.amount)), report.total.monthly);
        same(sum(report.byKind.map((row) => row.value)), report.total.monthly);
        same(sum(report.byCategory.map((row) => row.value)), report.total.monthly);
      }),
      { numRuns: drawn(40) },
    );
  });

  it('has quarters and years that are sums of its months', () => {
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        const { report } = buildReport(design, WIDE_BOOKS, FULL);
        const months = (from: number, to: number, what: 'cash' | 'compares'): string =>
          sum(report.months.slice(from, to).map((month) => month[what]));
        for (const what of ['cash', 'compares'] as const) {
          report.quarters.forEach((each, at) => same(each[what], months(at * 3, at * 3 + 3, what)));
          report.years.forEach((each, at) => same(each[what], months(at * 12, at * 12 + 12, what)));
        }
        same(report.total.firstYear, report.years[0]!.cash);
        same(report.total.whole, sum(report.years.map((year) => year.cash)));
      }),
      { numRuns: drawn(15) },
    );
  });

  it('prints the same amounts in Markdown as it holds', async () => {
    await fc.assert(
      fc.asyncProperty(anyWideDesign, async (design) => {
        const built = buildReport(design, WIDE_BOOKS, FULL);
        const text = await textOf('md', built);
        const { report } = built;
        expect(text).toContain(`| Likely, a month | ${writeMoney(report.total.monthly, report.currency)} |`);
        const rows = text.split('\n').filter((line) => line.startsWith('|'));
        for (const line of report.sections.flatMap((section) => section.lines)) {
          const end = line.amount === null ? 'not priced' : `| ${writeMoney(line.amount, report.currency)} |`;
          expect(rows.some((row) => row.includes(end))).toBe(true);
        }
      }),
      { numRuns: drawn(10) },
    );
  });
});

describe('a quotation', () => {
  it('is the resale price: a fifth off and a margin on top of what list asks', () => {
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        const quoted = buildReport(agreed(design), WIDE_BOOKS, QUOTATION).report;
        const full = buildReport(agreed(design), WIDE_BOOKS, FULL).report;
        // What a line costs is never lower than what it is contracted for: the margin is on top.
        const amounts = (report: Report): Map<string, string | null> =>
          new Map(report.sections.flatMap((section) => section.lines.map((line) => [line.id, line.amount])));
        const bought = amounts(full);
        for (const [id, amount] of amounts(quoted)) {
          const before = bought.get(id) ?? null;
          if (amount === null || before === null) continue;
          expect(decimal(amount).plus('0.02').greaterThanOrEqualTo(decimal(before))).toBe(true);
        }
      }),
      { numRuns: drawn(25) },
    );
  });

  it('carries neither agreement, list price nor margin, in any form of file', async () => {
    await fc.assert(
      fc.asyncProperty(anyWideDesign, async (design) => {
        const built = buildReport(agreed(design), WIDE_BOOKS, QUOTATION);
        const { report } = built;
        expect([report.total.list, report.agreements, report.paying, report.rates]).toEqual([
          null,
          [],
          [],
          [],
        ]);
        for (const line of report.sections.flatMap((section) => section.lines)) expect(line.list).toBeNull();
        for (const text of [await textOf('md', built), await textOf('json', built), await cellsOf(built)]) {
          expect(text).not.toContain(SECRET);
          expect(text).not.toMatch(/0?\.137\b|13\.7\s*%/);
          expect(text.toLowerCase()).not.toMatch(/\bmargin\b|\bcontracted\b|at list price/);
        }
      }),
      { numRuns: 8 },
    );
  });

  it('says until when it holds', async () => {
    const built = buildReport(
      agreed({ ...fc.sample(anyWideDesign, { numRuns: 1, seed: 7 })[0]! }),
      WIDE_BOOKS,
      QUOTATION,
    );
    expect(await textOf('md', built)).toContain('Quotation, valid until 2026-12-31.');
    expect(await cellsOf(built)).toContain('2026-12-31');
  });
});
