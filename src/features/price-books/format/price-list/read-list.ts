/**
 * Any price list, CSV or workbook, as a price book: read by a map that says once which column is what. Refused whole, with
 * the row and the heading of everything that does not add up. Needs B24, Q9.
 */
import type { Decimal } from '@/engine/base';
import { InventoryError, type InventoryFile } from '@/features/fleet/format/inventory-file';
import { inventoryRows } from '@/features/fleet/format/read-inventory';
import { type Fault, MOST_FAULTS } from '@/platform/formats/faults';
import {
  checkPriceBook,
  type OfferRow,
  type PriceBookFile,
  type RateRow,
  type RegionRow,
} from '../price-book';
import {
  codeOf,
  headingPlaces,
  type ListCells,
  lookUp,
  numberIn,
  plain,
  pricePerUnit,
  RowFault,
  termIn,
  unitIn,
  whenTest,
} from './list-row';
import { isPlain, readTiers, type TierRow } from './list-tiers';
import type { ListColumn, PriceListMap } from './map-schema';

/** Rows in which the headings are looked for, and that are read at all. */
const HEADINGS_WITHIN = 100;
const MOST_ROWS = 500_000;

export interface ReadPriceList {
  /** Null: refused. */
  readonly book: PriceBookFile | null;
  readonly rows: number;
  /** Left out on purpose. */
  readonly skipped: number;
  readonly faults: readonly Fault[];
  readonly more: number;
}

/** Headings of the file's tables, for a map; of each table the first row that looks like some. */
export async function headingsOf(file: InventoryFile): Promise<{ sheet: string; headings: string[] }[]> {
  const found = new Map<string, string[]>();
  for await (const { sheet, rows } of inventoryRows(file, HEADINGS_WITHIN)) {
    for (const row of rows) {
      const known = found.get(sheet)?.length ?? 0;
      const words = row.filter((cell) => cell.trim() !== '' && !/^[\d.,\s-]+$/.test(cell));
      if (words.length > known && words.length >= 2)
        found.set(
          sheet,
          row.map((cell) => cell.trim()),
        );
    }
    if (sheet === '') break;
  }
  return [...found].map(([sheet, headings]) => ({ sheet, headings: headings.filter(Boolean) }));
}

export async function readPriceList(file: InventoryFile, map: PriceListMap): Promise<ReadPriceList> {
  const list = new PriceList(map);
  try {
    for await (const { sheet, first, rows, numeric } of inventoryRows(file)) {
      if (map.sheet !== undefined && sheet !== '' && plain(sheet) !== plain(map.sheet)) continue;
      rows.forEach((cells, at) => list.take({ cells, line: first + at, sheet, numeric: numeric?.[at] }));
      if (list.isOver) break;
    }
  } catch (error) {
    if (!(error instanceof InventoryError)) throw error;
    list.refuse({ path: '', message: error.message });
  }
  return list.end();
}

interface ListRow {
  readonly cells: readonly string[];
  readonly line: number;
  readonly sheet: string;
  /** Places of cells that are numbers in the workbook. */
  readonly numeric: readonly number[] | undefined;
}

interface Known<T> {
  readonly row: T;
  readonly line: number;
}

interface RateRows {
  readonly base: Omit<RateRow, 'charge'>;
  readonly line: PriceListMap['lines'][number];
  readonly rows: TierRow[];
}

class PriceList {
  isOver = false;
  private places: Partial<Record<ListColumn, number>> | null = null;
  private sheet: string | null = null;
  private best: readonly string[] = [];
  private rows = 0;
  private skipped = 0;
  private readonly faults: Fault[] = [];
  private count = 0;
  private readonly offers = new Map<string, Known<OfferRow>>();
  private readonly regions = new Map<string, RegionRow>();
  private readonly rates = new Map<string, RateRows>();
  private readonly lines: readonly {
    readonly fits: (cells: ListCells) => boolean;
    readonly line: RateRows['line'];
  }[];
  private readonly skips: readonly ((cells: ListCells) => boolean)[];

