/** A study's answer in plain data: what worker, screen, files and command line all tell. */
import { decimal, type Decimal } from '@/engine/base';
import { halfAwayFromZero, minorDigits, roundRows } from '@/engine/money';
import { type StudyTrouble, studyTroubles } from './check';
import type { Study, Variant } from './model';
import { type Crossing, moreOf, outcomesOf, paidSoFar, type VariantOutcome } from './outcome';
import { MONTHS } from './setting';
import { type TableKind, type YearsTable, yearsTable } from './years-table';
import { withGuess } from './assumptions';

/** Amounts are printed ones, as plain decimal text. */
export interface PlainYearsTable {
  readonly kinds: readonly {
    readonly kind: TableKind;
    readonly years: readonly string[];
    readonly total: string;
    readonly lines: readonly {
      readonly id: string;
      readonly name: string;
      readonly years: readonly string[];
      readonly total: string;
    }[];
  }[];
  readonly years: readonly string[];
  readonly total: string;
}

export interface PlainVariantOutcome {
  readonly id: string;
  readonly name: string;
  /** Null: everything stays owned. */
  readonly target: string | null;
  readonly table: PlainYearsTable;
  /** Of its cash, at the discount rate. */
  readonly today: string;
  readonly worth: string;
  /** What is left to write off of what stands there, spent in any case. */
  readonly opening: string;
  /** Paid for renting while the same still ran on the owned side. */
  readonly beside: string;
  /** Of the move itself. */
  readonly move: string;
  readonly owed: string;
  /** Printed, by month, adding up to the years. */
  readonly months: readonly string[];
  /** By how much it costs more than what it is held against, over the whole time. */
  readonly more: string;
  readonly share: string | null;
  /** In months from the start; null: it is never empty. */
  readonly emptyFrom: number | null;
}

export interface StudyAnswer {
  readonly currency: string;
  readonly basis: Study['basis'];
  readonly years: number;
  readonly start: string;
  readonly troubles: readonly StudyTrouble[];
  /** Where something stops the calculation: none. */
  readonly variants: readonly PlainVariantOutcome[];
  readonly own: string;
  readonly rent: string;
  /** By how much renting costs more; null: it cannot be calculated. */
  readonly more: string | null;
  readonly share: string | null;
  readonly moreToday: string | null;
  readonly crossings: readonly Crossing[];
  readonly payback: number | null;
  /** What the rented side costs more if it begins a month later; null: nothing moves, it would be too late, or nobody asked. */
  readonly monthLater: string | null;
}

/**
 * `pair`: only the two variants that are held against one another, and nothing of a month later: what a keystroke needs.
 *
 * @example
 * studyAnswer(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' })).more; // => '0'
 */
export function studyAnswer(study: Study, scope: 'all' | 'pair' = 'all'): StudyAnswer {
  const { currency, basis, years, start, against } = study;
  const troubles = studyTroubles(study);
  const head = { currency, basis, years, start, troubles, own: against[0], rent: against[1] };
  if (troubles.some(({ stops }) => stops))
    return {
      ...head,
      variants: [],
      more: null,
      share: null,
      moreToday: null,
      crossings: [],
      payback: null,
      monthLater: null,
    };
  const digits = minorDigits(currency);
  const isIn = ({ id }: Variant): boolean => scope === 'all' || against.includes(id);
  const outcomes = outcomesOf({ ...study, variants: study.variants.filter(isIn) });
  const tables = new Map(outcomes.map((each) => [each.variant.id, yearsTable(study, each)]));
  const find = (id: string): VariantOutcome => outcomes.find(({ variant }) => variant.id === id)!;
  const [own, rent] = [find(against[0]), find(against[1])];
  // What is printed: the difference is that of the printed totals.
  const printed = (id: string): Decimal => tables.get(id)!.total;
  const more = printed(rent.variant.id).minus(printed(own.variant.id));
  const { crossings, payback } = paidSoFar(own, rent, basis);
  return {
    ...head,
    variants: outcomes.map((outcome) =>
      plain(outcome, tables.get(outcome.variant.id)!, printed(own.variant.id), study),
    ),
    more: more.toString(),
    share: moreOf(own.total, rent.total)?.toString() ?? null,
    moreToday: text(rent.today, digits).minus(text(own.today, digits)).toString(),
    crossings,
    payback,
    monthLater: scope === 'pair' ? null : (monthLater(study, rent)?.toString() ?? null),
  };
}

const text = (value: Decimal, digits: number): Decimal => halfAwayFromZero(value, digits);

function plain(outcome: VariantOutcome, table: YearsTable, own: Decimal, study: Study): PlainVariantOutcome {
  const digits = minorDigits(study.currency);
  const { variant, today, worth, opening, beside, owed, calendar } = outcome;
  const money = (value: Decimal): string => text(value, digits).toString();
  const texts = (values: readonly Decimal[]): string[] => values.map(String);
  return {
    id: variant.id,
    name: variant.name,
    target: variant.target,
    table: {
      kinds: table.kinds.map(({ kind, years, total, lines: own }) => ({
        kind,
        years: texts(years),
        total: total.toString(),
        lines: own.map((line) => ({
          id: line.id,
          name: line.name,
          years: texts(line.years),
          total: line.total.toString(),
        })),
      })),
      years: texts(table.years),
      total: table.total.toString(),
    },
    today: money(today),
    worth: money(worth),
    opening: money(opening),
    beside: money(beside),
    move: table.kinds.find(({ kind }) => kind === 'move')?.total.toString() ?? '0',
    owed: money(owed),
    months: monthsOf(outcome, table, study),
    more: table.total.minus(own).toString(),
    share: own.isZero() ? null : table.total.minus(own).dividedBy(own.abs()).toString(),
    emptyFrom: Number.isFinite(calendar.empty) ? calendar.empty : null,
  };
}

/** Each year shared out to its months; what things are worth at the end stands in the last one. */
function monthsOf(outcome: VariantOutcome, { years }: YearsTable, study: Study): string[] {
  const digits = minorDigits(study.currency);
  const exact = [...outcome[study.basis]];
  if (study.basis === 'cash' && study.worthLeft) exact[exact.length - 1] = exact.at(-1)!.minus(outcome.worth);
  return years.flatMap((printed, year) =>
    roundRows(exact.slice(year * MONTHS, (year + 1) * MONTHS), digits, printed).map(String),
  );
}

function monthLater(study: Study, rent: VariantOutcome): Decimal | null {
  const { id, target, delay } = rent.variant;
  if (target === null || rent.calendar.waves.length === 0) return null;
  const later = withGuess(study, `variants/${id}/delay`, {
    likely: decimal(delay.likely).plus(1).toString(),
  });
  if (studyTroubles(later).some(({ stops }) => stops)) return null;
  const only = (each: Variant): boolean => each.id === id;
  const [found] = outcomesOf({ ...later, variants: later.variants.filter(only) });
  return text(found!.total.minus(rent.total), minorDigits(study.currency));
}
