/** `wick bills …`: bills in FOCUS form held against a design, on files alone; `import` takes them into the database. */
import fs from 'node:fs';
import path from 'node:path';
import { expectedBill, expectedRows, type LaidBill } from '@/features/bills/calc';
import { billReport, billTable, varianceSentence } from '@/features/bills/words';
import { type FlatTable } from '@/platform/tables';
import type { Design } from '@/engine/design';
import { writeDesign } from '@/features/design/format/design';
import { billCsv } from '@/features/bills/format/focus/write-bill';
import { AppError, invalid } from '@/platform/use/app-error';
import { type BillListing } from '@/features/bills/use/bill-ports';
import { type BillView, viewBill } from '@/features/bills/use/bill-view';
import { type Context } from '@/stores/ports';
import { draftBillRules } from '@/features/bills/use/bill-rules';
import { importBill } from '@/features/bills/use/import-bill';
import { importDesign } from '@/features/design/use/designs';
import { linkBillDesign, listBills } from '@/features/bills/use/bills';
import { saveTeamFile } from '@/features/review/use/team-files';
import { booksOf, bytesOf, readBooks, readDesignFile, readText, writeOut } from './files';
import { memoryContext } from './memory-context';
import { type Call, WrongCall } from './options';
import { say, sayJson } from './print';
import { writeTable } from './table-output';
import { terminal } from './terminal';

const INCOMPLETE = 3;
const BILL_FILE = /\.(csv|csv\.gz|gz|parquet)$/i;
const DAY = /^\d{4}-\d\d-\d\d$/;

/** Files as they are named; of a folder its bills, in name order. */
export function billFiles(given: readonly string[]): string[] {
  return given.flatMap((each) => {
    if (each === '-' || !fs.existsSync(each) || !fs.statSync(each).isDirectory()) return [each];
    const names = fs.readdirSync(each).filter((name) => BILL_FILE.test(name));
    if (names.length === 0)
      throw new AppError('not-found', `There is no bill in “${each}”: no *.csv, *.csv.gz or *.parquet.`);
    return names.sort().map((name) => path.join(each, name));
  });
}

export async function importFiles(context: Context, files: readonly string[]) {
  const all = [];
  for (const file of files) {
    const { source, bytes } = bytesOf(file);
    const upload = { id: context.newId(), fileName: path.basename(file), bytesTotal: bytes, source };
    try {
      all.push({ file, ...(await importBill(context, upload)) });
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      throw new AppError(error.code, `${file}: ${error.message}`, error.detail, error);
    }
  }
  return all;
}

/** Each file whole or not at all; a period that is there already is replaced. */
export async function importBills({ given, form }: Call): Promise<number> {
  const files = billFiles(given);
  return (await import('./set-up')).withDatabase(async (context) => {
    const all = await importFiles(context, files);
    if (form === 'json') sayJson(all);
    else
      for (const { file, bills, conformance } of all) {
        for (const { provider, account, from, to, rows, billed, currency, changed } of bills)
          say(
            `${file}: ${provider} ${account}, ${from} up to ${to}: ${rows} rows, ${billed} ${currency}${changed ? ` (${changed.billed} more than before)` : ''}.\n`,
          );
        for (const { column, kind, rows, means } of conformance.findings)
          if (kind !== 'missing-column' || means !== 'nothing is worked out of it')
            say(`  ${column || 'row'}: ${kind}, ${rows} rows: ${means}\n`);
      }
    return 0;
  });
}

interface Worked {
  readonly view: BillView;
  readonly table: FlatTable;
}

/** The bill of one period: the newest, or the one that `--from` names. */
async function worked(call: Call): Promise<Worked> {
  const design = call.one('design');
  const context = await memoryContext(design === undefined ? [] : await readBooks(call.all('books')));
  const of = await heldAgainst(context, call, design === undefined ? null : readDesignFile(design));
  const view = await viewBill(context, of.id);
  const table = billTable({ head: view.bill, title: view.design?.title ?? null, ...view });
  return { view, table };
}

