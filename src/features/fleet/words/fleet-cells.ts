/** Cells of the matrix as plain data and as a flat table, and hosts as they are told. */
import { type Decimal, decimal } from '@/engine/base';
import type { Place } from '@/engine/design';
import {
  COST_KINDS,
  type CostKind,
  type FleetPlan,
  type HostsUsed,
  type MatrixCell,
  PLACEMENT_SETTINGS,
  type UnfitWhy,
} from '@/features/fleet/calc';
import { halfAwayFromZero, minorDigits, roundRows } from '@/engine/money';
import type { FlatCell, FlatTable } from '@/platform/tables';
import {
  differenceReason,
  type FleetPlaceNames,
  type HostsTold,
  hostsText,
  KIND_WORDS,
  settingText,
  unfitText,
} from './fleet-words';

export interface PlainCell {
  readonly group: string;
  readonly placement: string;
  readonly place: Place;
  readonly monthly: string;
  readonly printed: string;
  /** As printed: they add up to the printed amount. */
  readonly kinds: Readonly<Record<CostKind, string>>;
  readonly machines: number;
  readonly mean: string | null;
  readonly installed: string | null;
  readonly ifMeasured: string | null;
  readonly unpriced: number;
  readonly unfit: readonly {
    readonly why: UnfitWhy;
    readonly count: number;
    readonly some: readonly string[];
  }[];
  readonly off: number;
  readonly unmeasured: number;
  readonly unmapped: number;
  readonly withoutDisk: number;
  readonly hosts: HostsTold | null;
  /** Against the first placement: which kind makes most of the difference; empty: it is that, or there is none. */
  readonly reason: string;
}

const SHOWN = 5;

/**
 * How hosts are told: how full they are, whether the least number bites, and from how many machines on it does not.
 *
 * @example
 * hostsTold({ offer: book.offer('A-4')!, hosts: [{ ids: ['a'], vcpu: 2, memory: 4, storage: 0 }], room: { vcpu: 4, memory: 16 }, spare: 0, least: 0, paid: 1, lowerBound: 1 }, 1).filled; // => 0.5
 */
export function hostsTold(used: HostsUsed, machines: number): HostsTold {
  const { hosts, room, spare, least, paid } = used;
  const share = (read: (host: HostsUsed['hosts'][number]) => number, one: number): number =>
    hosts.reduce((sum, host) => sum + read(host), 0) / (one * Math.max(1, paid));
  const filled = Math.max(
    share(({ vcpu }) => vcpu, room.vcpu),
    share(({ memory }) => memory, room.memory),
  );
  const bites = paid === least && least > hosts.length + spare;
  const each = (filled * paid) / Math.max(1, machines);
  return {
    machines,
    hosts: hosts.length,
    paid,
    least,
    spare,
    filled,
    fullFrom: bites && each > 0 ? Math.floor((least - spare - 1) / each) + 1 : null,
  };
}

function printedKinds(
  kinds: Readonly<Record<CostKind, Decimal>>,
  monthly: Decimal,
  currency: string,
): PlainCell['kinds'] {
  const digits = minorDigits(currency);
  const rows = roundRows(
    COST_KINDS.map((kind) => kinds[kind]),
    digits,
    halfAwayFromZero(monthly, digits),
  );
  return Object.fromEntries(COST_KINDS.map((kind, at) => [kind, rows[at]!.toString()])) as PlainCell['kinds'];
}

const printed = (amount: Decimal, currency: string): string =>
  halfAwayFromZero(amount, minorDigits(currency)).toString();

/**
 * A cell of the matrix as plain data; `first` is the same group under the first placement.
 *
 * @example
 * const placer = new Placer({ currency: 'USD', exchange: [], books: [book], systems: {} });
 * const here = defaultPlacement('p', 'Here', [{ book: 'small', region: 'severn' }]);
 * const cell = cellOf(placer, [{ id: 'a', name: 'A', machines: [] }], here).next().value;
 * plainCell({ group: 'a', cell, installed: null, ifMeasured: null }, undefined, 'USD').printed; // => '0'
 */
export function plainCell(
  { group, cell, installed, ifMeasured }: MatrixCell,
  first: MatrixCell | undefined,
  currency: string,
): PlainCell {
  const { layout, monthly, kinds, machines, unfit } = cell;
  const byWhy = new Map<UnfitWhy, string[]>();
  const names = layout.machines;
  for (const { id, why } of unfit)
    byWhy.set(why, [...(byWhy.get(why) ?? []), names.get(id)?.machine.name ?? id]);
  return {
    group,
    placement: cell.placement,
    place: cell.place,
    monthly: monthly.toString(),
    printed: printed(monthly, currency),
    kinds: printedKinds(kinds, monthly, currency),
    machines,
    mean: machines > 0 ? monthly.dividedBy(machines).toString() : null,
    installed: installed?.toString() ?? null,
    ifMeasured: ifMeasured?.toString() ?? null,
    unpriced: cell.unpriced,
    unfit: [...byWhy].map(([why, some]) => ({ why, count: some.length, some: some.slice(0, SHOWN) })),
    ...layout.counts,
    hosts: layout.hosts && hostsTold(layout.hosts, machines),
    reason: first && first.cell !== cell ? differenceReason(first.cell.kinds, kinds) : '',
  };
}

