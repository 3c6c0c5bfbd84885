/** Tables that leave the house, in the forms of the command line. */
import type { Design } from '@/engine/design';
import { flatCellText, type FlatTable } from '@/platform/tables';
import { type PlaceNames } from '@/features/design/words';
import type { BookSet } from '@/engine/pricing';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { writeOut } from './files';
import type { Call } from './options';
import { say } from './print';
import { terminal } from './terminal';

export function namesOf({ books: pins }: Design, books: BookSet): PlaceNames {
  const bookOf = (key: string) => {
    const pin = pins.find((each) => each.book === key);
    return pin && books.get(pin.book, pin.revision);
  };
  return {
    book: (key) => bookOf(key)?.title ?? key,
    region: (book, code) => bookOf(book)?.region(code)?.name ?? code,
  };
}

export async function writeTable(call: Call, table: FlatTable, data: unknown): Promise<void> {
  const text = await textOf(call, table, data);
  const out = call.one('out');
  if (out !== undefined && out !== '-') return writeOut(out, text);
  if (call.form === 'json') terminal().out(text);
  else say(text);
}

async function textOf({ form }: Call, table: FlatTable, data: unknown): Promise<string> {
  switch (form) {
    case 'json':
      return `${JSON.stringify(data, null, 2)}\n`;
    case 'csv':
      return flatTableCsv(table);
    case 'markdown':
      return (await import('@/platform/files/flat-table-markdown')).flatTableMarkdown(table);
    default:
      return asText(table);
  }
}

/** Columns side by side: text to the left, amounts to the right. */
function asText({ title, answer, head, rows, notes, currency }: FlatTable): string {
  const cells = rows.map(({ cells: all }) => all.map((cell) => flatCellText(cell, currency)));
  const isAmount = head.map((_, at) => rows.some(({ cells: all }) => typeof all[at] === 'object'));
  const widths = head.map((each, at) => Math.max(each.length, ...cells.map((row) => row[at]!.length)));
  const line = (row: readonly string[]): string =>
    row
      .map((cell, at) => (isAmount[at] ? cell.padStart(widths[at]!) : cell.padEnd(widths[at]!)))
      .join('  ')
      .trimEnd();
  const said = notes.flatMap((note) => ['', note.title, ...note.lines.map((each) => `  ${each}`)]);
  return `${[title, answer, '', line(head), ...cells.map(line), ...said].join('\n')}\n`;
}
