/** Alternatives and axes on paper: across the page, a few sides at a time, each with the first beside it. */
import { Text, View } from '@react-pdf/renderer';
import { type Drawing, type FlatCell, flatCellText, type FlatRow, type FlatTable } from '@/platform/tables';
import { Cell } from './pdf-cell';
import { PaperDrawing } from './pdf-drawing';
import { STYLES } from './pdf-style';

/** Amounts that fit beside one another on an A4 page laid across, with the names in front. */
const MOST_AMOUNTS = 9;

interface Stretch {
  readonly columns: readonly number[];
}

/** What each line became is text and long; it stands in the sheet and in Markdown. Sides are never torn from their ±. */
export function stretchesOf({ head }: FlatTable): Stretch[] {
  const sides = head.flatMap((text, at) => (head[at + 1] === `${text} ±` ? [at] : []));
  if (sides.length === 0) return [{ columns: head.map((_, at) => at) }];
  const perStretch = Math.floor((MOST_AMOUNTS - 1) / 2);
  const count = Math.ceil(sides.length / perStretch);
  return Array.from({ length: count }, (_, at) => ({
    columns: [
      0,
      1,
      ...sides.slice(at * perStretch, (at + 1) * perStretch).flatMap((side) => [side, side + 1]),
    ],
  }));
}

interface BesidePagesProps {
  readonly table: FlatTable;
  readonly drawing?: Drawing | null;
}

export function BesidePages({ table, drawing }: BesidePagesProps) {
  const { title, answer, notes } = table;
  return (
    <>
      <Text style={STYLES.heading}>{title}</Text>
      <Text style={STYLES.lead}>{paper(answer)}</Text>
      {drawing && <PaperDrawing drawing={drawing} />}
      {(table.head.length === 0 ? [] : stretchesOf(table)).map((stretch, at) => (
        <Table key={at} table={table} columns={stretch.columns} />
      ))}
      {notes.map((note) => (
        <View key={note.title} wrap={false}>
          <Text style={[STYLES.strong, { marginTop: 8 }]}>{note.title}</Text>
          {note.lines.map((line, at) => (
            <Text key={at} style={STYLES.soft}>
              {paper(line)}
            </Text>
          ))}
        </View>
      ))}
    </>
  );
}

interface TableProps {
  readonly table: FlatTable;
  readonly columns: readonly number[];
}

function Table({ table, columns }: TableProps) {
  const { head, rows, currency } = table;
  const isAmount = (at: number): boolean => rows.some(({ cells }) => typeof cells[at] === 'object');
  const cells = (row: FlatRow | null) =>
    columns.map((at) => {
      const cell: FlatCell = row ? (row.cells[at] ?? '') : head[at]!;
      return (
        <Cell
          key={at}
          grow={at === 0 ? 3 : isAmount(at) ? 1.5 : 2}
          end={at > 0 && isAmount(at)}
          indent={at > 0}
        >
          {paper(flatCellText(cell, currency))}
        </Cell>
      );
    });
  return (
    <View style={{ marginTop: 8 }}>
      <View style={STYLES.head}>{cells(null)}</View>
      {rows.map((row, at) => (
        <View key={at} style={row.level === 'line' ? STYLES.row : [STYLES.row, STYLES.strong]} wrap={false}>
          {cells(row)}
        </View>
      ))}
    </View>
  );
}

/** The typeface has no minus sign of its own. */
function paper(text: string): string {
  return text.replaceAll('\u2212', '-');
}
