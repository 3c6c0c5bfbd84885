/** Files as other programs read them: sheets recalculated by LibreOffice, printed pages read by pdftotext. */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import ExcelJs from 'exceljs';
import { beforeAll, describe, expect, it } from 'vitest';
import { indexBook } from '@/engine/books';
import { must } from '@/engine/base';
import { allComponents, applyEdit, type Design, followingOf } from '@/engine/design';
import { bookSet } from '@/engine/pricing';
import { buildReport, liveComponents, liveDrivers, mainEntries } from '@/features/report/calc';
import { DEMO_DESIGNS } from '@/demo/designs';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { DEMO_PROFILES } from '@/demo/profiles';
import { toBookData } from '@/features/price-books/format/price-book';
import { handOver } from '@/features/report/file/hand-over';

const AT = new Date('2026-11-25T12:00:00Z');
const FULL = { variant: 'full', validUntil: null, withAgreements: true } as const;
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-handed-over-'));
const books = bookSet(
  DEMO_PROFILES.flatMap((profile) =>
    DEMO_REVISIONS.map((revision) => indexBook(toBookData(generateBook(profile, revision)))),
  ),
);

/** The sheet without any remembered result, so that whoever opens it must calculate. */
async function bareSheet(
  design: Design,
  change: (book: ExcelJs.Workbook) => void,
): Promise<ExcelJs.Workbook> {
  const { bytes } = await handOver('xlsx', buildReport(design, books, FULL), AT);
  const book = new ExcelJs.Workbook();
  await book.xlsx.load(bytes.buffer);
  for (const sheet of book.worksheets) {
    sheet.eachRow((row) =>
      row.eachCell((cell) => {
        if (cell.formula) cell.value = { formula: cell.formula, date1904: false } as ExcelJs.CellFormulaValue;
      }),
    );
  }
  change(book);
  return book;
}

function entryOf(book: ExcelJs.Workbook, name: string, head: string): ExcelJs.Cell {
  const sheet = book.getWorksheet('Lines')!;
  const column = (sheet.getRow(1).values as unknown[]).indexOf(head);
  let found: ExcelJs.Cell | null = null;
  sheet.eachRow((row) => {
    if (row.getCell(1).value === name) found = row.getCell(column);
  });
  if (!found) throw new Error(`no line ${name}`);
  return found;
}

/** Every driver that the sheet lets people change, twice as high. */
function doubled(book: ExcelJs.Workbook): void {
  book.getWorksheet('Drivers')!.eachRow((row, number) => {
    if (number > 1 && !row.getCell(7).value) row.getCell(2).value = Number(row.getCell(2).value) * 2;
  });
}

/** Likely of the month on the first sheet and at the end of the lines. */
function totalsIn(book: ExcelJs.Workbook): (number | string)[] {
  const read = (cell: ExcelJs.Cell): number | string =>
    typeof cell.result === 'number' ? Math.round(cell.result * 100) / 100 : String(cell.result);
  let summary: ExcelJs.Cell | null = null;
  book.getWorksheet('Summary')!.eachRow((row) => {
    if (row.getCell(1).value === 'Likely') summary = row.getCell(2);
  });
  const lines = book.getWorksheet('Lines')!;
  return [read(summary!), read(lines.getCell(`L${lines.rowCount}`))];
}

/** Twice as many and one more of the first three that the sheet lets people change. */
function grown(design: Design): { readonly design: Design; readonly counts: ReadonlyMap<string, number> } {
  const { plan } = buildReport(design, books, FULL);
  const live = liveComponents(plan);
  const chosen = allComponents(design)
    .filter((each) => live.has(each.id))
    .slice(0, 3);
  const counts = new Map(chosen.map((each) => [each.name, Number(each.count.likely) * 2 + 1]));
  const sections = design.sections.map((section) => ({
    ...section,
    components: section.components.map((each) =>
      chosen.includes(each) ? { ...each, count: { likely: String(counts.get(each.name)) } } : each,
    ),
  }));
  return { design: { ...design, sections }, counts };
}

/** Lines whose count and main quantity somebody entered as numbers. */
function enteredLines(design: Design): number {
  const mains = mainEntries(design);
  return allComponents(design).filter((line) => {
    const following = followingOf(line).map(({ entry }) => entry);
    return !following.includes('count') && !following.includes(mains.get(line.id) ?? '');
  }).length;
}