async function heldAgainst(context: Context, call: Call, design: Design | null): Promise<BillListing> {
  const rules = call.one('rules');
  if (design === null && rules !== undefined)
    throw new WrongCall('--rules needs the design they are for: --design.');
  await importFiles(context, billFiles(call.given));
  const bill = chosenBill(await listBills(context), call.one('from'));
  if (design) {
    const id = await importDesign(context, writeDesign(design));
    if (rules !== undefined)
      await saveTeamFile(context, 'bill-rules', { name: id, baseRevision: 0, text: readText(rules) });
    await linkBillDesign(context, bill.id, id);
  }
  return bill;
}

export function chosenBill(bills: readonly BillListing[], from: string | undefined): BillListing {
  const found = from === undefined ? bills[0] : bills.find((bill) => bill.from === from);
  if (found) return found;
  throw invalid(
    `There is no period that begins on ${from}; there are ${bills.map((bill) => bill.from).join(', ')}.`,
  );
}

const exitOf = ({ without }: LaidBill): number => (without.length > 0 ? INCOMPLETE : 0);

export async function showBill(call: Call): Promise<number> {
  const { view, table } = await worked(call);
  await writeTable(call, table, view);
  return exitOf(view.laid);
}

/** The steps from expected to billed. */
export async function billVariance(call: Call): Promise<number> {
  const { view, table } = await worked(call);
  const { tables } = billReport({ head: view.bill, title: view.design?.title ?? null, ...view }, null);
  await writeTable(call, { ...tables[0]!, answer: table.answer }, view.laid.variance);
  return exitOf(view.laid);
}

/** Where it closes, day by day. */
export async function projectBill(call: Call): Promise<number> {
  const { view, table } = await worked(call);
  const { close, bill, laid } = view;
  if (!close) throw invalid('No day of this bill has use yet, so nothing can be said of its close.');
  const { currency } = bill;
  await writeTable(
    call,
    {
      title: table.title,
      answer: table.notes[0]!.lines.join(' '),
      currency,
      head: ['Day', 'Known', 'So far'],
      rows: [
        ...close.days.map(({ day, soFar, isAhead }) => ({
          ...{ level: 'line' as const, cells: [day, isAhead ? 'worked out' : 'billed', { money: soFar }] },
        })),
        { level: 'total', cells: ['Closes at', '', { money: close.likely }] },
      ],
      noSums: true,
      notes: [{ title: 'So far', lines: [varianceSentence(laid.variance, currency)] }],
    },
    close,
  );
  return exitOf(laid);
}

/** Rules for what none takes yet, as a file. */
export async function draftRulesOf(call: Call): Promise<number> {
  const context = await memoryContext(await readBooks(call.all('books')));
  const bill = await heldAgainst(context, call, readDesignFile(call.one('design')!));
  const drafts = await draftBillRules(context, bill.id);
  const { withDraft } = await import('@/features/bills/format/rules-text');
  const rules = call.one('rules');
  const text = withDraft(
    rules === undefined ? 'wick: bill-rules\nversion: 1\nrules: []\n' : readText(rules),
    drafts,
  );
  const out = call.one('out');
  if (out === undefined || out === '-') say(text);
  else writeOut(out, text);
  return 0;
}

/** What a design lets expect of a period, as a bill in FOCUS form: by provider, the parts of one after the other. */
export async function expectBill(call: Call): Promise<number> {
  const design = readDesignFile(call.given[0]!);
  const [from, to] = [call.one('from')!, call.one('to')!];
  if (!DAY.test(from) || !DAY.test(to) || from >= to)
    throw invalid('--from and --to take days such as 2026-11-01 and 2026-12-01, the second not in it.');
  const books = await booksOf(call.all('books'));
  const expected = expectedBill(design, books, { from, to }, design.currency);
  const head = { provider: 'expected', account: design.title, from, to, currency: design.currency };
  const text = [...billCsv(head, expectedRows(design, expected, { from, to }))].join('');
  const out = call.one('out');
  if (out === undefined || out === '-') terminal().out(text);
  else writeOut(out, text);
  return expected.without.length > 0 ? INCOMPLETE : 0;
}
