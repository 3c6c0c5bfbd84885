/**
 * Rows of every sheet of a workbook as texts, part by part: shared texts, values of formulas as they were last worked out,
 * dates as dates. What a reader ought to know of a sheet (hidden, merged, formulas, macros) is told. Needs M1.
 */
import type { SaxesParser } from 'saxes';
import {
  InventoryError,
  type InventoryFile,
  MOST_COLUMNS,
  MOST_OF_CELL,
  type RowBatch,
  wholeFile,
} from './inventory-file';
import { openContainer, type SheetPart } from './sheet-container';
import { dateStyles, local, parserFor, piecesOf, sharedTexts } from './sheet-shared';

const MOST_BYTES = 200_000_000;
/** Rows without anything in them, in one go: a sheet that was formatted to its end. */
const MOST_EMPTY = 1_100_000;

/** `most`: of each sheet only its beginning, so many rows or a few more. */
export async function* sheetRows(file: InventoryFile, most = Infinity): AsyncGenerator<RowBatch> {
  const bytes = await wholeFile(
    file,
    MOST_BYTES,
    'The workbook is larger than 200 MB. Save its sheets as CSV, which is read piece by piece.',
  );
  const container = openContainer(bytes);
  const strings = container.strings ? sharedTexts(container.strings) : [];
  const dates = container.styles ? dateStyles(container.styles) : new Set<number>();
  for (const sheet of container.sheets) {
    const notes = container.hasMacros ? ['The workbook has macros: they are left alone.'] : [];
    yield* rowsOf(sheet, { strings, dates, most }, bytes.length, notes);
  }
}

interface Shared {
  readonly strings: readonly string[];
  readonly dates: ReadonlySet<number>;
  readonly most: number;
}

function* rowsOf(
  sheet: SheetPart,
  shared: Shared,
  bytes: number,
  notes: readonly string[],
): Generator<RowBatch> {
  const reader = new SheetReader(sheet.name, shared);
  const head = { sheet: sheet.name, hidden: sheet.hidden, bytes };
  for (const text of piecesOf(sheet.data)) {
    reader.write(text);
    yield* reader.batches(head);
    if (reader.last > shared.most) return;
  }
  reader.close();
  yield* reader.batches(head);
  yield { ...head, first: reader.last + 1, rows: [], notes: [...notes, ...reader.notes()] };
}

class SheetReader {
  /** Number of the last row that was read. */
  last = 0;
  private readonly parser: SaxesParser;
  private ready: { first: number; rows: string[][]; numeric: number[][] }[] = [];
  private row: string[] = [];
  private numeric: number[] = [];
  private cell = { at: 0, type: '', style: 0, text: '', formula: false };
  private inValue = false;
  private empty = 0;
  private formulas = 0;
  private unworked = 0;
  private readonly merged: string[] = [];

  constructor(
    private readonly name: string,
    private readonly shared: Shared,
  ) {
    this.parser = parserFor(`Sheet “${name}”`);
    this.parser.on('opentag', ({ name: tag, attributes }) =>
      this.open(local(tag), attributes as Record<string, string>),
    );
    this.parser.on('text', (text) => {
      if (!this.inValue) return;
      this.cell.text += text;
      if (this.cell.text.length > MOST_OF_CELL) throw this.refusal(`has more than ${MOST_OF_CELL} letters`);
    });
    this.parser.on('closetag', ({ name: tag }) => this.closeTag(local(tag)));
  }

  write(text: string): void {
    this.parser.write(text);
  }

  close(): void {
    this.parser.close();
  }

  *batches(head: Pick<RowBatch, 'sheet' | 'hidden' | 'bytes'>): Generator<RowBatch> {
    const ready = this.ready;
    this.ready = [];
    for (const batch of ready) yield { ...head, ...batch };
  }

  notes(): string[] {
    const sheet = `Sheet “${this.name}”`;
    return [
      this.formulas > 0 &&
        `${sheet}: ${this.formulas} cells are formulas; read as they were last worked out${this.unworked > 0 ? `, and ${this.unworked} of them never were, so they are empty` : ''}.`,
      this.merged.length > 0 &&
        `${sheet}: ${this.merged.length} merged ranges (${this.merged.slice(0, 3).join(', ')}${this.merged.length > 3 ? ' …' : ''}); only the first cell of each has its value.`,
    ].filter((note) => note !== false);
  }

