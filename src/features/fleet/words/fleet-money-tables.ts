/** The tables of a fleet's report that tell amounts, each with its question as a title and its answer as a sentence. */
import { addAll, decimal, type Decimal, ZERO } from '@/engine/base';
import { COST_KINDS, type FleetCell, type FleetPlan, machineAmounts, UNION } from '@/features/fleet/calc';
import { halfAwayFromZero, minorDigits } from '@/engine/money';
import { writeNumber } from '@/platform/words';
import type { FlatCell, FlatRow, FlatTable } from '@/platform/tables';
import { cellNotes, type PlainCell } from './fleet-cells';
import { needText } from './fleet-table';
import type { ToldMatrix } from './fleet-told';
import { type FleetPlaceNames, KIND_WORDS } from './fleet-words';

const number = (value: number): FlatCell => ({ number: String(value) });
const count = (value: number): string => writeNumber(String(value));
const row = (...cells: readonly FlatCell[]): FlatRow => ({ level: 'line', cells });

/** As printed. */
function money(amount: string | null, currency: string): FlatCell {
  return amount === null
    ? ''
    : { money: halfAwayFromZero(decimal(amount), minorDigits(currency)).toString() };
}

type Plan = Pick<FleetPlan, 'placements' | 'currency'>;

/** One stretch a group: its name, then one row a placement. */
function byGroup(
  { groups, cells }: ToldMatrix,
  { placements }: Plan,
  columns: (cell: PlainCell) => readonly FlatCell[],
  width: number,
): FlatRow[] {
  return groups.flatMap(({ id, name, machines }): FlatRow[] => [
    {
      level: id === UNION ? 'total' : 'group',
      cells: [`${name}: ${count(machines)} machines`, ...Array.from({ length: width }, () => '')],
    },
    ...cells
      .filter(({ group }) => group === id)
      .map((cell) =>
        row(placements.find((each) => each.id === cell.placement)?.name ?? cell.placement, ...columns(cell)),
      ),
  ]);
}

export function costTable(told: ToldMatrix, plan: FleetPlan, names: FleetPlaceNames): FlatTable {
  const head = ['Where', 'Machines', 'Do not fit', 'Hosts', 'A month', 'Each', 'As installed', 'If measured'];
  const columns = (cell: PlainCell): FlatCell[] => [
    `${names.book(cell.place.book)} ${names.region(cell.place.book, cell.place.region)}`,
    number(cell.machines),
    number(cell.unfit.reduce((sum, each) => sum + each.count, 0)),
    cell.hosts ? number(cell.hosts.paid) : '',
    money(cell.printed, told.currency),
    money(cell.mean, told.currency),
    money(cell.installed, told.currency),
    money(cell.ifMeasured, told.currency),
  ];
  const { mix } = told;
  const name = (of: readonly { readonly id: string; readonly name: string }[], id: string): string =>
    of.find((each) => each.id === id)?.name ?? id;
  return {
    title: 'What would each group cost, placed how?',
    answer:
      'Each amount is that of the design that the group becomes, so that it can be opened line by line.',
    currency: told.currency,
    noSums: true,
    head: ['Group and placement', ...head],
    rows: byGroup(told, plan, columns, head.length),
    notes: [
      ...(mix
        ? [
            {
              title: 'The best mix',
              lines: mix.chosen.map(
                ({ group, placement, machines }) =>
                  `${name(told.groups, group)}, ${count(machines)} machines that no group before has: ${name(plan.placements, placement)}`,
              ),
            },
          ]
        : []),
      ...told.cells.flatMap((cell) => {
        const lines = cellNotes(cell);
        const title = `${name(told.groups, cell.group)}, ${name(plan.placements, cell.placement)}`;
        return lines.length > 0 ? [{ title, lines }] : [];
      }),
    ],
  };
}

export function madeOfTable(told: ToldMatrix, plan: FleetPlan): FlatTable {
  const columns = (cell: PlainCell): FlatCell[] => [
    ...COST_KINDS.map((kind) => money(cell.kinds[kind], told.currency)),
    money(cell.printed, told.currency),
    cell.reason,
  ];
  const brought = plan.placements.filter(
    ({ licences, softwareLicences }) => licences === 'brought' || softwareLicences === 'brought',
  );
  return {
    title: 'What is it made of?',
    answer: `By kind of cost; the last column says what makes most of the difference to “${plan.placements[0]?.name ?? ''}”.`,
    currency: told.currency,
    noSums: true,
    head: [
      'Group and placement',
      ...COST_KINDS.map((kind) => KIND_WORDS[kind]),
      'A month',
      'Against the first',
    ],
    rows: byGroup(told, plan, columns, COST_KINDS.length + 2),
    notes:
      brought.length > 0
        ? [
            {
              title: 'Licences that are brought',
              lines: [
                `What they cost is not in the amounts of ${brought.map(({ name }) => `“${name}”`).join(', ')}.`,
              ],
            },
          ]
        : [],
  };
}

const DEAREST = 20;

export function dearestTable(cell: FleetCell, { currency, placements }: FleetPlan): FlatTable {
  const priced = machineAmounts(cell, currency)
    .flatMap(({ laid, printed }) => (printed ? [{ laid, printed }] : []))
    .sort((a, b) => b.printed.comparedTo(a.printed) || (a.laid.machine.id < b.laid.machine.id ? -1 : 1));
  const all = addAll(priced.map(({ printed }) => printed));
  let upTo: Decimal = ZERO;
  const rows = priced.slice(0, DEAREST).map(({ laid, printed }) => {
    upTo = upTo.plus(printed);
    return row(
      laid.machine.name,
      needText(laid.need),
      laid.offer?.name ?? '',
      { money: printed.toString() },
      { share: all.isZero() ? '0' : upTo.dividedBy(all).toString() },
    );
  });
  const name = placements.find(({ id }) => id === cell.placement)?.name ?? cell.placement;
  let [half, sum] = [0, ZERO as Decimal];
  while (half < priced.length && sum.times(2).lessThan(all)) sum = sum.plus(priced[half++]!.printed);
  return {
    title: 'Where is the money?',
    answer: `Under “${name}”, the ${count(half)} dearest of ${count(priced.length)} machines cost half of it all.`,
    currency,
    noSums: true,
    head: ['Machine', 'Needs', 'Becomes', 'A month', 'Up to here'],
    rows: [
      ...rows,
      {
        level: 'total',
        cells: [`All ${count(priced.length)} machines`, '', '', { money: all.toString() }, { share: '1' }],
      },
    ],
    notes: [],
  };
}
