/** Holds a review against its limits. */
import { Decimal, decimal } from '@/engine/base';
import type { BookSet } from '@/engine/pricing';
import { costing, type ReviewSetting } from './designs';
import type { BrokenLimit, Exception, ExceptedLimit, Limits, LimitsAnswer, Rule } from './limits';
import { addressMatches } from './load-profile';
import type { Extract } from './extract';
import type { Review, ReviewLine, ReviewRow } from './model';

export interface HoldAsked {
  readonly review: Review;
  readonly extract: Extract;
  readonly limits: Limits;
  readonly books: BookSet;
  readonly setting: ReviewSetting;
  /** ISO date. */
  readonly today: string;
  /** The design that the code comes from, as it costs once the change is taken over; in the currency of the review. */
  readonly design?: DesignAfter | null;
}

export interface DesignAfter {
  /** A month, as it is printed. */
  readonly after: string;
  readonly budget: string | null;
}

/** What is broken of one limit, before exceptions. */
interface Found {
  readonly found: string;
  readonly over: string | null;
  readonly addresses: readonly string[];
}

/**
 * Without a remedy, which is looked for by whoever has time for it (`remedyFor`).
 *
 * @example
 * holdLimits({ review, extract, limits: { title: '', limits: [], exceptions: [] }, books, setting, today: '2026-11-01' }).state; // => 'kept'
 */
export function holdLimits(asked: HoldAsked): LimitsAnswer {
  const { limits, today } = asked;
  const broken: BrokenLimit[] = [];
  const excepted: ExceptedLimit[] = [];
  const expired: Exception[] = [];
  const kept: string[] = [];
  const unchecked: string[] = [];
  for (const limit of limits.limits) {
    if (limit.rule.is === 'budget' && budgetOf(asked) === null) {
      unchecked.push(limit.id);
      continue;
    }
    const all = foundOf(limit.rule, asked, () => true);
    if (!all) {
      kept.push(limit.id);
      continue;
    }
    const own = limits.exceptions.filter((each) => each.limit === limit.id);
    expired.push(...own.filter(({ until }) => until < today));
    const holding = own.filter(({ until }) => until >= today);
    for (const exception of holding) {
      const addresses = all.addresses.filter((each) => addressMatches(exception.address ?? '*', each));
      if (addresses.length > 0 || exception.address === undefined)
        excepted.push({ limit: limit.id, exception, addresses });
    }
    const whole = holding.some(({ address }) => address === undefined);
    const isMeant = (address: string): boolean =>
      !holding.some((each) => each.address !== undefined && addressMatches(each.address, address));
    const left = whole ? null : foundOf(limit.rule, asked, isMeant);
    if (left) broken.push({ limit, ...left, remedy: null });
  }
  const fails = broken.some(({ limit }) => limit.level === 'fail');
  const state = fails ? 'failed' : broken.length > 0 ? 'warned' : 'kept';
  return { state, broken, excepted, expired, kept, unchecked };
}

function foundOf(rule: Rule, asked: HoldAsked, isMeant: (address: string) => boolean): Found | null {
  const { review } = asked;
  const rows = review.rows.filter(({ address }) => isMeant(address));
  switch (rule.is) {
    case 'bound':
      return boundFound(rule.bound, review, rows);
    case 'not-kinds':
      return linesFound(rows, ({ kind }) => kind !== null && rule.kinds.includes(kind));
    case 'not-sizes':
      return linesFound(rows, (line) => matchesAny(rule.patterns, skuOf(line, asked.extract)));
    case 'not-families':
      return linesFound(rows, (line) => matchesAny(rule.patterns, familyOf(line, asked)));
    case 'only-regions':
      return linesFound(
        rows,
        ({ book, region }) =>
          book !== null &&
          !matchesAny(rule.patterns, region) &&
          !matchesAny(rule.patterns, `${book}/${region ?? ''}`),
      );
    case 'budget':
      return overFound(decimal(asked.design?.after ?? '0'), budgetOf(asked) ?? decimal('0'), rows);
    case 'tags':
      return tagsFound(rule.tags, rows, asked.extract);
    case 'all-priced': {
      const addresses = rows.filter(({ doubts }) => doubts.length > 0).map(({ address }) => address);
      return addresses.length === 0 ? null : { found: String(addresses.length), over: null, addresses };
    }
  }
}

