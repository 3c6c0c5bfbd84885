/** An inventory as a CSV file of any program: its signs, its separator, its quotes. Needs M1. */
import { parse } from 'csv-parse/sync';
import { type FleetOptions, type NotAFleet, type ReadFleet, readFleet } from './read-fleet';
import { textOfBytes } from './text-of-bytes';

const MOST_BYTES = 400_000_000;
/** Letters of one row. */
const MOST_OF_ROW = 2_000_000;
const MOST_COLUMNS = 2000;
const SEPARATORS = [';', '\t', ',', '|'] as const;

export function readFleetCsv(
  bytes: Uint8Array,
  options: FleetOptions,
): { readonly ok: true; readonly value: ReadFleet } | NotAFleet {
  if (bytes.length > MOST_BYTES)
    return { ok: false, message: 'The file is larger than 400 MB. Take it apart, by cluster for example.' };
  if (bytes[0] === 0x50 && bytes[1] === 0x4b)
    return { ok: false, message: 'This is a workbook, not CSV. Save its sheet as CSV first.' };
  const { text } = textOfBytes(bytes);
  if (text.trim() === '') return { ok: false, message: 'The file is empty.' };
  let rows: string[][];
  try {
    rows = parse(text, {
      delimiter: separatorOf(text),
      relax_column_count: true,
      relax_quotes: true,
      max_record_size: MOST_OF_ROW,
    });
  } catch (error) {
    const at = /line (\d+)/.exec(error instanceof Error ? error.message : '')?.[1];
    return {
      ok: false,
      message: `The file cannot be read as CSV${at ? `, near line ${at}` : ''}: a quote is not closed, or a row is longer than two million letters.`,
    };
  }
  if (rows.some((row) => row.length > MOST_COLUMNS))
    return { ok: false, message: `A row has more than ${MOST_COLUMNS} columns.` };
  return readFleet(rows, options);
}

/** The one that the first lines have most often, as often in each. */
function separatorOf(text: string): string {
  const lines = text.split(/\r?\n/, 20).filter((line) => line.trim() !== '');
  const worth = (separator: string): number => {
    const counts = lines.map((line) => line.split(separator).length - 1);
    const most = Math.max(0, ...counts);
    return most === 0 ? 0 : counts.filter((count) => count === most).length * Math.min(most, 50);
  };
  return [...SEPARATORS].sort((a, b) => worth(b) - worth(a))[0]!;
}
