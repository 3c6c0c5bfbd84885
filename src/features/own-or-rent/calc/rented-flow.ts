/**
 * The rented side, month by month: what of each wave is rented already, with the load and prices of then, commitments
 * that begin when a wave is over and are renewed, and what is paid for the place itself. Needs F20, N8, E9.
 */
import type { Run } from './algebra';
import type { FlowLine } from './flow-book';
import type { Target } from './model';
import { postsRun } from './owned-flow';
import { HAIR, monthsOf, type Setting, shareOf, type WaveDates } from './setting';

export interface RentedFlow<T> {
  /** Paid for renting while the same still runs on the owned side. */
  readonly beside: T;
  /** What commitments still ask for after the end of the study. */
  readonly owed: T;
}

export function rentedFlow<T>(setting: Setting<T>, target: Target): RentedFlow<T> {
  const { a, study, unit, calendar } = setting;
  const at = study.targets.indexOf(target);
  const twice: T[] = [];
  const owed: T[] = [];
  for (const wave of calendar.waves) {
    const share = rentedShare(setting, wave);
    for (const part of wave.parts) {
      partFlow(setting, at, wave, part, share, twice);
      computeFlow(setting, at, wave, part, share, twice, owed);
    }
    rentedWork(setting, wave, share);
  }
  placeFlow(setting, target, at);
  const all = (label: string, parts: readonly T[]): T =>
    parts.length === 0 ? a.zero : a.sum(label, unit, parts);
  return { beside: all('Paid on both sides', twice), owed: all('Owed after the end', owed) };
}

/** Which share of a wave is rented: nothing before it begins, then in even steps. */
function rentedShare<T>({ a, months }: Setting<T>, { from, ramp }: WaveDates): Run<T> {
  const run = a.run(months, a.one);
  for (let month = 0; month < Math.min(from, months); month += 1) run[month] = a.zero;
  for (let inside = 1; inside < ramp && from + inside - 1 < months; inside += 1)
    run[from + inside - 1] = a.over(
      'Rented already',
      '',
      a.fixed('Months in', inside, 'months'),
      a.fixed('Months of the ramp', ramp, 'months'),
    );
  return run;
}

/** Storage, transfer and licences: as much as is there. */
function partFlow<T>(
  setting: Setting<T>,
  at: number,
  wave: WaveDates,
  part: number,
  share: Run<T>,
  twice: T[],
): void {
  const { a, study, values, book, unit, months, load, stored, trends } = setting;
  const amounts = values.targets[at]!.parts[part];
  if (!amounts) return;
  const { id, name } = study.parts[part]!;
  for (const kind of ['storage', 'transfer', 'licences'] as const) {
    if (a.number(amounts[kind]) <= 0) continue;
    const line: FlowLine = { id: `rented/${id}/${kind}`, side: 'rented', kind, name: `${name}: ${kind}` };
    const priced = a.runTimes('At prices of then', unit, trends.rent, amounts[kind]);
    const grown = a.runsTimes('With the load of then', unit, priced, kind === 'storage' ? stored : load);
    const run = a.runsTimes('What is rented of it', unit, grown, share);
    book.putRun(line, wave.from, months, run);
    if (wave.off > wave.from) twice.push(a.runSum(line.name, unit, run, wave.from, wave.off));
  }
}

