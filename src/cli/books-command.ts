/** `wick books check|import|diff|search`: what the price-book screens do, on files or on the database. */
import { stringify } from 'csv-stringify/sync';
import { describeTerm } from '@/engine/terms';
import { writeShare } from '@/platform/words';
import type { Fault } from '@/platform/formats/faults';
import { changeOf, differenceBetween } from '@/features/price-books/use/book-difference';
import { compareRevisions, searchOffers } from '@/features/price-books/use/books';
import { type Context } from '@/stores/ports';
import { type FoundOffer, type RevisionDifference } from '@/features/price-books/use/book-ports';
import { importBook } from '@/features/price-books/use/import-book';
import { bytesOf, checkBookFile, readBookFile, readBooks } from './files';
import { memoryContext } from './memory-context';
import { type Call, type Form, WrongCall } from './options';
import { say, sayJson } from './print';

const write = say;
const writeJson = sayJson;
const writeRows = (rows: readonly (readonly string[])[]): void =>
  write(
    stringify(
      rows.map((row) => [...row]),
      { escape_formulas: true },
    ),
  );

function placeText({ line, column, path }: Fault): string {
  const place = line ? `line ${line}, column ${column ?? 1}` : '';
  return [place, path].filter(Boolean).join(': ') || 'file';
}

/** 0 if every file is sound, 2 if not. */
export async function checkCommand(files: readonly string[], form: Form): Promise<number> {
  const results = [];
  for (const file of files) results.push({ file, ...(await checkBookFile(file)) });
  if (form === 'json') {
    writeJson(results.map(({ file, head, counts, faults, more }) => ({ file, head, counts, faults, more })));
  } else if (form === 'csv') {
    writeRows([
      ['file', 'line', 'column', 'path', 'message'],
      ...results.flatMap(({ file, faults }) =>
        faults.map(({ line, column, path, message }) => [
          file,
          `${line ?? ''}`,
          `${column ?? ''}`,
          path,
          message,
        ]),
      ),
    ]);
  } else {
    for (const { file, head, counts, faults, more } of results) {
      if (faults.length === 0) {
        write(
          `${file}: good. ${head!.book.title}, revision ${head!.revision.number} of ${head!.revision.effective}: ${counts.regions} regions, ${counts.offers} offers, ${counts.rates} rates.\n`,
        );
        continue;
      }
      write(`${file}: ${faults.length + more} ${faults.length + more === 1 ? 'fault' : 'faults'}\n`);
      for (const fault of faults) write(`  ${placeText(fault)}: ${fault.message}\n`);
      if (more > 0) write(`  … and ${more} more\n`);
    }
  }
  return results.some(({ faults }) => faults.length > 0) ? 2 : 0;
}

export async function importCommand({ given, form }: Call): Promise<number> {
  const [file] = given as [string];
  const { source, bytes } = bytesOf(file);
  return (await import('./set-up')).withDatabase(async (context) => {
    const book = await importBook(context, {
      id: context.newId(),
      fileName: file,
      bytesTotal: bytes,
      source,
    });
    if (form === 'json') writeJson(book);
    else write(`${book.title}, revision ${book.revision}: ${book.rates} rates are published.\n`);
    return 0;
  });
}

/** Two files, or two revisions of a book in the database. */
export async function diffCommand(call: Call): Promise<number> {
  const { given, form } = call;
  const [book, from, to] = [call.one('book'), call.one('from'), call.one('to')];
  if (given.length === 2 && !book && !from && !to) return diffFiles(given[0]!, given[1]!, form);
  if (given.length > 0 || !book || !from || !to) {
    throw new WrongCall('“wick books diff” needs BEFORE and AFTER, or --book, --from and --to.');
  }
  const between = [Number(from), Number(to)] as const;
  if (!between.every(Number.isInteger)) throw new WrongCall('--from and --to take numbers of revisions.');
  return (await import('./set-up')).withDatabase((context) => diffRevisions(context, book, between, form));
}

const RATES_LISTED = 2000;

async function diffFiles(before: string, after: string, form: Form): Promise<number> {
  return writeDifference(
    differenceBetween(await readBookFile(before), await readBookFile(after), RATES_LISTED),
    form,
  );
}

async function diffRevisions(
  context: Context,
  book: string,
  [from, to]: readonly [number, number],
  form: Form,
): Promise<number> {
  return writeDifference(await compareRevisions(context, book, from, to), form);
}