  private refusal(what: string): InventoryError {
    return new InventoryError(
      `Sheet “${this.name}”, row ${this.last}, column ${columnName(this.cell.at)} ${what}. Take it out and try again.`,
    );
  }

  private open(tag: string, given: Readonly<Record<string, string>>): void {
    switch (tag) {
      case 'row':
        this.beginRow(given.r ? Number(given.r) : this.last + 1);
        break;
      case 'c':
        this.cell = {
          at: given.r ? columnAt(given.r) : this.row.length,
          type: given.t ?? '',
          style: Number(given.s ?? 0),
          text: '',
          formula: false,
        };
        if (this.cell.at >= MOST_COLUMNS)
          throw this.refusal(`is beyond the ${MOST_COLUMNS} columns that are read`);
        break;
      case 'v':
      case 't':
        this.inValue = true;
        break;
      case 'f':
        this.cell.formula = true;
        this.formulas += 1;
        break;
      case 'mergeCell':
        this.merged.push(given.ref ?? '');
        break;
      default:
    }
  }

  private closeTag(tag: string): void {
    if (tag === 'v' || tag === 't') this.inValue = false;
    else if (tag === 'c') this.endCell();
    else if (tag === 'row') this.endRow();
  }

  private beginRow(number: number): void {
    if (!Number.isInteger(number) || number <= this.last || number > 2_000_000)
      throw new InventoryError(`Sheet “${this.name}”: its rows are not in order after row ${this.last}.`);
    this.last = number;
    this.row = [];
    this.numeric = [];
  }

  private endCell(): void {
    const { at, formula } = this.cell;
    const text = this.textOfCell();
    if (formula && text === '') this.unworked += 1;
    if (text === '') return;
    while (this.row.length < at) this.row.push('');
    this.row[at] = text;
    if (this.cell.type === '' || this.cell.type === 'n') this.numeric.push(at);
  }

  private textOfCell(): string {
    const { type, text, style } = this.cell;
    if (type === 's') return this.shared.strings[Number(text)] ?? '';
    if (type === 'b') return text === '1' ? 'yes' : 'no';
    if (type === '' || type === 'n') {
      if (text !== '' && this.shared.dates.has(style)) return dateText(Number(text));
      return plainNumber(text);
    }
    return text;
  }

  private endRow(): void {
    if (this.row.length === 0) {
      this.empty += 1;
      if (this.empty > MOST_EMPTY)
        throw new InventoryError(
          `Sheet “${this.name}” has more than a million empty rows. Delete them, or save it as CSV.`,
        );
      return;
    }
    const batch = this.ready.at(-1);
    if (batch && batch.first + batch.rows.length === this.last) {
      batch.rows.push(this.row);
      batch.numeric.push(this.numeric);
    } else this.ready.push({ first: this.last, rows: [this.row], numeric: [this.numeric] });
  }
}

/** `AB12` → 27. */
function columnAt(reference: string): number {
  let at = 0;
  for (let index = 0; index < reference.length; index += 1) {
    const code = reference.charCodeAt(index);
    if (code < 65 || code > 90) break;
    at = at * 26 + (code - 64);
  }
  return at - 1;
}

function columnName(at: number): string {
  const before = Math.floor(at / 26);
  return `${before > 0 ? columnName(before - 1) : ''}${String.fromCharCode(65 + (at % 26))}`;
}

/** Sheets write doubles: 0.1 + 0.2 stands there as 0.30000000000000004. */
function plainNumber(text: string): string {
  if (text.length < 16) return text;
  const value = Number(text);
  return Number.isFinite(value) ? String(Number(value.toPrecision(15))) : text;
}

/** Days since the end of 1899. */
function dateText(days: number): string {
  if (!Number.isFinite(days) || days < 0 || days > 3_000_000) return String(days);
  return new Date(Date.UTC(1899, 11, 30) + days * 86_400_000).toISOString().slice(0, 10);
}
