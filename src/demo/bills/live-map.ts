/**
 * What Osmere charges for the live sailing map, day by day: as designed in September, a storm in October, and from the ninth
 * of November a page that asks four times as often as it should. Made from the design and its own price book.
 */
import { addAll, type Decimal, decimal, ONE, seededRandom, ZERO } from '@/engine/base';
import {
  type BillHead,
  type ChargedRow,
  daysOfPeriod,
  expectedBill,
  type ExpectedMeter,
} from '@/features/bills/calc';
import { allComponents, type Component, type Design } from '@/engine/design';
import type { BookSet } from '@/engine/pricing';
import { readCase } from '@/engine/usage';
import { factor } from './live-map-days';

export const LIVE_MAP_ACCOUNT = 'skerrow-live-map';
const MONEY = 10;
const PRICE = 15;

export const monthHead = (month: string): BillHead => {
  const [year, number] = month.split('-').map(Number) as [number, number];
  const next = new Date(Date.UTC(year, number, 1)).toISOString().slice(0, 10);
  return { provider: 'Osmere', account: LIVE_MAP_ACCOUNT, from: `${month}-01`, to: next, currency: 'USD' };
};

/** Of the newest day, and the one before, so much is there when a file is made. */
const COMPLETE: readonly string[] = ['0.6', '0.92'];

export interface LiveMapAsked {
  readonly design: Design;
  readonly books: BookSet;
  /** `2026-11`. */
  readonly month: string;
  /** The newest day that is in it. */
  readonly upTo: string;
  /** What was put right after the month. */
  readonly isPutRight: boolean;
}

export function liveMapRows({ design, books, month, upTo, isPutRight }: LiveMapAsked): ChargedRow[] {
  const head = monthHead(month);
  const all = daysOfPeriod(head);
  const known = all.filter((day) => day <= upTo);
  const isOver = known.length === all.length;
  const { meters } = expectedBill(design, books, head, 'USD');
  const cost = costAfter(design, books, head);
  const listed = listedPrices(design, books, head);
  const rows = meters.flatMap((meter) => {
    const component = allComponents(design).find(({ id }) => id === meter.component)!;
    let [sum, paid]: [Decimal, Decimal] = [ZERO, ZERO];
    return known.flatMap((day, at): ChargedRow[] => {
      const age = known.length - 1 - at;
      const there = isOver ? ONE : decimal(COMPLETE[age] ?? '1');
      const quantity = decimal(meter.quantity ?? '0')
        .dividedBy(all.length)
        .times(factor(meter, day))
        .times(there)
        .toDecimalPlaces(MONEY);
      sum = sum.plus(quantity);
      const before = paid;
      paid = cost(meter, sum);
      const charge = paid.minus(before).toDecimalPlaces(MONEY);
      return unitsOf(component, meter).flatMap((unit) =>
        rowsOf({ meter, component, day, unit, quantity, charge, listed: listed(meter) }),
      );
    });
  });
  const bought = meters.flatMap((meter) => boughtOf(meter, design, head.from));
  return [...rows, ...bought, ...apart(month, known, isOver, isPutRight)].sort((a, b) =>
    a.day < b.day ? -1 : a.day > b.day ? 1 : 0,
  );
}

/** What a unit costs on demand; null for what is sent out, where it hangs on how much there is. */
function listedPrices(design: Design, books: BookSet, head: BillHead) {
  const open = design.sections.map((section) => ({
    ...section,
    components: section.components.map((each): Component => ({ ...each, term: 'on-demand' })),
  }));
  const { meters } = expectedBill({ ...design, sections: open }, books, head, 'USD');
  const prices = new Map(
    meters.flatMap(({ component, meter, cost, quantity }): [string, string][] =>
      quantity === null || meter === 'transferred'
        ? []
        : [[`${component} ${meter}`, decimal(cost).dividedBy(quantity).toDecimalPlaces(PRICE).toString()]],
    ),
  );
  return ({ component, meter }: ExpectedMeter): string | null => prices.get(`${component} ${meter}`) ?? null;
}

