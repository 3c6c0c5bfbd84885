/** Hostile price books: bent in every field, cut, packed, repeated, endless. Refused with a place, or published; never more. */
import { Readable } from 'node:stream';
import { gzipSync } from 'node:zlib';
import { seededRandom } from '@/engine/base';
import { writeBookCsv } from '@/features/price-books/format/stream';
import { AppError } from '@/platform/use/app-error';
import { importBook } from '@/features/price-books/use/import-book';
import { memoryStores } from '@/stores/memory-stores';
import { smallBookFile } from '@tests/support/books';
import { testContext } from '@tests/support/store-contract';
import { uploadOf } from '@tests/support/upload';
import { wideBookFile } from '@tests/support/wide-book';
import { type Counts, noCounts } from './count';
import { mutated } from './edges';

const PATIENCE = 10_000;

async function flatText(): Promise<string> {
  const { book, revision, regions, offers, rates } = smallBookFile();
  const flat = rates.filter((rate) => Object.keys(rate).length === 9 && rate.charge.structure === 'per-unit');
  async function* all() {
    yield flat;
  }
  let text = '';
  const pieces = { head: { book, revision }, regions, offers, rates: all() };
  for await (const part of writeBookCsv(pieces)) text += part;
  return text;
}

/** Endless or nearly so: what is sent is made while it is asked for. */
function* repeated(begin: string, part: string, megabytes: number): Generator<Uint8Array> {
  const encoder = new TextEncoder();
  yield encoder.encode(begin);
  const piece = encoder.encode(part.repeat(Math.ceil(65_536 / part.length)));
  for (let sent = 0; sent < megabytes * 1_000_000; sent += piece.byteLength) yield piece;
}

export interface Hostile {
  readonly what: string;
  readonly source: () => AsyncIterable<Uint8Array>;
}

const fromBytes = (what: string, bytes: string | Uint8Array): Hostile => ({
  what,
  source: () => uploadOf(bytes).source,
});
const fromParts = (what: string, parts: () => Generator<Uint8Array>): Hostile => ({
  what,
  source: () => Readable.from(parts()) as AsyncIterable<Uint8Array>,
});

export async function hostileFiles(count: number): Promise<Hostile[]> {
  const json = JSON.stringify(smallBookFile());
  const csv = await flatText();
  const [head = ''] = csv.split('\n');
  const endless: Hostile[] = [
    fromParts('one CSV row of 300 MB of commas', () => repeated('', ',', 300)),
    fromParts('a head, then 300 MB of commas', () => repeated(`${head}\n`, ',', 300)),
    fromParts('a quoted cell without end', () => repeated(`${head}\n"`, 'x', 300)),
    fromParts('quoted line ends without end', () => repeated(`${head}\n`, '"\n",', 100)),
    fromParts('300 MB of quotes', () => repeated(`${head}\n`, '"', 300)),
    fromParts('300 MB of line ends', () => repeated('', '\n', 300)),
    fromParts('a string without end', () => repeated('{"format":"', 'x', 100)),
    fromParts('depth without end', () => repeated('{"regions":[', '[', 100)),
    fromParts('objects without end', () => repeated('{"book":', '{"a":', 100)),
    fromParts('space without end', () => repeated('{', ' ', 100)),
    fromParts('keys without end', () => repeated('{', '"a":1,', 100)),
    fromBytes('1.6 MB of gzip that unpack to 300 MB of commas', gzipSync(Buffer.alloc(300_000_000, ','))),
    fromBytes('gzip that unpacks to zeros', gzipSync(Buffer.alloc(300_000_000))),
    fromBytes('half a gzip file', gzipSync(json).subarray(0, 100)),
    fromBytes('gzip in gzip', gzipSync(gzipSync(json))),
    fromBytes('nothing', ''),
    fromBytes('UTF-16', Buffer.from(json, 'utf16le')),
    fromBytes('a NUL', json.replace('Small', 'Sm\u0000ll')),
    fromBytes('a half character', json.replace('Small', 'Sm\\ud800ll')),
    fromBytes('not UTF-8', Buffer.from(json.replace('Small', 'Sm\u00e4ll'), 'latin1')),
  ];
  const files = [...endless];
  for (let seed = 0; files.length < count; seed += 1) {
    const random = seededRandom(`files ${seed}`);
    const kind = seed % 4;
    if (kind < 2) {
      const file = mutated(random, kind === 0 ? smallBookFile() : wideBookFile());
      files.push(fromBytes(`bent ${seed}`, JSON.stringify(file) ?? 'null'));
      continue;
    }
    const text = kind === 2 ? json : csv;
    const at = random.whole(0, text.length - 1);
    const length = random.whole(1, 40);
    const part = random.pick([
      '',
      '"',
      ',',
      '\n',
      '{',
      '[',
      '\\',
      '\u0000',
      '1e9',
      '0x10',
      text.slice(at, at + 200),
    ]);
    const bent = random.next() < 0.2 ? text.slice(0, at) : text.slice(0, at) + part + text.slice(at + length);
    files.push(fromBytes(`cut ${seed}`, bent));
  }
  return files.slice(0, Math.max(count, endless.length));
}

export async function tryFiles(count: number): Promise<Counts> {
  const counts = noCounts();
  for (const { what, source } of await hostileFiles(count)) {
    const context = testContext(memoryStores());
    const started = performance.now();
    counts.tried += 1;
    try {
      await importBook(context, {
        id: context.newId(),
        fileName: 'book',
        bytesTotal: null,
        source: source(),
      });
      counts.taken += 1;
    } catch (error) {
      const isRefusal =
        error instanceof AppError && ['invalid', 'conflict', 'too-large'].includes(error.code);
      if (isRefusal) counts.refused += 1;
      else
        counts.bad.push(
          `${what}: ${error instanceof Error ? (error.stack ?? '').slice(0, 400) : String(error)}`,
        );
      if (isRefusal && (await context.books.list(context.actor.workspace)).length > 0) {
        counts.bad.push(`${what}: refused, and something was published`);
      }
    }
    const took = performance.now() - started;
    if (took > PATIENCE) counts.bad.push(`${what}: took ${Math.round(took)} ms`);
  }
  return counts;
}
