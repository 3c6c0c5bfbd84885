/** A study as a file: LibreOffice works the workbook out anew and comes to our totals, also after an assumption was changed. */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import ExcelJs from 'exceljs';
import { beforeAll, describe, expect, it } from 'vitest';
import { drawnStudy, quayStudy } from '@tests/support/studies';
import { testContext } from '@tests/support/store-contract';
import { Dice } from '../reference/dice';
import { assumptionName, studyReport } from '@/features/own-or-rent/words';
import { assumptionsOf, type Study, studyAnswer, withGuess, workedStudy } from '@/features/own-or-rent/calc';
import { inlineDesk } from '@/desk/jobs';
import { readStudy } from '@/features/own-or-rent/format/study-schema';
import { studySheet } from '@/features/own-or-rent/file/sheet-study';
import { type Context } from '@/stores/ports';
import { openStudy, storeStudy } from '@/features/own-or-rent/use/studies';
import { memoryStores } from '@/stores/memory-stores';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-study-file-'));
let context: Context;

async function written(study: Study, form: 'pdf' | 'md' | 'json') {
  const id = await storeStudy(context, study);
  return inlineDesk(context).ask('study-file', { actor: context.actor, id, form });
}

async function bookOf(study: Study): Promise<ExcelJs.Workbook> {
  // Few draws: no formula hangs on them.
  const worked = workedStudy(study, { draws: 50, seed: 'workbook' });
  const file = { study, worked, report: studyReport({ study, ...worked }) };
  const book = new ExcelJs.Workbook();
  await book.xlsx.load((await studySheet(file, new Date('2026-11-28T00:00:00Z'))).buffer as never);
  return book;
}

/** No value that LibreOffice could just keep: only what it works out itself is there after it. */
function bare(book: ExcelJs.Workbook): ExcelJs.Workbook {
  for (const sheet of book.worksheets)
    sheet.eachRow((row) =>
      row.eachCell((cell) => {
        if (cell.formula) cell.value = { formula: cell.formula, date1904: false } as ExcelJs.CellFormulaValue;
      }),
    );
  return book;
}

/** The two totals and the difference, as they stand in the first sheet. */
function totalsIn(book: ExcelJs.Workbook): number[] {
  const found: number[] = [];
  book.getWorksheet('Answer')!.eachRow((row) => {
    const { result, value } = row.getCell(2);
    const amount = result ?? value;
    if (typeof amount === 'number') found.push(Math.round(amount * 100) / 100);
  });
  return found.slice(0, 3);
}

function ours(study: Study): number[] {
  const { variants, own, rent, more } = studyAnswer(study);
  const total = (id: string): number => Number(variants.find((each) => each.id === id)!.table.total);
  return [total(own), total(rent), Number(more)];
}

const CHANGED = 'general/tariff';
const CASES: readonly (readonly [string, Study])[] = [
  ['spread', quayStudy()],
  ['cash', { ...quayStudy(), basis: 'cash', sunk: true, tax: 'cash' }],
  ...[4, 11, 23].map((seed) => [`drawn-${seed}`, drawnStudy(new Dice(seed))] as const),
];

describe('a study as a workbook', () => {
  const recalculated = new Map<string, number[]>();

  beforeAll(async () => {
    const files: string[] = [];
    for (const [name, study] of CASES) {
      for (const isChanged of [false, true]) {
        const book = bare(await bookOf(study));
        if (isChanged) {
          const label = assumptionName(assumptionsOf(study).find(({ id }) => id === CHANGED)!);
          book.getWorksheet('Assumptions')!.eachRow((row) => {
            if (row.getCell(1).value === label) row.getCell(2).value = 0.55;
          });
        }
        const file = path.join(folder, `${name}${isChanged ? '-changed' : ''}.xlsx`);
        await book.xlsx.writeFile(file);
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

  it.each(CASES)('comes to our totals, to the cent: %s', (name, study) => {
    expect(recalculated.get(name)).toEqual(ours(study));
  });

  it.each(CASES)('follows a changed assumption as the calculation does: %s', (name, study) => {
    const there = ours(withGuess(study, CHANGED, { likely: '0.55' }));
    const found = recalculated.get(`${name}-changed`)!;
    expect(found).toEqual(there);
  });

  it('says which assumptions it does not follow', async () => {
    const rows: string[] = [];
    (await bookOf(quayStudy())).getWorksheet('Assumptions')!.eachRow((row) => {
      if (String(row.getCell(7).value ?? '').startsWith('says when')) rows.push(String(row.getCell(1).value));
    });
    expect(rows).toContain('Hosts: replaced after');
    expect(rows).toContain('Web: begins after'.replace('Web', 'web'));
    expect(rows).not.toContain('Tariff of power');
  });
});

describe('a study in its other forms', () => {
  it('has the sentence of the screen in Markdown and PDF, and is itself as JSON', async () => {
    context = testContext(memoryStores());
    const study = quayStudy();
    const text = new TextDecoder().decode((await written(study, 'md')).bytes);
    expect(text).toMatch(/^# Quay\n\nRenting costs .+ over five years/);
    expect(text).toContain('| Work on owned machines |');
    const pdf = path.join(folder, 'study.pdf');
    fs.writeFileSync(pdf, (await written(study, 'pdf')).bytes);
    const read = spawnSync('pdftotext', ['-layout', pdf, '-'], { encoding: 'utf8' });
    expect(read.stdout).toContain('Renting costs');
    expect(read.stdout).toContain('Work on owned machines');
    const again = readStudy(new TextDecoder().decode((await written(study, 'json')).bytes));
    const [id] = [await storeStudy(context, study)];
    expect(again.ok && again.value).toEqual((await openStudy(context, id)).study);
  }, 180_000);
});