/** What so much of a meter costs in the month, by the price book: its tiers fill up as the month goes. */
function costAfter(design: Design, books: BookSet, head: BillHead) {
  const known = new Map<string, Decimal>();
  return (meter: ExpectedMeter, quantity: Decimal): Decimal => {
    if (meter.meter === 'running' || quantity.isZero())
      return decimal(meter.cost)
        .times(quantity)
        .dividedBy(meter.quantity ?? '1');
    const times = quantity.dividedBy(meter.quantity ?? '1').toDecimalPlaces(MONEY);
    const key = `${meter.component} ${meter.meter} ${times.toString()}`;
    const found = known.get(key);
    if (found) return found;
    const asked = withTimes(design, meter, times);
    const cost = addAll(
      expectedBill(asked, books, head, 'USD').meters.flatMap((each) =>
        each.component === meter.component && each.meter === meter.meter ? [decimal(each.cost)] : [],
      ),
    );
    known.set(key, cost);
    return cost;
  };
}

function withTimes(design: Design, { component, meter }: ExpectedMeter, times: Decimal): Design {
  const changed = (each: Component): Component => {
    const entry = each.usage[meter];
    if (each.id !== component || !entry) return each;
    const likely = decimal(readCase(entry.amount, 'likely')).times(times).toDecimalPlaces(6).toString();
    return { ...each, usage: { ...each.usage, [meter]: { ...entry, amount: { likely } } } };
  };
  return {
    ...design,
    sections: design.sections.map((section) => ({ ...section, components: section.components.map(changed) })),
  };
}

interface Unit {
  readonly resource: string;
  readonly name: string;
  readonly share: Decimal;
}

const NAMES: Readonly<Record<string, readonly [string, string]>> = {
  'Position receivers': ['recv', 'Position receiver'],
  'Position archive': ['archive', 'Position archive'],
  'Tile servers': ['tile', 'Tile server'],
  'Tile store': ['tilestore', 'Tile store'],
  'Tiles and positions out': ['out', 'Sailing map, out to viewers'],
};

/** Servers are billed one by one. */
function unitsOf({ name }: Component, { meter, quantity }: ExpectedMeter): Unit[] {
  const [short, title] = NAMES[name] ?? [name, name];
  // They are billed by the second.
  const months = decimal(quantity ?? '0').dividedBy(3600 * 730);
  const count = meter === 'running' ? Math.max(1, Math.round(months.toNumber())) : 1;
  return Array.from({ length: count }, (_, at) => ({
    resource: count === 1 ? `map/${short}` : `map/${short}-${at + 1}`,
    name: count === 1 ? title : `${title} ${at + 1}`,
    share: ONE.dividedBy(count),
  }));
}

interface DayOf {
  readonly meter: ExpectedMeter;
  readonly component: Component;
  readonly day: string;
  readonly unit: Unit;
  readonly quantity: Decimal;
  readonly charge: Decimal;
  /** On demand; null: it hangs on how much there is. */
  readonly listed: string | null;
}

const SERVICES: Readonly<Record<string, string>> = {
  server: 'Osmere Machines',
  'object-store': 'Osmere Hold',
  'transfer-out': 'Osmere Sail',
};
/** From here on half of the tile servers sleep at night: what is committed is not used. */
const HALF_USED = '2026-11-01';

