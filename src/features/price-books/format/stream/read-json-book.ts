/** The JSON form of a price book as a stream: pieces in, rows out. The lists must come after the head, rates last. */
import { cut } from '@/engine/base';
import { repeatedKey } from '@/platform/formats/repeated-key';
import { type BookReader, markFaults, type Placed } from './book-reader';
import { locate } from './json-scan';
import { type List, LISTS, type Piece, SplitError, Splitter, textOfPiece } from './splitter';

const BATCH = 1000;
const HEAD = ['format', 'version', 'book', 'revision'];

/** Throws `SplitError` where the text is no JSON or is not complete. `between` is called after each chunk. */
export async function readJsonBook(
  chunks: AsyncIterable<string>,
  reader: BookReader,
  between: () => Promise<void>,
): Promise<void> {
  const splitter = new Splitter();
  const head = new Map<string, Piece>();
  let taken: List | 'head' | null = null;
  for await (const chunk of chunks) {
    const pieces = splitter.push(chunk);
    for (let from = 0; from < pieces.length;) {
      const { list } = pieces[from]!;
      if (list === null) {
        takeHeadPiece(pieces[from]!, head, taken !== null, reader);
        from += 1;
        continue;
      }
      if (taken === null) {
        await takeHead(head, reader);
        taken = 'head';
      }
      if (outOfOrder(taken, list)) {
        const { line, column } = pieces[from]!;
        const message = 'the lists come in the order regions, offers, rates';
        if (taken !== list) reader.fault({ path: list, message, line, column });
      }
      if (list === 'rates' && taken !== 'rates') needed(reader, pieces[from]!);
      taken = list;
      let to = from;
      while (to < pieces.length && to - from < BATCH && pieces[to]!.list === list) to += 1;
      await takeRows(list, parsedRows(pieces.slice(from, to), reader), reader);
      from = to;
    }
    await between();
  }
  splitter.end();
  if (taken === null) await takeHead(head, reader);
  reader.finish();
}

/** Rates can only be read with what they are rates of. */
function needed(reader: BookReader, { line, column }: Piece): void {
  for (const list of ['regions', 'offers'] as const) {
    if (reader.counts[list] > 0) continue;
    throw new SplitError('must stand before the rates, with at least one entry', line, column, list);
  }
}

function outOfOrder(before: List | 'head', now: List): boolean {
  return before !== 'head' && LISTS.indexOf(now) < LISTS.indexOf(before);
}

function takeHeadPiece(piece: Piece, head: Map<string, Piece>, late: boolean, reader: BookReader): void {
  const { key, line, column } = piece;
  if (!HEAD.includes(key)) {
    reader.fault({ path: cut(key, 80), message: 'is not known in a price book', line, column });
  } else if (late) {
    reader.fault({ path: key, message: 'must stand before the lists', line, column });
  } else head.set(key, piece);
}

async function takeHead(head: ReadonlyMap<string, Piece>, reader: BookReader): Promise<void> {
  const placed = new Map([...head].map(([key, piece]) => [key, parsedRows([piece], reader)[0]]));
  for (const fault of markFaults(placed.get('format')?.row, placed.get('version')?.row)) {
    reader.fault({ ...fault, ...placed.get(fault.path)?.at('') });
  }
  await reader.takeHead(placed.get('book'), placed.get('revision'));
}

async function takeRows(list: List, rows: readonly Placed[], reader: BookReader): Promise<void> {
  if (list === 'rates') return reader.takeRates(rows);
  return list === 'offers' ? reader.takeOffers(rows) : reader.takeRegions(rows);
}

/** Neighbours lie side by side in one source, with their commas between them. */
function together(pieces: readonly Piece[]): string {
  const [first] = pieces as [Piece];
  return first.source.slice(first.start, pieces[pieces.length - 1]!.end);
}

/** Parsed many at once, which is several times faster; one by one only where that fails. */
function parsedRows(pieces: readonly Piece[], reader: BookReader): Placed[] {
  let values: unknown[] | null = null;
  try {
    values = JSON.parse(`[${together(pieces)}]`) as unknown[];
  } catch {
    values = null;
  }
  if (values?.length === pieces.length) {
    const all = values;
    if (repeatedKey(together(pieces), all)) faultRepeated(pieces, all, reader);
    return pieces.map((piece, index) => new PlacedPiece(piece, all[index]));
  }
  return pieces.flatMap((piece) => {
    try {
      return [new PlacedPiece(piece, JSON.parse(textOfPiece(piece)))];
    } catch {
      const { line, column } = piece;
      reader.fault({ path: pathOf(piece), message: 'is not valid JSON', line, column });
      return [];
    }
  });
}

/** Somewhere among the pieces a key stands twice; each is looked at by itself. */
function faultRepeated(pieces: readonly Piece[], values: readonly unknown[], reader: BookReader): void {
  pieces.forEach((piece, index) => {
    const twice = repeatedKey(textOfPiece(piece), values[index]);
    if (!twice) return;
    const { line, column } = piece;
    const message = `“${cut(twice.key, 80)}” stands twice in one object; remove one of the two`;
    reader.fault({ path: pathOf(piece), message, line, column });
  });
}

function pathOf(piece: Piece): string {
  return piece.list ? `${piece.list}[${piece.index}]` : piece.key;
}

class PlacedPiece implements Placed {
  constructor(
    private readonly piece: Piece,
    readonly row: unknown,
  ) {}

  get path(): string {
    return pathOf(this.piece);
  }

  at(field: string): { line: number; column: number } {
    const { line, column } = this.piece;
    const text = textOfPiece(this.piece);
    const before = text.slice(0, field ? locate(text, field) : 0);
    const breaks = before.split('\n').length - 1;
    return {
      line: line + breaks,
      column: breaks === 0 ? column + before.length : before.length - before.lastIndexOf('\n'),
    };
  }
}
