/** `wick books from-bill` and `from-list`: what was really paid beside a book, and any price list by its columns, as a book. */
import fs from 'node:fs';
import path from 'node:path';
import { pricesTable } from '@/features/bills/words';
import { fileOfBytes } from '@/features/fleet/format/inventory-file';
import { readPriceListMap } from '@/features/price-books/format/price-list/map-schema';
import { paidRatesCsv } from '@/features/price-books/format/price-list/paid-csv';
import { readPriceList } from '@/features/price-books/format/price-list/read-list';
import { AppError, invalid } from '@/platform/use/app-error';
import { BILL_PRICES, draftBook, holdPrices, paidPriceList } from '@/features/bills/use/book-from-bill';
import { listBills } from '@/features/bills/use/bills';
import { billFiles, chosenBill, importFiles } from './bills-command';
import { readBooks, readText, writeOut } from './files';
import { memoryContext } from './memory-context';
import { type Call, WrongCall } from './options';
import { say, sayJson } from './print';
import { writeTable } from './table-output';

/** Without `--as`, the rates beside those of the book; with it, the book or the list that comes of them. */
export async function bookFromBill(call: Call): Promise<number> {
  const as = call.one('as');
  const prices = BILL_PRICES.find((each) => each === as);
  if (as !== undefined && as !== 'price-list' && !prices)
    throw new WrongCall(`--as is ${BILL_PRICES.join(', ')} or price-list.`);
  const context = await memoryContext(await readBooks(call.all('books')));
  await importFiles(context, billFiles(call.given));
  const bill = chosenBill(await listBills(context), call.one('from'));
  if (as === 'price-list') {
    writeOut(call.one('out') ?? '-', paidRatesCsv(await paidPriceList(context, bill.id)));
    return 0;
  }
  if (prices) {
    const parts: string[] = [];
    for await (const chunk of (await draftBook(context, bill.id, prices)).chunks) parts.push(chunk);
    writeOut(call.one('out') ?? '-', parts.join(''));
    return 0;
  }
  const held = await holdPrices(context, bill.id);
  await writeTable(call, pricesTable(held.rates, held.book, held.currency), held);
  return 0;
}

/** 0: the list became a book; 2: it does not add up. */
export async function bookFromList(call: Call): Promise<number> {
  const map = readPriceListMap(readText(call.all('map')[0]!));
  if (!map.ok) throw invalid('The map cannot be read.', map.faults, map.more);
  const [file] = call.given as [string];
  if (!fs.existsSync(file)) throw new AppError('not-found', `There is no file “${file}”.`);
  const bytes = new Uint8Array(fs.readFileSync(file));
  const read = await readPriceList(fileOfBytes(path.basename(file), bytes), map.value);
  if (!read.book) {
    if (call.form === 'json') sayJson({ faults: read.faults, more: read.more });
    else {
      say(`${file}: ${read.faults.length + read.more} faults. No book comes of it.\n`);
      for (const { line, column, path: heading, message } of read.faults)
        say(
          `  ${[line === undefined ? '' : `row ${line}`, column === undefined ? '' : `column ${column}`, heading].filter(Boolean).join(', ') || 'the file'}: ${message}\n`,
        );
      if (read.more > 0) say(`  … and ${read.more} more\n`);
    }
    return 2;
  }
  const text = `${JSON.stringify(read.book, null, 1)}\n`;
  if (call.one('out') !== undefined || call.form === 'json') writeOut(call.one('out') ?? '-', text);
  else {
    const { book, revision, offers, rates } = read.book;
    say(
      `${file}: ${book.title}, revision ${revision.number}: ${rates.length} rates of ${offers.length} offers out of ${read.rows} rows, ${read.skipped} left out on purpose.\n`,
    );
  }
  return 0;
}