function writeDifference(difference: RevisionDifference, form: Form): number {
  const rows = difference.rates.map((pair) => ({ rate: (pair.after ?? pair.before)!, ...changeOf(pair) }));
  const share = (value: string | null): string =>
    value === null ? '' : `${value.startsWith('-') ? '−' : '+'}${writeShare(value.replace('-', ''))}`;
  if (form === 'json') writeJson({ ...difference, changes: rows.map(({ rate: _, ...change }) => change) });
  else if (form === 'csv') {
    writeRows([
      ['what', 'SkuId', 'RegionId', 'SkuMeter', 'x_Term', 'before', 'after', 'change'],
      ...rows.map(({ rate, what, before, after, share: by }) => [
        what,
        ...[rate.sku, rate.region, rate.meter, rate.term],
        ...[before ?? '', after ?? '', by ?? ''],
      ]),
    ]);
  } else {
    const { offersAdded, offersGone, offersChanged, ratesAdded, ratesGone, ratesChanged } = difference;
    write(
      `Offers: ${offersAdded.length} added, ${offersGone.length} gone, ${offersChanged.length} changed\n`,
    );
    for (const offer of offersAdded) write(`  + ${offer.sku}  ${offer.name}\n`);
    for (const offer of offersGone) write(`  − ${offer.sku}  ${offer.name}\n`);
    for (const { before, after } of offersChanged) {
      const retired = before.lifecycle !== after.lifecycle ? `  now ${after.lifecycle}` : '';
      write(`  ~ ${after.sku}  ${after.name}${retired}\n`);
    }
    write(`Rates: ${ratesAdded} added, ${ratesGone} gone, ${ratesChanged} changed\n`);
    for (const { rate, what, before, after, share: by } of rows) {
      const prices = before && after ? `${before} → ${after}` : (after ?? before ?? '');
      write(
        `  ${what.padEnd(8)} ${rate.sku}  ${rate.region}  ${rate.meter}  ${describeTerm(rate.term)}  ${prices}  ${share(by)}\n`,
      );
    }
    const all = ratesAdded + ratesGone + ratesChanged;
    if (all > rows.length) write(`  … and ${all - rows.length} more\n`);
  }
  return 0;
}

/** Over the books of files, or of the database. 0 if something was found, 4 if not. */
export async function searchCommand(call: Call): Promise<number> {
  const paths = call.all('books');
  if (paths.length === 0) {
    return (await import('./set-up')).withDatabase((context) => searchIn(context, call));
  }
  return searchIn(await memoryContext(await readBooks(paths)), call);
}

async function searchIn(context: Context, call: Call): Promise<number> {
  const found = await searchOffers(context, queryOf(call));
  if (call.form === 'json') writeJson(found);
  else if (call.form === 'csv') writeRows([FOUND_HEAD, ...found.map(foundRow)]);
  else {
    for (const offer of found) write(`${foundRow(offer).filter(Boolean).join('  ')}\n`);
    if (found.length === 0) write('Nothing found.\n');
  }
  return found.length > 0 ? 0 : 4;
}

function queryOf(call: Call): Record<string, unknown> {
  const named = ['kind', 'region', 'book', 'family', 'vcpu', 'memory', 'gpu', 'capability'] as const;
  const limit = call.one('limit');
  const query = {
    text: call.given.join(' ') || undefined,
    ...Object.fromEntries(named.map((option) => [option, call.one(option)])),
    priceFrom: call.one('price-from'),
    priceTo: call.one('price-to'),
    limit: limit === undefined ? 50 : Number(limit),
  };
  return Object.fromEntries(Object.entries(query).filter(([, value]) => value !== undefined));
}

const FOUND_HEAD = [
  'x_BookKey',
  'SkuId',
  'x_SkuName',
  'x_Kind',
  'x_VCpu',
  'x_MemoryGiB',
  'x_LotPrice',
  'BillingCurrency',
  'x_Lifecycle',
  'regions',
];

function foundRow(offer: FoundOffer): string[] {
  const { book, sku, name, kind, vcpu, memory, price, currency, lifecycle, regions } = offer;
  return [
    book,
    sku,
    name,
    kind,
    vcpu ?? '',
    memory ?? '',
    price ?? '',
    currency,
    lifecycle,
    regions.join(' '),
  ];
}
