/** A whole variant: everything that is paid under it, written into a book of flows. */
import type { Algebra, Run } from './algebra';
import type { Filled } from './assumptions';
import type { GeneralId } from './catalogue';
import type { FlowBook, FlowLine } from './flow-book';
import type { Study, Variant } from './model';
import { moveFlow } from './move-flow';
import { ownedFlow } from './owned-flow';
import { rentedFlow } from './rented-flow';
import {
  type Calendar,
  calendarOf,
  growthOver,
  MONTHS,
  type Setting,
  shareOf,
  type Shares,
  type Trend,
  trendOver,
} from './setting';

export interface Flowed<T> {
  readonly calendar: Calendar;
  readonly opening: T;
  readonly beside: T;
  readonly owed: T;
}

/** What is the same under every variant. */
export interface Ground<T> {
  readonly a: Algebra<T>;
  readonly study: Study;
  readonly values: Filled<T>;
  readonly shares: Shares<T>;
  readonly load: Run<T>;
  readonly stored: Run<T>;
  readonly trends: Setting<T>['trends'];
}

export function groundOf<T>(a: Algebra<T>, study: Study, values: Filled<T>): Ground<T> {
  const share = (label: string, id: GeneralId): T => shareOf(a, label, values.general[id]);
  const { years } = study;
  const shares: Shares<T> = {
    utilisation: share('Drawn of the plates', 'utilisation'),
    backup: share('Backup', 'backup'),
    secondSite: share('Second site', 'secondSite'),
    resale: share('Early sold', 'resale'),
    taxRate: share('Tax', 'taxRate'),
    growth: share('growth', 'growth'),
    growthStored: share('growth', 'growthStored'),
    power: share('inflation', 'inflationPower'),
    people: share('inflation', 'inflationPeople'),
    licences: share('inflation', 'inflationLicences'),
    other: share('inflation', 'inflationOther'),
    hardware: share('trend', 'trendHardware'),
    rent: share('trend', 'trendRent'),
  };
  const trend = (of: Trend): Run<T> => trendOver(a, 'Since the start', shares[of], years);
  const trends: Setting<T>['trends'] = {
    power: trend('power'),
    people: trend('people'),
    licences: trend('licences'),
    other: trend('other'),
    hardware: trend('hardware'),
    rent: trend('rent'),
  };
  return {
    a,
    study,
    values,
    shares,
    load: growthOver(a, 'Growth of machines', shares.growth, years),
    stored: growthOver(a, 'Growth of stored data', shares.growthStored, years),
    trends,
  };
}

export function flow<T>(ground: Ground<T>, variant: Variant, book: FlowBook<T>): Flowed<T> {
  const { a, study, values } = ground;
  const setting: Setting<T> = {
    ...ground,
    variant,
    book,
    months: study.years * MONTHS,
    unit: study.currency,
    calendar: calendarOf(a, study, variant, values),
  };
  const { opening } = ownedFlow(setting);
  const target = study.targets.find(({ id }) => id === variant.target);
  const rented = target ? rentedFlow(setting, target) : { beside: a.zero, owed: a.zero };
  if (target) moveFlow(setting);
  taxFlow(setting);
  return { calendar: setting.calendar, opening, ...rented };
}

/** Tax that is not paid because of what is paid: by what leaves, or by what is spread. */
function taxFlow<T>({ a, study, shares, book, unit, months }: Setting<T>): void {
  if (study.tax === 'none') return;
  const line: FlowLine = { id: 'tax', side: 'owned', kind: 'tax', name: 'Tax not paid' };
  for (let month = 0; month < months; month += 1) {
    const amount = book.month(month)[study.tax];
    const relief = a.less('Tax not paid', unit, a.zero, a.times('Tax on it', unit, amount, shares.taxRate));
    book.put(line, month, relief, relief);
  }
}
