/** The owned side, month by month: hardware, power, racks, contracts, licences, people, backup and a second site. */
import type { Run } from './algebra';
import type { FlowLine } from './flow-book';
import { byChange, hardwareFlow, type Standing } from './hardware-flow';
import { licenceFlow } from './licence-flow';
import { type StudyKind } from './model';
import { HAIR, type Setting } from './setting';

/** Hours of a month: 8760 over 12. */
const HOURS = 730;

export interface OwnedFlow<T> {
  /** What hardware of today is worth in the books at the start. */
  readonly opening: T;
}

export function ownedFlow<T>(setting: Setting<T>): OwnedFlow<T> {
  const { a, study, unit } = setting;
  const machines = ownedLoad(setting, 'machines');
  const stored = ownedLoad(setting, 'stored');
  const standing = new Map<string, Standing<T>>();
  const openings: T[] = [];
  for (const at of inOrder(study.hardware)) {
    const { id, follows } = study.hardware[at]!;
    const load =
      follows === 'machines' ? machines : follows === 'terabytes' ? stored : (standing.get(follows) ?? null);
    const flow = hardwareFlow(setting, at, wanted(setting, at, load));
    standing.set(id, flow.standing);
    openings.push(flow.opening);
  }
  powerFlow(setting, standing);
  rackFlow(setting, standing);
  contractFlow(setting);
  licenceFlow(setting, standing, machines);
  ownedPeople(setting, machines);
  backupFlow(setting);
  secondSite(setting);
  const opening = openings.length === 0 ? a.zero : a.sum('Worth in the books today', unit, openings);
  return { opening };
}

/** Classes after what they follow; what follows itself in a circle is refused before. */
export function inOrder(hardware: readonly { readonly id: string; readonly follows: string }[]): number[] {
  const done = new Set<string>();
  const order: number[] = [];
  const known = new Set(hardware.map(({ id }) => id));
  let rest = hardware.map((_, at) => at);
  while (rest.length > 0) {
    const ready = rest.filter((at) => {
      const { follows } = hardware[at]!;
      return !known.has(follows) || done.has(follows);
    });
    if (ready.length === 0) break;
    for (const at of ready) done.add(hardware[at]!.id);
    order.push(...ready);
    rest = rest.filter((at) => !ready.includes(at));
  }
  return order;
}

/** Machines, or terabytes, that are on the owned side. */
function ownedLoad<T>(setting: Setting<T>, of: 'machines' | 'stored'): Run<T> {
  const { a, values, months, calendar, load, stored } = setting;
  const [unit, label, growth] = of === 'machines' ? ['machines', 'Machines', load] : ['TB', 'Stored', stored];
  const today = a.run(months, a.zero);
  for (let month = 0; month < months; month += 1) {
    if (month > 0 && !calendar.offs.has(month)) {
      today[month] = today[month - 1]!;
      continue;
    }
    const there = values.parts.filter((_part, at) => calendar.leaves[at]! > month);
    today[month] =
      there.length === 0
        ? a.zero
        : a.sum(
            `${label} today`,
            unit,
            there.map((part) => part[of]),
          );
  }
  return a.runsTimes(`${label} then`, unit, today, growth);
}

/** How many of a class are needed. */
function wanted<T>({ a, values, months, calendar }: Setting<T>, at: number, load: Run<T> | null): Run<T> {
  const { count, carries } = values.hardware[at]!;
  if (load !== null) return a.runWhole('Needed', '', a.runOver('Filled', '', load, carries));
  const run = a.run(months, count);
  for (let month = calendar.empty; month < months; month += 1) run[month] = a.zero;
  return run;
}

/** Something for each class over what stands of it. */
function overClasses<T>(
  setting: Setting<T>,
  standing: ReadonlyMap<string, Standing<T>>,
  label: string,
  unit: string,
  field: 'watts' | 'heights',
): Run<T> {
  const { a, study, values } = setting;
  return byChange(setting, standing, (month) => {
    const parts: T[] = [];
    for (let at = 0; at < study.hardware.length; at += 1) {
      const { id, name } = study.hardware[at]!;
      const count = standing.get(id)?.[month];
      if (count === undefined || a.number(count) <= HAIR) continue;
      parts.push(a.times(name, unit, count, values.hardware[at]![field]));
    }
    return parts.length === 0 ? a.zero : a.sum(label, unit, parts);
  });
}