describe('sheets opened by LibreOffice', () => {
  const recalculated = new Map<string, (number | string)[]>();

  beforeAll(async () => {
    const files: string[] = [];
    for (const [index, design] of DEMO_DESIGNS.entries()) {
      const { counts } = grown(design);
      const changes: Record<string, (book: ExcelJs.Workbook) => void> = {
        plain: () => undefined,
        grown: (book) => counts.forEach((count, name) => (entryOf(book, name, 'Count').value = count)),
        ...((design.assumptions.drivers ?? []).length === 0 ? {} : { driven: doubled }),
      };
      for (const [kind, change] of Object.entries(changes)) {
        const file = path.join(folder, `${kind}-${index}.xlsx`);
        await (await bareSheet(design, change)).xlsx.writeFile(file);
        files.push(file);
      }
    }
    const out = path.join(folder, 'out');
    const profile = `-env:UserInstallation=file://${path.join(folder, 'profile')}`;
    const result = spawnSync(
      'soffice',
      [profile, '--headless', '--convert-to', 'xlsx', '--outdir', out, ...files],
      { encoding: 'utf8', timeout: 240_000 },
    );
    if (result.status !== 0) throw new Error(`LibreOffice did not convert: ${result.stderr}`);
    for (const file of files) {
      const book = new ExcelJs.Workbook();
      await book.xlsx.readFile(path.join(out, path.basename(file)));
      recalculated.set(path.basename(file, '.xlsx'), totalsIn(book));
    }
  }, 300_000);

  it.each(DEMO_DESIGNS.map((design, index) => [design.title, index] as const))(
    '“%s” comes to our total, to the cent',
    (_, index) => {
      const ours = Number(buildReport(DEMO_DESIGNS[index]!, books, FULL).report.total.monthly);
      expect(recalculated.get(`plain-${index}`)).toEqual([ours, ours]);
    },
  );

  it('follow a changed driver as the calculation does', () => {
    const index = DEMO_DESIGNS.findIndex(({ assumptions }) => (assumptions.drivers ?? []).length > 0);
    const design = DEMO_DESIGNS[index]!;
    const live = liveDrivers(buildReport(design, books, FULL).plan);
    expect(live.size).toBeGreaterThan(0);
    const drivers = design.assumptions.drivers!.map((each) =>
      live.has(each.name) ? { ...each, value: { likely: String(Number(each.value.likely) * 2) } } : each,
    );
    const changed = must(
      applyEdit(design, { edit: 'set-assumption', field: 'drivers', value: drivers }),
    ).design;
    const ours = Number(buildReport(changed, books, FULL).report.total.monthly);
    const before = Number(buildReport(design, books, FULL).report.total.monthly);
    expect(ours).toBeGreaterThan(before);
    // The cells keep what made the printed rows add up before: at most a unit for each line.
    const [first] = recalculated.get(`driven-${index}`)!;
    expect(Math.abs(Number(first) - ours)).toBeLessThan(0.02);
  });

  it.each(DEMO_DESIGNS.map((design, index) => [design.title, index] as const))(
    '“%s” follows changed counts as the calculation does',
    (_, index) => {
      const { design, counts } = grown(DEMO_DESIGNS[index]!);
      const ours = Number(buildReport(design, books, FULL).report.total.monthly);
      const before = Number(buildReport(DEMO_DESIGNS[index]!, books, FULL).report.total.monthly);
      // A cell that follows a driver is a formula in the sheet, not an entry.
      expect(counts.size).toBe(Math.min(3, enteredLines(DEMO_DESIGNS[index]!)));
      expect(ours).toBeGreaterThan(before);
      for (const theirs of recalculated.get(`grown-${index}`)!) {
        // The rounding that makes the rows add up was fixed when the file was written: a cent a row at the most.
        expect(Math.abs(Number(theirs) - ours)).toBeLessThanOrEqual(0.01 * allComponents(design).length);
      }
    },
  );

  it('has the months of the first year where they were asked for, and no page of one or two rows', async () => {
    const [booking] = DEMO_DESIGNS;
    for (const more of [0, 7, 14, 21, 28, 35]) {
      const section = booking!.sections[0]!;
      const copies = Array.from({ length: more }, (_, at) => ({
        ...section.components[0]!,
        id: `more-${at}`,
        name: `Another ${at}`,
      }));
      const sections = [
        { ...section, components: [...section.components, ...copies] },
        ...booking!.sections.slice(1),
      ];
      const built = buildReport({ ...booking!, sections }, books, { ...FULL, byMonth: true });
      const file = path.join(folder, `months-${more}.pdf`);
      fs.writeFileSync(file, (await handOver('pdf', built, AT)).bytes);
      const { stdout } = spawnSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
      expect(stdout).toContain('Months and years');
      expect(stdout).toContain('Month 12');
      for (const page of stdout.split('\f').slice(0, -1)) {
        const rows = page.split('\n').filter((row) => row.trim() !== '' && !/Page \d+ of|Made on/.test(row));
        // The design's title runs above.
        expect(rows.length, `${more} more lines`).toBeGreaterThan(3);
      }
    }
  });
});

describe('printed pages read by pdftotext', () => {
  it.each(DEMO_DESIGNS.map((design, index) => [design.title, index] as const))(
    '“%s” has its totals, all its rows and page numbers',
    async (_, index) => {
      const built = buildReport(DEMO_DESIGNS[index]!, books, FULL);
      const file = path.join(folder, `${index}.pdf`);
      fs.writeFileSync(file, (await handOver('pdf', built, AT)).bytes);
      const read = spawnSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
      expect(read.status).toBe(0);
      const text = read.stdout.replaceAll('\u00a0', ' ');
      const grouped = (value: string): string =>
        value.replace(/\B(?=(\d{3})+(?!\d))/g, ' ').replace(/(\.\d*) /g, '$1');
      expect(text).toContain(grouped(built.report.total.monthly));
      for (const line of built.report.sections.flatMap((section) => section.lines)) {
        if (line.amount !== null) expect(text).toContain(grouped(line.amount));
        for (const word of line.name.split(' ')) expect(text).toContain(word);
      }
      // Lines come before what becomes of them over the months; those as quarters, unless months are asked for.
      const [first] = built.report.sections;
      expect(text.indexOf(first!.name)).toBeLessThan(text.indexOf('Quarters and years'));
      expect(text).not.toContain('Months and years');
      const pages = text.split('\f').length - 1;
      expect(text).toContain(`Page 1 of ${pages}`);
      expect(text).toContain(`Page ${pages} of ${pages}`);
    },
  );
});