interface MatrixTold {
  readonly cells: readonly PlainCell[];
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  readonly currency: string;
  /** The best mix; null: there is none. */
  readonly mix: { readonly text: string } | null;
}

/**
 * What has to be known of a cell beside its amount.
 *
 * @example
 * const placer = new Placer({ currency: 'USD', exchange: [], books: [book], systems: {} });
 * const here = defaultPlacement('p', 'Here', [{ book: 'small', region: 'severn' }]);
 * const cell = cellOf(placer, [{ id: 'a', name: 'A', machines: [] }], here).next().value;
 * cellNotes(plainCell({ group: 'a', cell, installed: null, ifMeasured: null }, undefined, 'USD')); // => []
 */
export function cellNotes({
  hosts,
  unfit,
  off,
  unmeasured,
  unmapped,
  withoutDisk,
  unpriced,
}: PlainCell): string[] {
  return [
    ...(hosts ? [hostsText(hosts)] : []),
    ...unfit.map(
      ({ why, count, some }) =>
        `${count} do not fit, because ${unfitText(why)}: ${some.join(', ')}${count > some.length ? ' …' : ''}.`,
    ),
    ...(off > 0 ? [`${off} are powered off and left out.`] : []),
    ...(withoutDisk > 0 ? [`${withoutDisk} have no disk of known size: none is counted for them.`] : []),
    ...(unmeasured > 0 ? [`${unmeasured} are sized as installed, because not measured.`] : []),
    ...(unmapped > 0
      ? [`${unmapped} have a system or a licence that is not mapped: nothing is counted for it.`]
      : []),
    ...(unpriced > 0 ? [`${unpriced} lines have no amount.`] : []),
  ];
}

/**
 * One row a cell, with its kinds of cost; the settings of each placement are its notes.
 *
 * @example
 * const plan = newPlan({ title: 'Quay', currency: 'USD', exchange: [], books: [], origin: '' });
 * matrixTable({ cells: [], groups: [], currency: 'USD', mix: null }, plan, { book: (key) => key, region: (_, code) => code }).head.slice(0, 3); // => ['Group', 'Placement', 'Where']
 */
export function matrixTable(
  { cells, groups, currency, mix }: MatrixTold,
  plan: FleetPlan,
  names: FleetPlaceNames,
): FlatTable {
  const money = (amount: string | null): FlatCell =>
    amount === null ? '' : { money: printed(decimal(amount), currency) };
  const placement = (id: string): string => plan.placements.find((each) => each.id === id)?.name ?? id;
  return {
    title: `${plan.title}: groups under placements`,
    answer: mix?.text ?? 'What each group would cost a month.',
    currency,
    // Groups may have machines in common: their amounts are no parts of a sum.
    noSums: true,
    head: [
      'Group',
      'Placement',
      'Where',
      'Machines',
      'Do not fit',
      'A month',
      ...COST_KINDS.map((kind) => KIND_WORDS[kind]),
      'As installed',
      'If all were measured',
      'Hosts',
    ],
    rows: cells.map((cell) => ({
      level: 'line',
      cells: [
        groups.find(({ id }) => id === cell.group)?.name ?? cell.group,
        placement(cell.placement),
        `${names.book(cell.place.book)} ${names.region(cell.place.book, cell.place.region)}`,
        { number: String(cell.machines) },
        { number: String(cell.unfit.reduce((sum, { count }) => sum + count, 0)) },
        money(cell.printed),
        ...COST_KINDS.map((kind) => money(cell.kinds[kind])),
        money(cell.installed),
        money(cell.ifMeasured),
        cell.hosts ? { number: String(cell.hosts.paid) } : '',
      ],
    })),
    notes: [
      ...plan.placements.map((each) => ({
        title: each.name,
        lines: [
          PLACEMENT_SETTINGS.map((setting) => settingText({ setting, value: each[setting] }, names)).join(
            '; ',
          ),
        ],
      })),
      ...cells.flatMap((cell) => {
        const lines = cellNotes(cell);
        const group = groups.find(({ id }) => id === cell.group)?.name ?? cell.group;
        return lines.length > 0 ? [{ title: `${group}, ${placement(cell.placement)}`, lines }] : [];
      }),
      {
        title: 'Held equal',
        lines: [
          `Prices: ${plan.books.map(({ book, revision }) => `${names.book(book)}, revision ${revision}`).join('; ')}.`,
        ],
      },
    ],
  };
}
