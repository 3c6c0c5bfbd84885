/** Sets designs side by side. Source: product description, "Comparing"; needs L1, L7, L13, L16. */
import { type Decimal, decimal, ZERO } from '@/engine/base';
import { kindOf, type Offer } from '@/engine/books';
import type { Component } from '@/engine/design';
import type { BookSet } from '@/engine/pricing';
import type { PlainWick } from '@/engine/summary';
import { columnOf } from './column';
import { differenceOf } from './difference';
import type { Became, ComparedCell, ComparedGroup, ComparedRow, Comparison, GroupBy } from './model';
import { comparableIn, type PricedColumn, Side } from './side';

/**
 * The first column is the baseline. Rows are the baseline's lines in their order, then those that only alternatives have.
 *
 * @example
 * const own = { id: null, name: 'Design', note: '', changes: [], outcomes: [], design, summary: summarise(design, books) };
 * comparisonOf([own, { ...own, id: 'x', name: 'Same' }], books).columns.map(({ change }) => change); // => [null, '0']
 */
export function comparisonOf(
  columns: readonly PricedColumn[],
  books: BookSet,
  by: GroupBy = 'section',
): Comparison {
  const [first, ...others] = columns;
  if (!first) throw new Error('a comparison needs a baseline');
  const baseline = new Side(first, books, null);
  const sides = [baseline, ...others.map((column) => new Side(column, books, baseline))];
  const totals = sides.map((side) => columnOf(side, baseline));
  const complete = totals.flatMap((column, at) => (column.complete ? [at] : []));
  const cheapest = complete.reduce<number | null>(
    (best, at) => (best === null || decimal(totals[at]!.printed).lessThan(totals[best]!.printed) ? at : best),
    null,
  );
  const currency = baseline.column.summary.currency;
  return { currency, columns: totals, groups: groupsOf(sides, by), cheapest };
}

interface Grouping {
  readonly id: string;
  readonly name: string;
}

function groupsOf(sides: readonly Side[], by: GroupBy): ComparedGroup[] {
  const groups = new Map<string, Grouping & { readonly ids: string[] }>();
  const seen = new Set<string>();
  for (const { design } of sides) {
    for (const section of design.sections) {
      for (const component of section.components) {
        if (seen.has(component.id)) continue;
        seen.add(component.id);
        const { id, name } = by === 'section' ? section : groupingOf(component, by);
        const group = groups.get(id) ?? { id, name, ids: [] };
        group.ids.push(component.id);
        groups.set(id, group);
      }
    }
  }
  return [...groups.values()].map(({ id, name, ids }) => {
    const lines = ids.map((line) => rowOf(line, sides));
    return { ...groupRow(id, name, lines, sides), lines };
  });
}

function groupingOf({ kind }: Component, by: Exclude<GroupBy, 'section'>): Grouping {
  const { label, serviceCategory } = kindOf(kind);
  return by === 'kind' ? { id: kind, name: label } : { id: serviceCategory, name: serviceCategory };
}

function rowOf(id: string, sides: readonly Side[]): ComparedRow {
  const [baseline] = sides;
  const cells = sides.map((side) => cellOf(id, side, baseline!));
  const named = sides.find((side) => side.components.has(id))!;
  const own = sides[0]!.components.get(id);
  const differs = sides.some((side, at) => {
    if (at === 0) return false;
    const cell = cells[at]!;
    return (
      side.components.get(id) !== own || (cell.change !== null && cell.change !== '0') || cell.became !== null
    );
  });
  return { id, name: named.components.get(id)!.name, differs, cells };
}

function cellOf(id: string, side: Side, baseline: Side): ComparedCell {
  const line = side.lines.get(id);
  const notes = side.notes.get(id) ?? [];
  if (!line) return { ...NOTHING, absent: true, notes, ...against(null, side, baseline, id, true) };
  const printed = side.printed.get(id) ?? null;
  return {
    printed,
    absent: false,
    wick: line.wick,
    ...against(printed, side, baseline, id, false),
    became: side === baseline ? null : becameOf(id, side, baseline),
    issues: line.issues,
    notes,
  };
}

const NOTHING: ComparedCell = {
  printed: null,
  absent: false,
  wick: null,
  change: null,
  share: null,
  became: null,
  issues: [],
  notes: [],
};

/** What is not there costs nothing; what has no amount cannot be compared. */
function against(
  printed: string | null,
  side: Side,
  baseline: Side,
  id: string,
  absent: boolean,
): Pick<ComparedCell, 'change' | 'share'> {
  if (side === baseline) return { change: null, share: null };
  const before = baseline.printed.get(id);
  const unknown = before === undefined && baseline.lines.has(id);
  if ((!absent && printed === null) || unknown) return { change: null, share: null };
  return differenceOf(decimal(printed ?? '0'), decimal(before ?? '0'));
}

function becameOf(id: string, side: Side, baseline: Side): Became | null {
  const [was, is] = [baseline.offer(id), side.offer(id)];
  const place = side.components.get(id)!.place;
  const before = baseline.components.get(id);
  if (!is) return null;
  const samePlace = before?.place?.book === place?.book && before?.place?.region === place?.region;
  if (samePlace && was?.sku === is.sku) return null;
  return { offer: is.name, sku: is.sku, place, larger: was ? largerBy(is, was) : {} };
}

function largerBy(is: Offer, was: Offer): Became['larger'] {
  const by = (what: 'vcpu' | 'memory'): string | null => {
    const [now, before] = [is[what], was[what]];
    return now && before && !now.equals(before) ? now.minus(before).toString() : null;
  };
  const [vcpu, memory] = [by('vcpu'), by('memory')];
  return { ...(vcpu === null ? {} : { vcpu }), ...(memory === null ? {} : { memory }) };
}

function groupRow(
  id: string,
  name: string,
  lines: readonly ComparedRow[],
  sides: readonly Side[],
): ComparedRow {
  const sumOf = (at: number, read: (cell: ComparedCell) => string | null): Decimal =>
    lines.reduce((sum, { cells }) => sum.plus(read(cells[at]!) ?? 0), ZERO);
  const cells = sides.map((side, at): ComparedCell => {
    const unknown = lines.filter(({ cells: all }) => all[at]!.printed === null && !all[at]!.absent);
    const none = unknown.length > 0 && lines.every(({ cells: all }) => all[at]!.printed === null);
    const comparable = lines.every(({ id: line }) => comparableIn(line, side, sides[0]!));
    const printed = sumOf(at, (cell) => cell.printed);
    const own = side.column.summary.sections.find((section) => section.id === id);
    const wick: PlainWick = own?.wick ?? {
      low: sumOf(at, (cell) => cell.wick?.low ?? cell.printed).toString(),
      likely: printed.toString(),
      high: sumOf(at, (cell) => cell.wick?.high ?? cell.printed).toString(),
    };
    const compared =
      at === 0 || !comparable
        ? { change: null, share: null }
        : differenceOf(
            printed,
            sumOf(0, (cell) => cell.printed),
          );
    return {
      ...NOTHING,
      printed: none ? null : printed.toString(),
      wick: none ? null : wick,
      ...compared,
      absent: unknown.length === 0 && lines.every(({ cells: all }) => all[at]!.absent),
    };
  });
  return { id, name, differs: lines.some((line) => line.differs), cells };
}