  constructor(private readonly map: PriceListMap) {
    this.lines = map.lines.map((line) => ({ fits: whenTest(line.when), line }));
    this.skips = (map.skip ?? []).map(({ when }) => whenTest(when));
  }

  refuse(fault: Fault): void {
    this.count += 1;
    if (this.faults.length < MOST_FAULTS) this.faults.push(fault);
  }

  take({ cells: row, line, sheet, numeric = [] }: ListRow): void {
    if (row.every((cell) => cell.trim() === '')) return;
    // Once a table has the headings, others are of something else.
    if (this.sheet !== null && sheet !== this.sheet) return;
    if (!this.places) {
      this.places = headingPlaces(row, this.map.columns);
      if (this.places) this.sheet = sheet;
      else if (row.filter(Boolean).length > this.best.length && line <= HEADINGS_WITHIN)
        this.best = row.filter(Boolean);
      return;
    }
    this.rows += 1;
    if (this.rows > MOST_ROWS) {
      this.isOver = true;
      this.refuse({
        path: '',
        message: `The list has more than ${MOST_ROWS} rows. Take it apart, by region for example.`,
      });
      return;
    }
    try {
      this.takeRow(this.cellsOf(row), line, numeric);
    } catch (error) {
      if (!(error instanceof RowFault)) throw error;
      this.refuse(this.faultAt(error.column, line, error.message));
    }
  }

  private cellsOf(row: readonly string[]): ListCells {
    const cells: Partial<Record<ListColumn, string>> = { ...this.map.always };
    for (const [column, at] of Object.entries(this.places!)) {
      const cell = row[at]?.trim() ?? '';
      if (cell !== '') cells[column as ListColumn] = cell;
    }
    return cells;
  }

  private faultAt(column: ListColumn, line: number, message: string): Fault {
    const at = this.places?.[column];
    const path = this.map.columns[column] ?? column;
    return { path, message, line, ...(at !== undefined && { column: at + 1 }) };
  }

  private takeRow(cells: ListCells, line: number, numeric: readonly number[]): void {
    if (this.skips.some((fits) => fits(cells))) {
      this.skipped += 1;
      return;
    }
    const { map } = this;
    if (cells.currency !== undefined && cells.currency.toUpperCase() !== map.book.currency)
      throw new RowFault('currency', `is ${cells.currency}; the book is in ${map.book.currency}`);
    const rule = this.lines.find(({ fits }) => fits(cells))?.line;
    if (!rule) throw new RowFault('offer', `no line of the map says what “${cells.offer ?? ''}” is`);
    // What a workbook keeps as a number is one, however the list writes those that are text.
    const number = (column: ListColumn): Decimal | null =>
      numberIn(cells, column, numeric.includes(this.places![column] ?? -1) ? 'point' : map.decimals);
    const price = number('price');
    if (price === null) throw new RowFault('price', 'has no price');
    const { unit, factor } = unitIn(cells, map, rule.unit);
    const region = this.regionIn(cells);
    const sku = this.offerIn(cells, rule, line);
    const base: Omit<RateRow, 'charge'> = {
      ...{ sku, region, meter: rule.meter, term: termIn(cells, map), unit, pool: rule.pool ?? 'component' },
      upfront: number('upfront')?.toString() ?? null,
      allowance: number('allowance')?.times(factor).toString() ?? null,
    };
    const key = [base.sku, base.region, base.meter, base.term].join('\n');
    const known = this.rates.get(key) ?? { base, line: rule, rows: [] };
    this.rates.set(key, known);
    if (known.base.unit !== unit)
      throw new RowFault(
        'unit',
        `is ${unit}; row ${known.rows[0]!.line} of the same rate says ${known.base.unit}`,
      );
    const bound = (column: ListColumn) => number(column)?.times(factor) ?? null;
    known.rows.push({
      ...{
        line,
        price: pricePerUnit(price, factor),
        from: bound('tierFrom'),
        upTo: bound('tierUpTo'),
        one: factor,
      },
    });
  }

