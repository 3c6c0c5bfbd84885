/**
 * Hardware: bought when what it carries is full, in whole pieces; replaced when it is due, as many as are still needed;
 * sold when what it carried is switched off. Straight-line write-off from its price to what it is then worth.
 * Source: pricing rules, "Own or rent"; needs N5, opening 32.
 */
import type { Run } from './algebra';
import type { FlowLine } from './flow-book';
import type { Hardware } from './model';
import { HAIR, type Setting, shareOf } from './setting';

/** Pieces that were bought in the same month. */
interface Cohort<T> {
  /** In months from the start; before it where they stand already. */
  readonly born: number;
  readonly price: T;
  readonly isOld: boolean;
  quantity: T;
  /** What is written off of all of them in a month. */
  monthly: T;
}

/** How many of a class stand there. */
export type Standing<T> = Run<T>;

export interface HardwareFlow<T> {
  readonly standing: Standing<T>;
  /** What the pieces of today are worth in the books at the start. */
  readonly opening: T;
}

interface ClassTerms<T> {
  readonly line: FlowLine;
  readonly life: number;
  /** One less what it is worth at its end. */
  readonly written: T;
}

export function hardwareFlow<T>(setting: Setting<T>, at: number, wanted: Run<T>): HardwareFlow<T> {
  const { a, study, variant, values, book, months, unit, calendar } = setting;
  const hardware = study.hardware[at]!;
  const given = values.hardware[at]!;
  const life = lifeOf(a.number(given.refresh));
  const terms: ClassTerms<T> = {
    line: { id: `hardware/${hardware.id}`, side: 'owned', kind: hardware.sort, name: hardware.name },
    life,
    written: a.less(
      'Written off over its life',
      '',
      a.one,
      shareOf(a, 'Worth when replaced', given.residual),
    ),
  };
  const age = Math.min(life, Math.round(a.number(given.age) * 12));
  const old = cohortOf(setting, terms, {
    born: -age,
    price: given.price,
    quantity: given.count,
    isOld: true,
  });
  const opening = a.times('Worth in the books', unit, old.quantity, bookOf(setting, terms, old, 0));
  const cohorts: Cohort<T>[] = [old];
  const standing = a.run(months, a.zero);
  let have = given.count;
  let since = 0;
  let due = variant.buying === 'now' ? 0 : life - age;
  for (let month = 0; month < months; month += 1) {
    const isOff = calendar.offs.has(month);
    if (month < due && !isOff && a.number(wanted[month]!) <= a.number(have) + HAIR) continue;
    stand(setting, terms, cohorts, standing, have, since, month);
    since = month;
    const isNow = variant.buying === 'now' && month === 0;
    for (let each = 0; each < cohorts.length; each += 1) {
      const cohort = cohorts[each]!;
      if (cohort.born + life > month && !(isNow && cohort.isOld)) continue;
      cohorts.splice(each, 1);
      each -= 1;
      have = a.less('Left of them', '', have, cohort.quantity);
      leave(setting, terms, cohort, cohort.quantity, month);
    }
    due = Infinity;
    for (const { born } of cohorts) due = Math.min(due, born + life);
    if (isOff) have = switchedOff(setting, terms, cohorts, have, wanted[month]!, month);
    const missing = a.less('Missing', '', wanted[month]!, have);
    if (a.number(missing) <= HAIR) continue;
    const price = a.times('Price of one, then', unit, given.price, setting.trends.hardware[month]!);
    cohorts.push(cohortOf(setting, terms, { born: month, price, quantity: missing, isOld: false }));
    due = Math.min(due, month + life);
    book.put(terms.line, month, a.times('Bought', unit, missing, price), a.zero);
    have = wanted[month]!;
  }
  stand(setting, terms, cohorts, standing, have, since, months);
  for (const cohort of cohorts) {
    if (cohort.isOld && !study.sunk) continue;
    const worth = bookOf(setting, terms, cohort, months);
    book.left(terms.line, a.times('Worth in the books', unit, cohort.quantity, worth));
  }
  upkeep(setting, hardware, at, standing);
  return { standing, opening };
}

/** What has stood there since a month: counted, and written off month by month. */
function stand<T>(
  { a, book, study, unit }: Setting<T>,
  { line }: ClassTerms<T>,
  cohorts: readonly Cohort<T>[],
  standing: Run<T>,
  have: T,
  since: number,
  month: number,
): void {
  if (since >= month) return;
  for (let each = since; each < month; each += 1) standing[each] = have;
  const off: T[] = [];
  for (const { isOld, monthly } of cohorts) if (!isOld || study.sunk) off.push(monthly);
  if (off.length === 0) return;
  book.fill(line, since, month, a.zero, off.length === 1 ? off[0]! : a.sum('Written off', unit, off));
}

