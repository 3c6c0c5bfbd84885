/**
 * A fleet for whoever has to decide: what it would cost, group by group, what it is made of, where the money is, what is in
 * the way, how sure that is, and everything it rests on. The same tables on the page, on paper and as Markdown. Needs Q2, L7.
 */
import { decimal } from '@/engine/base';
import {
  type FleetPlan,
  type GroupMachines,
  isComplete,
  type Machine,
  type Matrix,
  type MatrixCell,
  type ReadinessCode,
  UNION,
} from '@/features/fleet/calc';
import { halfAwayFromZero, minorDigits } from '@/engine/money';
import { writeMoney, writeNumber } from '@/platform/words';
import { plainCell } from './fleet-cells';
import type { TableReport, TableReportTotal } from '@/platform/tables';
import {
  type FleetReportBook,
  groupsTable,
  installedTable,
  pricesTable,
  readinessTable,
  settingsTable,
  sureTable,
  systemsTable,
} from './fleet-inventory-tables';
import { costTable, dearestTable, madeOfTable } from './fleet-money-tables';
import { type ToldMatrix, toldMatrix } from './fleet-told';
import type { FleetPlaceNames } from './fleet-words';

export interface FleetReportAsked {
  readonly plan: FleetPlan;
  readonly machines: readonly Machine[];
  readonly groups: readonly GroupMachines[];
  readonly matrix: Matrix;
  readonly readinessOf: (machine: Machine) => readonly ReadinessCode[];
  readonly books: readonly FleetReportBook[];
  readonly names: FleetPlaceNames;
}

/**
 * @example
 * const plan = newPlan({ title: 'Quay', currency: 'USD', exchange: [], books: [], origin: 'quay.csv' });
 * const names = { book: (key: string) => key, region: (_: string, code: string) => code };
 * fleetReport({ plan, machines: [], groups: [], matrix: { cells: [], union: [], mix: null }, readinessOf: () => [], books: [], names }).total; // => null
 */
export function fleetReport(asked: FleetReportAsked): TableReport {
  const { plan, machines, groups, matrix, readinessOf, books, names } = asked;
  const told = toldMatrix(matrix, groups, plan, machines.length);
  const whole = matrix.union.length > 0 ? matrix.union : matrix.cells;
  const best = bestOf(whole);
  return {
    title: plan.title,
    currency: plan.currency,
    lead: leadOf(plan, told),
    total: best && totalOf(best, plan, names),
    tables: [
      costTable(told, plan, names),
      madeOfTable(told, plan),
      ...(best ? [dearestTable(best.cell, plan)] : []),
      installedTable(machines),
      sureTable(machines),
      readinessTable(machines, readinessOf),
      groupsTable(told, plan),
      settingsTable(plan, names),
      systemsTable(machines, plan),
      pricesTable(books, plan),
    ],
  };
}

function bestOf(cells: readonly MatrixCell[]): MatrixCell | null {
  const missing = ({ cell }: MatrixCell): number => cell.unpriced + cell.unfit.length;
  const [best] = [...cells].sort(
    (a, b) => missing(a) - missing(b) || a.cell.monthly.comparedTo(b.cell.monthly),
  );
  return best && best.cell.layout.machines.size > 0 ? best : null;
}

function totalOf(found: MatrixCell, plan: FleetPlan, names: FleetPlaceNames): TableReportTotal {
  const { cell } = found;
  const { monthly, printed, ifMeasured, machines } = plainCell(found, undefined, plan.currency);
  const digits = minorDigits(plan.currency);
  const print = (value: string): string => halfAwayFromZero(decimal(value), digits).toString();
  const [low, high] = [monthly, ifMeasured ?? monthly].sort((a, b) => decimal(a).comparedTo(b));
  return {
    placement: plan.placements.find(({ id }) => id === cell.placement)?.name ?? cell.placement,
    where: `${names.book(cell.place.book)}, ${names.region(cell.place.book, cell.place.region)}`,
    machines,
    monthly: printed,
    year: decimal(printed).times(12).toString(),
    low: print(low!),
    high: print(high!),
    missing: isComplete(cell) ? 0 : cell.unfit.length + cell.unpriced,
  };
}

function leadOf({ origin, title }: FleetPlan, { groups, overlap, mix }: ToldMatrix): string[] {
  const own = groups.filter(({ id }) => id !== UNION);
  const count = (value: number): string => writeNumber(String(value));
  const many = own.length > 1;
  return [
    `${count(overlap.union)} machines of ${title}${many ? ` in ${own.length} groups, each counted once` : ''}${overlap.inNone > 0 ? `; ${count(overlap.inNone)} are in no group and are not in it` : ''}.${origin ? ` The inventory comes from ${origin}.` : ''}`,
    ...(mix ? [mix.text] : []),
  ];
}

/**
 * The total in one sentence.
 *
 * @example
 * fleetTotalText({ placement: 'Here', where: 'Small, Severn', machines: 2, monthly: '10', year: '120', low: '10', high: '12', missing: 0 }, 'USD'); // => 'Under “Here”, at Small, Severn, 2 machines cost 10.00 USD a month, 120.00 USD in 12 months. If the machines that nobody measured were used as the others, it would be 12.00 USD a month.'
 */
export function fleetTotalText(total: TableReportTotal, currency: string): string {
  const { placement, where, machines, monthly, year, low, high, missing } = total;
  const money = (value: string): string => `${writeMoney(value, currency)} ${currency}`;
  const other = low === monthly ? high : low;
  const incomplete = missing > 0 ? ` Incomplete: ${missing} machines or lines have no amount.` : '';
  const measured =
    low === high
      ? ''
      : ` If the machines that nobody measured were used as the others, it would be ${money(other)} a month.`;
  return `Under “${placement}”, at ${where}, ${writeNumber(String(machines))} machines cost ${money(monthly)} a month, ${money(year)} in 12 months.${measured}${incomplete}`;
}
