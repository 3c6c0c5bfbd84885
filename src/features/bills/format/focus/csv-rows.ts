/** Rows of a CSV text while it arrives, with the line that each begins on. */
import Papa from 'papaparse';
import { SplitError } from '@/features/price-books/format/stream/splitter';

export interface CsvRow {
  readonly cells: readonly string[];
  readonly line: number;
}

/** No row of a bill is longer, and none has more cells. */
const LONGEST = 200_000;
const MOST_CELLS = 500;

/** In batches as they come; empty lines are left out. Throws `SplitError`. */
export async function* csvRows(chunks: AsyncIterable<string>): AsyncGenerator<readonly CsvRow[]> {
  const parser: { value: Papa.Parser | null } = { value: null };
  let [left, line] = ['', 1];
  const parse = (isLast: boolean): CsvRow[] => {
    parser.value ??= new Papa.Parser({ delimiter: ',', newline: lineEndOf(left) });
    const { data, errors, meta } = parser.value.parse(left, 0, !isLast) as Papa.ParseResult<string[]>;
    const rows: CsvRow[] = [];
    const fault = isLast ? errors[0] : errors.find(({ row }) => row !== undefined && row < data.length);
    for (const [at, cells] of data.entries()) {
      if (fault && (fault.row ?? 0) === at) throw new SplitError(wordsOf(fault.code), line, 1);
      if (cells.length > MOST_CELLS) throw new SplitError(`a row has more than ${MOST_CELLS} cells`, line, 1);
      if (cells.length > 1 || cells[0] !== '') rows.push({ cells, line });
      line += 1 + breaksIn(cells);
    }
    if (fault) throw new SplitError(wordsOf(fault.code), line, 1);
    left = isLast ? '' : left.slice(meta.cursor);
    return rows;
  };
  for await (const chunk of chunks) {
    if (chunk === '') continue;
    left = line === 1 && left === '' ? chunk.replace(/^\uFEFF/, '') : left + chunk;
    if (!left.includes('\n')) {
      if (left.length > LONGEST) throw tooLong(line);
      continue;
    }
    const rows = parse(false);
    if (left.length > LONGEST + chunk.length) throw tooLong(line);
    if (rows.length > 0) yield rows;
  }
  const rows = left === '' ? [] : parse(true);
  if (rows.length > 0) yield rows;
}

const tooLong = (line: number): SplitError =>
  new SplitError(`a row is longer than ${LONGEST} characters; a quoted cell may not be closed`, line, 1);

const lineEndOf = (text: string): '\r\n' | '\n' => (/^[^\n]*\r\n/.test(text) ? '\r\n' : '\n');

function breaksIn(cells: readonly string[]): number {
  let breaks = 0;
  for (const cell of cells)
    for (let at = cell.indexOf('\n'); at >= 0; at = cell.indexOf('\n', at + 1)) breaks += 1;
  return breaks;
}

const wordsOf = (code: string): string =>
  code === 'MissingQuotes'
    ? 'a quoted cell is not closed; the file may be cut off'
    : 'a quote stands in the middle of a cell; double it, and quote the whole cell';