  private regionIn(cells: ListCells): string {
    const text = cells.region ?? '';
    const found = lookUp(this.map.regions, text);
    if (!found)
      throw new RowFault('region', text ? `“${text}” is not among the regions of the map` : 'says no region');
    const { code, country, latitude, longitude, name = text } = found;
    if (!this.regions.has(code))
      this.regions.set(code, { code, name, country, latitude, longitude, carbon: null });
    return code;
  }

  private offerIn(cells: ListCells, rule: RateRows['line'], line: number): string {
    const sku = codeOf(cells.offer ?? '');
    if (sku === '') throw new RowFault('offer', 'names no offer');
    const known = this.offers.get(sku);
    if (known && known.row.kind !== rule.kind)
      throw new RowFault(
        'offer',
        `“${sku}” is a ${rule.kind} here and a ${known.row.kind} in row ${known.line}`,
      );
    if (known) return sku;
    const row: OfferRow = {
      ...{
        sku,
        kind: rule.kind,
        name: (cells.name ?? cells.offer ?? sku).slice(0, 200),
        family: rule.family ?? '',
      },
      ...{ processor: '', vcpu: rule.vcpu ?? null, memory: rule.memory ?? null, burstable: false },
      ...{ lifecycle: 'current' as const, retires: null, replacedBy: null, note: '' },
      ...(cells.service && { service: cells.service.slice(0, 200) }),
    };
    this.offers.set(sku, { row, line });
    return sku;
  }

  end(): ReadPriceList {
    if (!this.places && this.count === 0) this.refuse(this.noHeadings());
    else if (this.rates.size === 0 && this.count === 0)
      this.refuse({ path: '', message: 'The list has no row with a price.' });
    const kept = [...this.rates.values()];
    const rates = kept.map((each) => this.rateOf(each));
    const refused = { book: null, rows: this.rows, skipped: this.skipped };
    if (this.count > 0) return { ...refused, faults: this.faults, more: this.count - this.faults.length };
    const { key, title, provider, currency, monthHours = '730', revision, effective, source } = this.map.book;
    const checked = checkPriceBook({
      ...{ format: 'wick-price-book', version: 1, book: { key, title, provider, currency, monthHours } },
      revision: { number: revision, effective, source: source ?? 'a price list, read by its columns' },
      regions: [...this.regions.values()],
      offers: [...this.offers.values()].map(({ row }) => row),
      rates,
    });
    if (checked.ok) return { ...refused, book: checked.value, faults: [], more: 0 };
    const offers = [...this.offers.values()];
    const faults = checked.faults.map((fault) => placed(fault, kept, offers));
    return { ...refused, faults, more: checked.more };
  }

  private noHeadings(): Fault {
    const wanted = Object.values(this.map.columns).map((each) => `“${each}”`);
    const there = this.best.slice(0, 20).map((each) => `“${each.trim().slice(0, 60)}”`);
    return {
      path: '',
      message: `No row has the headings ${wanted.join(', ')}. ${there.length > 0 ? `The file has ${there.join(', ')}.` : 'The file is empty.'}`,
    };
  }

  private rateOf({ base, line, rows }: RateRows): RateRow {
    if (isPlain(rows))
      return { ...base, charge: { structure: 'per-unit', price: rows[0]!.price.toString() } };
    const { tiers, faults } = readTiers(rows);
    for (const each of faults) this.refuse(this.faultAt(each.column, each.line, each.message));
    return { ...base, charge: { structure: line.tiers ?? 'graduated', tiers: [...tiers] } };
  }
}

/** What the book's own checks find, at the row that it came from. */
function placed(fault: Fault, rates: readonly RateRows[], offers: readonly Known<OfferRow>[]): Fault {
  const [, part, at] = /^(rates|offers)\[(\d+)\]/.exec(fault.path) ?? [];
  const line =
    part === 'rates'
      ? rates[Number(at)]?.rows[0]?.line
      : part === 'offers'
        ? offers[Number(at)]?.line
        : undefined;
  return line === undefined ? fault : { ...fault, line };
}
