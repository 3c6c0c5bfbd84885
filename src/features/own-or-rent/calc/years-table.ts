/**
 * A variant by kind of cost and year, rounded so that it adds up in both directions: the printed total is the exact one,
 * shared out to years, and each year to its kinds; a kind's total is the sum of its printed years. Needs N4, N6, N9.
 */
import { addAll, type Decimal, ZERO } from '@/engine/base';
import { halfAwayFromZero, minorDigits, roundRows } from '@/engine/money';
import { type Study, type StudyKind, STUDY_KINDS } from './model';
import type { OutcomeLine, VariantOutcome } from './outcome';
import { MONTHS } from './setting';

/** `worth`: what things are still worth at the end, taken off. */
export type TableKind = StudyKind | 'worth';

export interface TableLine {
  readonly id: string;
  readonly name: string;
  readonly years: readonly Decimal[];
  readonly total: Decimal;
}

export interface KindRow {
  readonly kind: TableKind;
  readonly years: readonly Decimal[];
  readonly total: Decimal;
  readonly lines: readonly TableLine[];
}

export interface YearsTable {
  readonly variant: string;
  /** Only kinds that something goes on. */
  readonly kinds: readonly KindRow[];
  readonly years: readonly Decimal[];
  readonly total: Decimal;
}

interface Amounts {
  readonly id: string;
  readonly name: string;
  readonly years: readonly Decimal[];
}

/**
 * @example
 * const study = newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' });
 * yearsTable(study, outcomesOf(study)[0]!).years.map(String); // => ['0', '0', '0', '0', '0']
 */
export function yearsTable(study: Study, outcome: VariantOutcome): YearsTable {
  const digits = minorDigits(study.currency);
  const kinds = kindsOf(study, outcome);
  const exact = sumYears(
    study.years,
    kinds.map(({ years }) => years),
  );
  const total = halfAwayFromZero(addAll(exact), digits);
  const years = roundRows(exact, digits, total);
  const printed = acrossYears(study.years, digits, kinds, years);
  const rows = kinds.map(({ kind, lines }, at): KindRow => {
    const own = printed[at]!;
    const ofLines = acrossYears(study.years, digits, lines, own);
    return {
      kind,
      years: own,
      total: addAll(own),
      lines: lines.map(({ id, name }, place) => ({
        id,
        name,
        years: ofLines[place]!,
        total: addAll(ofLines[place]!),
      })),
    };
  });
  return { variant: outcome.variant.id, kinds: rows, years, total };
}

/** Year by year, rows rounded to add up to what is printed for the year. */
function acrossYears(
  count: number,
  digits: number,
  rows: readonly { readonly years: readonly Decimal[] }[],
  printed: readonly Decimal[],
): Decimal[][] {
  const made = rows.map((): Decimal[] => []);
  for (let year = 0; year < count; year += 1) {
    const rounded = roundRows(
      rows.map(({ years }) => years[year]!),
      digits,
      printed[year]!,
    );
    rounded.forEach((amount, row) => made[row]!.push(amount));
  }
  return made;
}

function kindsOf(
  study: Study,
  { lines }: VariantOutcome,
): { readonly kind: TableKind; readonly years: Decimal[]; readonly lines: Amounts[] }[] {
  const rows = STUDY_KINDS.flatMap((kind) => {
    const own = lines.filter((line) => line.kind === kind).map((line) => yearly(study, line));
    const felt = own.filter(({ years }) => years.some((amount) => !amount.isZero()));
    if (felt.length === 0) return [];
    const years = sumYears(
      study.years,
      felt.map((each) => each.years),
    );
    return [{ kind: kind as TableKind, years, lines: felt }];
  });
  const worth = study.basis === 'cash' && study.worthLeft ? worthLines(study.years, lines) : [];
  if (worth.length === 0) return rows;
  const years = sumYears(
    study.years,
    worth.map((each) => each.years),
  );
  return [...rows, { kind: 'worth', years, lines: worth }];
}

function yearly({ basis, years }: Study, line: OutcomeLine): Amounts {
  return {
    id: line.id,
    name: line.name,
    years: Array.from({ length: years }, (_, year) =>
      addAll(line[basis].slice(year * MONTHS, (year + 1) * MONTHS)),
    ),
  };
}

/** In the last year, taken off. */
function worthLines(years: number, lines: readonly OutcomeLine[]): Amounts[] {
  return lines.flatMap(({ id, name, worth }) =>
    worth.isZero()
      ? []
      : [{ id, name, years: [...Array.from({ length: years - 1 }, () => ZERO), worth.negated()] }],
  );
}

const sumYears = (count: number, rows: readonly (readonly Decimal[])[]): Decimal[] =>
  Array.from({ length: count }, (_, year) => addAll(rows.map((row) => row[year]!)));
