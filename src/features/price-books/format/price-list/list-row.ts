/** One row of a price list: its cells by what they are, numbers and units as the list writes them. */
import { decimal, type Decimal } from '@/engine/base';
import { billUnit, patternTest } from '@/features/bills/calc';
import type { RateTerm } from '@/engine/terms';
import { conversionFactor } from '@/engine/units';
import { LIST_COLUMNS, type ListColumn, type PriceListMap } from './map-schema';

export type ListCells = Readonly<Partial<Record<ListColumn, string>>>;

/** In which column, and what is wrong with it. */
export class RowFault extends Error {
  constructor(
    readonly column: ListColumn,
    message: string,
  ) {
    super(message);
  }
}

/** Where each column stands; null: the headings are not in this row. */
export function headingPlaces(
  row: readonly string[],
  columns: PriceListMap['columns'],
): Partial<Record<ListColumn, number>> | null {
  const places: Partial<Record<ListColumn, number>> = {};
  const titles = row.map(plain);
  for (const column of LIST_COLUMNS) {
    const wanted = columns[column];
    if (wanted === undefined) continue;
    const at = titles.indexOf(plain(wanted));
    if (at < 0) return null;
    places[column] = at;
  }
  return places;
}

export const plain = (text: string): string => text.trim().replace(/\s+/g, ' ').toLowerCase();

type When = PriceListMap['lines'][number]['when'];

/** Patterns are compiled once for a list. */
export function whenTest(when: When): (cells: ListCells) => boolean {
  const tests = Object.entries(when).map(
    ([column, pattern]) => [column as ListColumn, patternTest(pattern!)] as const,
  );
  return (cells) => tests.every(([column, fits]) => fits(cells[column] ?? ''));
}

const AS_NUMBER = /^\d{1,15}(\.\d{1,18})?$/;
/** As workbooks write what is very small: 1e-7. */
const SMALL = /^\d(\.\d{1,8})?e-\d$/i;

/** A plain decimal; signs of money and separators of thousands are left away. Null: the cell is empty. */
export function numberIn(
  cells: ListCells,
  column: ListColumn,
  decimals: PriceListMap['decimals'],
): Decimal | null {
  const text = (cells[column] ?? '').trim();
  if (text === '') return null;
  const bare = text.replace(/^[A-Z]{3}\s+|\s+[A-Z]{3}$|[\p{Sc}\s\u00a0\u202f']/gu, '');
  // One and a half or fifteen hundred: what could be both is not guessed.
  if (decimals === undefined && bare.lastIndexOf(',') > bare.lastIndexOf('.'))
    throw new RowFault(
      column,
      `“${text}” may be read in two ways: say “decimals: comma” or “decimals: point”`,
    );
  const point = ungrouped(bare, decimals === 'comma' ? '.' : ',');
  if (point === null)
    throw new RowFault(
      column,
      `“${text}” has a ${decimals === 'comma' ? 'point' : 'comma'} that parts no thousands: correct it, or say “decimals: ${decimals === 'comma' ? 'point' : 'comma'}”`,
    );
  if (SMALL.test(point)) return decimal(point);
  if (!AS_NUMBER.test(point)) throw new RowFault(column, `“${text}” is no price or amount`);
  return decimal(point);
}

/** With a decimal point and without what parts thousands; null: it stands where no thousands end. */
function ungrouped(text: string, parts: '.' | ','): string | null {
  const [whole = '', ...rest] = text.split(parts === '.' ? ',' : '.');
  const groups = whole.split(parts);
  const isGrouped =
    groups.length === 1 || groups.every((each, at) => (at === 0 ? /^\d{1,3}$/ : /^\d{3}$/).test(each));
  return isGrouped && !rest.some((each) => each.includes(parts))
    ? [groups.join(''), ...rest].join('.')
    : null;
}

const DIGITS = 18;

/** Price of one unit of ours. Lots such as 1000 requests are divided where that is exact. */
export function pricePerUnit(price: Decimal, factor: Decimal): Decimal {
  const each = price.dividedBy(factor).toDecimalPlaces(DIGITS);
  if (!each.times(factor).equals(price))
    throw new RowFault('price', `${price} for ${factor} cannot be stated exactly for one`);
  return each;
}

export function unitIn(
  cells: ListCells,
  map: PriceListMap,
  given: string | undefined,
): { readonly unit: string; readonly factor: Decimal } {
  const text = (cells.unit ?? '').trim();
  const words = lookUp(map.units, text) ?? text.replace(/^(per|\/)\s*/i, '');
  const read = words === '' ? null : billUnit(words);
  if (given !== undefined) {
    // The map says what it is, and the row still says how many of it: a price for 1000 is not that of one.
    const into = read && conversionFactor(read.unit, given);
    const lot = read?.factor ?? decimal('1');
    return { unit: given, factor: into?.ok ? lot.times(into.value) : lot };
  }
  if (!read)
    throw new RowFault(
      'unit',
      text
        ? `“${text}” is no unit: name it under “units”`
        : 'says no unit: name its column, or the unit of the line in the map',
    );
  return read;
}

export function termIn(cells: ListCells, map: PriceListMap): RateTerm {
  const text = (cells.term ?? '').trim();
  if (text === '') return 'on-demand';
  const found = lookUp(map.terms, text) ?? (/^on[ -]?demand$/i.test(text) ? 'on-demand' : undefined);
  if (!found) throw new RowFault('term', `“${text}” is no term: name it under “terms”`);
  return found;
}

/** What the list calls it, whatever its capitals and spaces. */
export function lookUp<T>(by: Readonly<Record<string, T>> | undefined, text: string): T | undefined {
  if (!by) return undefined;
  if (Object.hasOwn(by, text)) return by[text];
  const found = Object.entries(by).find(([each]) => plain(each) === plain(text));
  return found?.[1];
}

/** As a code of ours: what is no letter or digit becomes a dash. */
export const codeOf = (text: string): string =>
  text
    .trim()
    .replace(/[^A-Za-z0-9._-]+/g, '-')
    .replace(/^[^A-Za-z0-9]+/, '')
    .slice(0, 80);