/** Compute: without commitment while it moves, then in terms that are renewed; what grows beyond them is without again. */
function computeFlow<T>(
  setting: Setting<T>,
  at: number,
  wave: WaveDates,
  part: number,
  share: Run<T>,
  twice: T[],
  owed: T[],
): void {
  const { a, study, values, book, unit, months, load, trends } = setting;
  const target = values.targets[at]!;
  const amounts = target.parts[part];
  if (!amounts || a.number(amounts.compute) <= 0) return;
  const { id, name } = study.parts[part]!;
  const line: FlowLine = {
    id: `rented/${id}/compute`,
    side: 'rented',
    kind: 'compute',
    name: `${name}: compute`,
  };
  const term = monthsOf(a, target.own.term);
  const more = a.sum('With what it costs more', '', [
    a.one,
    shareOf(a, 'More without commitment', target.own.uncommitted),
  ]);
  const listed = term === 0 ? amounts.compute : a.times('Without commitment', unit, amounts.compute, more);
  const listedIn = a.runTimes('At prices of then', unit, trends.rent, listed);
  const begins = term === 0 ? months : Math.min(months, wave.from + wave.ramp);
  if (wave.from < begins) {
    const grown = a.runsTimes('With the load of then', unit, listedIn, load);
    const run = a.runsTimes('What is rented of it', unit, grown, share);
    book.putRun(line, wave.from, begins, run);
    if (wave.off > wave.from)
      twice.push(a.runSum(line.name, unit, run, wave.from, Math.min(wave.off, begins)));
  }
  if (term === 0) return;
  const ahead = shareOf(a, 'Paid at its beginning', target.own.ahead);
  const later = a.less('Paid by the month', '', a.one, ahead);
  const committed = a.run(months, a.zero);
  for (let start = begins; start < months; start += term) {
    const price = a.times('At prices of then', unit, amounts.compute, trends.rent[start]!);
    const monthly = a.times('Committed, a month', unit, price, load[start]!);
    const before = a.times('Paid ahead, a month', unit, monthly, ahead);
    const paid = a.times('Committed, by the month', unit, monthly, later);
    const isAhead = a.number(before) > 0;
    if (isAhead)
      book.put(line, start, a.times('Paid ahead', unit, before, a.fixed('Months', term, 'months')), a.zero);
    const end = Math.min(months, start + term);
    book.fill(line, start, end, paid, monthly);
    for (let month = start; month < end; month += 1) committed[month] = monthly;
    const beyond = a.runAbove('Grown beyond it', '', load, load[start]!);
    if (a.number(beyond[end - 1]!) > HAIR)
      book.putRun(line, start + 1, end, a.runsTimes('Beyond the commitment', unit, beyond, listedIn));
    const rest = start + term - end;
    if (rest <= 0) continue;
    const left = a.fixed('Months left', rest, 'months');
    if (isAhead) book.left(line, a.times('Paid ahead and not used', unit, before, left));
    owed.push(a.times('Owed after the end', unit, paid, left));
  }
  if (wave.off > begins) twice.push(a.runSum(line.name, unit, committed, begins, wave.off));
}

/** What is paid for the place itself, and who looks after it, from the preparation on. */
function placeFlow<T>(setting: Setting<T>, { extras }: Target, at: number): void {
  const { a, values, book, unit, months, calendar, trends } = setting;
  if (calendar.waves.length === 0) return;
  extras.forEach(({ id, name, kind }, index) => {
    const line: FlowLine = { id: `extras/${id}`, side: 'rented', kind, name };
    const monthly = values.targets[at]!.extras[index]!;
    book.putRun(line, calendar.prepared, months, a.runTimes('At prices of then', unit, trends.rent, monthly));
  });
  const { postsRented } = values.general;
  if (a.number(postsRented) <= 0) return;
  const posts: FlowLine = {
    id: 'posts/rented',
    side: 'rented',
    kind: 'people',
    name: 'Posts for what is rented',
  };
  book.putRun(posts, calendar.prepared, months, postsRun(setting, postsRented));
}

function rentedWork<T>(setting: Setting<T>, wave: WaveDates, share: Run<T>): void {
  const { a, values, book, unit, months, load, trends } = setting;
  const line: FlowLine = {
    id: 'people/rented',
    side: 'rented',
    kind: 'people',
    name: 'Work on rented machines',
  };
  const machines = a.sum(
    'Machines of the wave',
    'machines',
    wave.parts.map((part) => values.parts[part]!.machines),
  );
  const one = a.times('A machine, a month', unit, values.general.hoursRented, values.general.hourCost);
  const then = a.runTimes('A machine then', unit, trends.people, one);
  const there = a.runsTimes(
    'Rented already',
    'machines',
    a.runTimes('Machines then', 'machines', load, machines),
    share,
  );
  book.putRun(line, wave.from, months, a.runsTimes('Work on rented machines', unit, there, then));
}