function rowsOf({ meter, component, day, unit, quantity, charge, listed }: DayOf): ChargedRow[] {
  const text = (value: Decimal): string => value.times(unit.share).toDecimalPlaces(MONEY).toString();
  const row: ChargedRow = {
    ...PLAIN,
    ...{ day, sku: meter.sku, meter: meter.meter, region: meter.region, unit: meter.unit },
    service: SERVICES[component.kind] ?? 'Osmere',
    ...{ resource: unit.resource, resourceName: unit.name, description: `${meter.label}, ${component.name}` },
    tags: component.kind === 'server' ? { team: 'map', component: component.id } : { team: 'map' },
    ...{ list: text(charge), contracted: text(charge), billed: text(charge), effective: text(charge) },
    quantity: text(quantity),
    ...{ listUnitPrice: listed, contractedUnitPrice: listed },
  };
  if (component.term === 'on-demand') return [row];
  const commitment = `commit-${component.id}`;
  const share = day >= HALF_USED ? decimal('0.5') : ONE;
  const used = {
    ...row,
    ...{ commitment, commitmentStatus: 'Used' as const, billed: '0' },
    ...{ effective: text(charge.times(share)), quantity: text(quantity.times(share)) },
  };
  if (share.equals(1)) return [used];
  const left = decimal(row.effective).minus(used.effective).toString();
  return [
    used,
    {
      ...row,
      ...{ commitment, commitmentStatus: 'Unused', billed: '0', effective: left, quantity: null, unit: '' },
      description: 'Commitment that was not used',
    },
  ];
}

/** What is committed is charged on the first of the month, used or not. */
function boughtOf(meter: ExpectedMeter, design: Design, day: string): ChargedRow[] {
  const component = allComponents(design).find(({ id }) => id === meter.component)!;
  if (component.term === 'on-demand') return [];
  const billed = decimal(meter.cost).toDecimalPlaces(MONEY).toString();
  return [
    {
      ...PLAIN,
      ...{ day, category: 'Purchase', service: SERVICES[component.kind] ?? 'Osmere', sku: meter.sku },
      ...{
        description: `Commitment of ${component.name}, month by month`,
        commitment: `commit-${component.id}`,
      },
      ...{ tags: { team: 'map', component: component.id }, billed, list: billed, contracted: billed },
    },
  ];
}

const PLAIN: ChargedRow = {
  ...{ day: '', category: 'Usage', isCorrection: false, service: '', sku: '', meter: '', region: 'de.elbe' },
  ...{ account: 'live', resource: '', resourceName: '', description: '', tags: {}, unit: '' },
  ...{ listUnitPrice: null, contractedUnitPrice: null, commitment: '', commitmentStatus: null },
  ...{ list: '0', contracted: '0', billed: '0', effective: '0', quantity: null },
};

/** What belongs to no line of the design, what was put right, and what was given. */
function apart(month: string, known: readonly string[], isOver: boolean, isPutRight: boolean): ChargedRow[] {
  const money = (amount: string) => ({ list: amount, contracted: amount, billed: amount, effective: amount });
  const logs = known
    .filter((day) => day >= '2026-10-20')
    .map((day): ChargedRow => {
      const gigabytes = decimal(seededRandom(`logs ${day}`).next().toFixed(4))
        .times(4)
        .plus(11);
      return {
        ...PLAIN,
        ...{ day, service: 'Osmere Watch', sku: 'OS-WATCH-LOGS', meter: 'Logs taken in', unit: 'GB' },
        ...{ description: 'Logs taken in', resource: 'map/logs', resourceName: 'Map logs' },
        ...money(gigabytes.times('0.42').toString()),
        quantity: gigabytes.toString(),
      };
    });
  const one = (row: Partial<ChargedRow>, amount: string): ChargedRow => ({
    ...PLAIN,
    ...row,
    ...money(amount),
  });
  const extra: ChargedRow[] = [];
  if (month === '2026-10' && isPutRight)
    extra.push(
      one(
        {
          ...{
            day: '2026-10-12',
            isCorrection: true,
            service: 'Osmere Hold',
            sku: 'OS-HOLD',
            meter: 'reads',
          },
          ...{ description: 'Requests of 12 October counted twice', resource: 'map/tilestore' },
        },
        '-21.4',
      ),
    );
  if (month === '2026-11' && known.includes('2026-11-12'))
    extra.push(
      one(
        {
          day: '2026-11-12',
          category: 'Credit',
          service: 'Osmere',
          description: 'Credit for the outage of 24 October',
        },
        '-60',
      ),
    );
  if (isOver)
    extra.push(
      one({ day: known.at(-1)!, category: 'Tax', service: 'Osmere', description: 'Tax on services' }, '14.2'),
    );
  return [...logs, ...extra];
}