/** Something by month that changes only when what stands there does. */
export function byChange<T>(
  { a, months }: Setting<T>,
  standing: ReadonlyMap<string, Standing<T>>,
  at: (month: number) => T,
): Run<T> {
  const all = [...standing.values()];
  const run = a.run(months, a.zero);
  for (let month = 0; month < months; month += 1) {
    let isSame = month > 0;
    for (let each = 0; isSame && each < all.length; each += 1)
      isSame = all[each]![month] === all[each]![month - 1];
    run[month] = isSame ? run[month - 1]! : at(month);
  }
  return run;
}

/** Whole months, at least one. */
const lifeOf = (years: number): number => Math.max(1, Math.round(years * 12));

function cohortOf<T>(
  { a, unit }: Setting<T>,
  terms: ClassTerms<T>,
  made: Omit<Cohort<T>, 'monthly'>,
): Cohort<T> {
  const { born, price, quantity, isOld } = made;
  return { born, price, quantity, isOld, monthly: writeOff(a, unit, terms, made) };
}

function writeOff<T>(
  a: Setting<T>['a'],
  unit: string,
  { life, written }: ClassTerms<T>,
  { price, quantity }: Pick<Cohort<T>, 'price' | 'quantity'>,
): T {
  const whole = a.times('Written off of one', unit, price, written);
  const one = a.over('A month of it', unit, whole, a.fixed('Months of its life', life, 'months'));
  return a.times('Written off', unit, quantity, one);
}

/** What one is worth in the books at the start of a month. */
function bookOf<T>(
  { a, unit }: Setting<T>,
  { life, written }: ClassTerms<T>,
  { born, price }: Pick<Cohort<T>, 'born' | 'price'>,
  month: number,
): T {
  const gone = Math.min(life, month - born);
  const months = a.fixed('Months of its life', life, 'months');
  const part = a.over('Of its life', '', a.fixed('Months that it stood', gone, 'months'), months);
  const off = a.times('Written off so far', '', written, part);
  return a.times('Worth of one', unit, price, a.less('Not written off', '', a.one, off));
}

/** Pieces go: at their end for what they are worth then, before it for a share of what the books say. */
function leave<T>(
  setting: Setting<T>,
  terms: ClassTerms<T>,
  cohort: Cohort<T>,
  quantity: T,
  month: number,
): void {
  const { a, book, unit, shares, study } = setting;
  const worth = a.times('Worth in the books', unit, quantity, bookOf(setting, terms, cohort, month));
  const isEnd = cohort.born + terms.life <= month;
  const brings = isEnd ? worth : a.times('What it brings', unit, worth, shares.resale);
  const cash = a.less('Sold', unit, a.zero, brings);
  const counted = !cohort.isOld || study.sunk;
  book.put(terms.line, month, cash, counted ? a.less('Written off at once', unit, worth, brings) : cash);
}

/** What is too much goes, the oldest first. */
function switchedOff<T>(
  setting: Setting<T>,
  terms: ClassTerms<T>,
  cohorts: Cohort<T>[],
  have: T,
  wanted: T,
  month: number,
): T {
  const { a, unit } = setting;
  let rest = a.less('Too many', '', have, wanted);
  if (a.number(rest) <= HAIR) return have;
  let left = have;
  for (const cohort of cohorts.slice()) {
    if (a.number(rest) <= HAIR) break;
    const goes = a.least('Go', '', cohort.quantity, rest);
    leave(setting, terms, cohort, goes, month);
    rest = a.less('Too many', '', rest, goes);
    left = a.less('Left of them', '', left, goes);
    cohort.quantity = a.less('Stay', '', cohort.quantity, goes);
    if (a.number(cohort.quantity) <= HAIR) cohorts.splice(cohorts.indexOf(cohort), 1);
    else cohort.monthly = writeOff(a, unit, terms, cohort);
  }
  return left;
}

/** Maintenance, by the price of today and the inflation of contracts. */
function upkeep<T>(setting: Setting<T>, hardware: Hardware, at: number, standing: Standing<T>): void {
  const { a, values, book, unit, trends } = setting;
  const given = values.hardware[at]!;
  const line: FlowLine = {
    id: `maintenance/${hardware.id}`,
    side: 'owned',
    kind: hardware.sort,
    name: `Maintenance of ${hardware.name}`,
  };
  const yearly = a.times('A year for one', unit, given.price, shareOf(a, 'Maintenance', given.maintenance));
  if (a.number(yearly) <= 0) return;
  const monthly = a.over('A month for one', unit, yearly, a.fixed('Months of a year', 12, 'months'));
  const then = a.runTimes('A month for one, then', unit, trends.other, monthly);
  book.putRun(line, 0, standing.length, a.runsTimes('Maintenance', unit, standing, then));
}
