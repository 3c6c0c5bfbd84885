/** Both sides by quarter, as finance plans: sums of printed months, so that they add up to the years. Needs N6, Q7; opening 49. */
import { addAll, type Decimal, decimal, ZERO } from '@/engine/base';
import { type StudyAnswer, studyMonth } from '@/features/own-or-rent/calc';
import type { FlatCell, FlatRow, FlatTable } from '@/platform/tables';
import { studyYear } from './study-words';

const QUARTER = 3;
const YEAR = 12;

export interface StudyQuarter {
  /** "Jan to Mar 2027". */
  readonly name: string;
  /** In months from the start, until before `to`. */
  readonly from: number;
  readonly to: number;
  /** Printed amounts. */
  readonly own: string;
  readonly rent: string;
  /** By how much renting costs more: in the quarter, and so far. */
  readonly more: string;
  readonly soFar: string;
}

/**
 * Four for each year of the study, counted from its start.
 *
 * @example
 * const answer = studyAnswer(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-02' }));
 * studyQuarters(answer)[0]!.name; // => 'Feb to Apr 2027'
 */
export function studyQuarters({ variants, own, rent, start, years }: StudyAnswer): StudyQuarter[] {
  const monthsOf = (id: string): readonly string[] => variants.find((each) => each.id === id)?.months ?? [];
  const [owned, rented] = [monthsOf(own), monthsOf(rent)];
  let soFar = ZERO;
  return Array.from({ length: (years * YEAR) / QUARTER }, (_, quarter): StudyQuarter => {
    const [from, to] = [quarter * QUARTER, (quarter + 1) * QUARTER];
    const sum = (months: readonly string[]): Decimal => addAll(months.slice(from, to).map(decimal));
    const [a, b] = [sum(owned), sum(rented)];
    const more = b.minus(a);
    soFar = soFar.plus(more);
    return {
      name: `${monthName(start, from)} to ${studyMonth(start, to - 1)}`,
      from,
      to,
      own: a.toString(),
      rent: b.toString(),
      more: more.toString(),
      soFar: soFar.toString(),
    };
  });
}

/** Without its year, where the quarter ends in the same. */
function monthName(start: string, month: number): string {
  const [first, last] = [studyMonth(start, month), studyMonth(start, month + QUARTER - 1)];
  return first.slice(4) === last.slice(4) ? first.slice(0, 3) : first;
}

const money = (value: string): FlatCell => ({ money: value });

/**
 * @example
 * quartersTable(studyAnswer(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }))).rows.length; // => 26
 */
export function quartersTable(answer: StudyAnswer): FlatTable {
  const { currency, start, basis, variants, own, rent, more } = answer;
  const [first, second] = [own, rent].map((id) => variants.find((each) => each.id === id));
  const quarters = more === null ? [] : studyQuarters(answer);
  const perYear = YEAR / QUARTER;
  return {
    title: 'Both sides by quarter',
    answer:
      basis === 'cash' ? 'Money in the quarter in which it leaves.' : 'Purchases spread over their life.',
    currency,
    head: ['Quarter', first?.name ?? '', second?.name ?? '', 'Difference', 'So far'],
    rows:
      first && second && more !== null
        ? [
            ...quarters.flatMap((quarter, at): FlatRow[] => {
              const { name, soFar } = quarter;
              const line: FlatRow = {
                level: 'line',
                cells: [name, money(quarter.own), money(quarter.rent), money(quarter.more), money(soFar)],
              };
              if ((at + 1) % perYear !== 0) return [line];
              const year = Math.floor(at / perYear);
              const [a, b] = [first.table.years[year]!, second.table.years[year]!];
              const cells = [studyYear(start, year), money(a), money(b), differenceOf(a, b), money(soFar)];
              return [line, { level: 'group', cells }];
            }),
            {
              level: 'total',
              cells: ['All of it', money(first.table.total), money(second.table.total), money(more), ''],
            },
          ]
        : [],
    notes: [],
  };
}

const differenceOf = (own: string, rent: string): FlatCell => money(decimal(rent).minus(own).toString());