function powerFlow<T>(setting: Setting<T>, standing: ReadonlyMap<string, Standing<T>>): void {
  const { a, values, shares, book, unit, months, trends } = setting;
  const line: FlowLine = { id: 'power', side: 'owned', kind: 'site', name: 'Power' };
  const { pue, tariff } = values.general;
  const drawn = a.times('Drawn with the site', '', shares.utilisation, pue);
  const hours = a.over(
    'Kilowatt-hours of a watt',
    'kWh',
    a.fixed('Hours of a month', HOURS, 'hours'),
    a.fixed('Watts of a kilowatt', 1000, 'W'),
  );
  const watt = a.times('A watt of the plate, a month', 'kWh', drawn, hours);
  const price = a.runTimes('Tariff then', unit, trends.power, tariff);
  const cost = a.runTimes('A watt of the plate, a month', unit, price, watt);
  const watts = overClasses(setting, standing, 'On all plates', 'W', 'watts');
  book.putRun(line, 0, months, a.runsTimes('Power', unit, watts, cost));
}

function rackFlow<T>(setting: Setting<T>, standing: ReadonlyMap<string, Standing<T>>): void {
  const { a, values, book, unit, months, trends } = setting;
  const line: FlowLine = { id: 'racks', side: 'owned', kind: 'site', name: 'Racks and floor' };
  const heights = overClasses(setting, standing, 'Height units', 'units', 'heights');
  const racks = a.runWhole('Racks', '', a.runOver('Filled', '', heights, values.general.heights));
  const price = a.runTimes('A rack then', unit, trends.other, values.general.rack);
  book.putRun(line, 0, months, a.runsTimes('Racks and floor', unit, racks, price));
}

/** Paid while something is owned, and until it runs out. */
function contractFlow<T>(setting: Setting<T>): void {
  const { a, study, values, book, unit, calendar, trends } = setting;
  study.contracts.forEach(({ id, name, kind }, at) => {
    const { monthly, until } = values.contracts[at]!;
    const end = Math.max(calendar.empty, Math.round(a.number(until)));
    const line: FlowLine = { id: `contracts/${id}`, side: 'owned', kind, name };
    book.putRun(line, 0, end, a.runTimes('A month then', unit, trends.other, monthly));
  });
}

function ownedPeople<T>(setting: Setting<T>, machines: Run<T>): void {
  const { a, values, book, unit, months, calendar, trends } = setting;
  const { hoursOwned, hourCost, postsOwned } = values.general;
  const work: FlowLine = {
    id: 'people/owned',
    side: 'owned',
    kind: 'people',
    name: 'Work on owned machines',
  };
  const posts: FlowLine = {
    id: 'posts/owned',
    side: 'owned',
    kind: 'people',
    name: 'Posts for the owned site',
  };
  const one = a.times('A machine, a month', unit, hoursOwned, hourCost);
  const then = a.runTimes('A machine then', unit, trends.people, one);
  book.putRun(work, 0, months, a.runsTimes('Work on owned machines', unit, machines, then));
  if (a.number(postsOwned) > 0) book.putRun(posts, 0, calendar.empty, postsRun(setting, postsOwned));
}

/** What posts cost, by month. */
export function postsRun<T>({ a, values, unit, trends }: Setting<T>, posts: T): Run<T> {
  const year = a.times('Posts, a year', unit, posts, values.general.postCost);
  const month = a.over('Posts, a month', unit, year, a.fixed('Months of a year', 12, 'months'));
  return a.runTimes('Posts then', unit, trends.people, month);
}

/** A share of what the owned side pays for storage. */
function backupFlow<T>(setting: Setting<T>): void {
  const name = 'Backup';
  shareOver(setting, setting.shares.backup, 'storage', {
    id: 'backup',
    side: 'owned',
    kind: 'storage',
    name,
  });
}

const DOUBLED: readonly StudyKind[] = ['site', 'hardware', 'network', 'storage', 'licences'];

/** A share of what stands at the first one. */
function secondSite<T>(setting: Setting<T>): void {
  for (const kind of DOUBLED) {
    const line: FlowLine = { id: `second-site/${kind}`, side: 'owned', kind, name: `Second site: ${kind}` };
    shareOver(setting, setting.shares.secondSite, kind, line);
  }
}

function shareOver<T>(setting: Setting<T>, share: T, kind: StudyKind, line: FlowLine): void {
  const { a, book, unit, months } = setting;
  if (a.number(share) <= 0) return;
  for (let month = 0; month < months; month += 1) {
    const all = book.ownedIn(kind, month);
    if (all === null) continue;
    const cash = a.times(line.name, unit, share, all.cash);
    book.put(line, month, cash, all.cash === all.spread ? cash : a.times(line.name, unit, share, all.spread));
  }
  const worth = book.ownedLeft(kind);
  if (worth !== null) book.left(line, a.times(`Worth left: ${line.name}`, unit, share, worth));
}