function boundFound(
  bound: Extract_<Rule, 'bound'>['bound'],
  { totals }: Review,
  rows: readonly ReviewRow[],
): Found | null {
  const most = decimal(bound.most);
  if (bound.of === 'resource') {
    const over = rows.filter(({ after }) => decimal(after).greaterThan(most));
    if (over.length === 0) return null;
    const dearest = over.map(({ after }) => decimal(after)).reduce((a, b) => Decimal.max(a, b));
    const addresses = over.map(({ address }) => address);
    return { found: dearest.toString(), over: dearest.minus(most).toString(), addresses };
  }
  const found = amountOf(bound.of, totals);
  return found === null ? null : overFound(found, most, rows);
}

function budgetOf({ design }: HoldAsked): Decimal | null {
  return design?.budget == null ? null : decimal(design.budget);
}

/** At what has risen, the most first. */
function overFound(found: Decimal, most: Decimal, rows: readonly ReviewRow[]): Found | null {
  if (!found.greaterThan(most)) return null;
  const risen = rows.filter(
    ({ difference }) => decimal(difference).isPositive() && !decimal(difference).isZero(),
  );
  risen.sort((a, b) => decimal(b.difference).comparedTo(decimal(a.difference)));
  return {
    found: found.toString(),
    over: found.minus(most).toString(),
    addresses: risen.map(({ address }) => address),
  };
}

type Extract_<T, K> = T extends { readonly is: K } ? T : never;

function amountOf(
  of: 'total' | 'difference' | 'upfront' | 'share',
  totals: Review['totals'],
): Decimal | null {
  switch (of) {
    case 'total':
      return decimal(totals.after);
    case 'difference':
      return decimal(totals.difference);
    case 'upfront':
      return decimal(totals.upfront.difference);
    case 'share':
      // Something out of nothing is no share of it.
      return decimal(totals.before).isZero() ? null : decimal(totals.difference).dividedBy(totals.before);
  }
}

/** Only what is there afterwards can break a rule. */
function linesFound(rows: readonly ReviewRow[], breaks: (line: ReviewLine) => boolean): Found | null {
  const addresses = rows
    .filter(({ state, lines }) => state !== 'gone' && lines.some(breaks))
    .map(({ address }) => address);
  return addresses.length === 0 ? null : { found: String(addresses.length), over: null, addresses };
}

const matchesAny = (patterns: readonly string[], text: string | null): boolean =>
  text !== null && patterns.some((pattern) => addressMatches(pattern, text));

const skus = new WeakMap<Extract, ReadonlyMap<string, string>>();

/** By id of a line, of what is there afterwards. */
function skusOf(extract: Extract): ReadonlyMap<string, string> {
  const known = skus.get(extract);
  if (known) return known;
  const made = new Map<string, string>();
  for (const { after } of extract.resources)
    for (const { component } of costing(after))
      if (component.choice.by === 'sku') made.set(component.id, component.choice.sku);
  skus.set(extract, made);
  return made;
}

const skuOf = ({ id }: ReviewLine, extract: Extract): string | null => skusOf(extract).get(id) ?? null;

function familyOf(line: ReviewLine, { books, setting, extract }: HoldAsked): string | null {
  const pin = setting.books.find(({ book }) => book === line.book);
  const sku = skuOf(line, extract);
  return (pin && sku && books.get(pin.book, pin.revision)?.offer(sku)?.family) || null;
}

function tagsFound(tags: readonly string[], rows: readonly ReviewRow[], extract: Extract): Found | null {
  const known = new Map(extract.resources.map(({ address, tags: own }) => [address, own] as const));
  const addresses = rows
    .filter(({ address, state, free }) => {
      const own = known.get(address);
      // Types without tags have nothing that could be missing.
      return state !== 'gone' && free === null && own != null && tags.some((tag) => !own[tag]);
    })
    .map(({ address }) => address);
  return addresses.length === 0 ? null : { found: String(addresses.length), over: null, addresses };
}
