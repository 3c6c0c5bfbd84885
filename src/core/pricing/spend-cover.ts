/**
 * Spend commitments of a design: each buys eligible running use of its book at committed prices, hour by hour. The
 * parts it covers are split into what is beyond the commitment (on demand) and what it pays (committed price); the
 * commitment's own line keeps only what bought nothing. Together they are what leaves the account.
 */
import {
  decimal,
  Decimal as Decimals,
  type Decimal,
  issue,
  type Issue,
  ok,
  ONE,
  type Result,
  ZERO,
} from '../base';
import { firstUnitPrice, type FreeParts, partsPrice } from '../rates';
import { allocateSpend, type SpendMember, spendTermOf } from '../terms';
import { difference, type Figure, given, product, quotient, rate, sum } from '../trace';
import { conversionFactor } from '../units';
import type { Rate } from '../books';
import { type Case, mapHours, readCase } from '../usage';
import { head } from '../books';
import type { ChargedLine, LinePart } from './charges';
import { rateSource } from './pools';
import { freeParts } from './running-use';
import type { Resolved } from './resolved';

export interface Covered {
  readonly lines: Map<string, Result<ChargedLine>>;
  readonly notices: ReadonlyMap<string, Issue[]>;
}

interface Candidate extends SpendMember {
  readonly resolved: Resolved;
  readonly part: LinePart;
  readonly rate: Rate;
}

/** Rewrites the lines that a spend commitment covers. Lines of other books and terms stay as they are. */
export function coverSpend(
  resolved: readonly Resolved[],
  charged: ReadonlyMap<string, Result<ChargedLine>>,
  which: Case,
): Covered {
  const lines = new Map(charged);
  const notices = new Map<string, Issue[]>();
  for (const commitment of resolved.filter((each) => each.component.kind === 'spend-commitment')) {
    const line = lines.get(commitment.component.id)!;
    if (!line.ok) continue;
    const perHour = decimal(readCase(commitment.component.usage.committed!.amount, which)).times(
      commitment.count.value,
    );
    const candidates = resolved.flatMap((each) => candidatesOf(each, commitment, lines, which));
    const { covered, unused } = allocateSpend(perHour, candidates);
    for (const candidate of candidates) {
      const hours = covered.get(candidate.id)!;
      if (hours.isZero()) continue;
      replacePart(lines, candidate, hours, cashSplit(line.value));
    }
    const share = perHour.isZero() ? ONE : unused.dividedBy(perHour.times(168));
    lines.set(commitment.component.id, ok(unusedOnly(line.value, share)));
    if (!unused.isZero()) {
      const percent = share.times(100).toDecimalPlaces(1).toString();
      notices.set(commitment.component.id, [issue('spend.unused', [], { percent })]);
    }
  }
  return { lines, notices };
}

function candidatesOf(
  each: Resolved,
  commitment: Resolved,
  lines: ReadonlyMap<string, Result<ChargedLine>>,
  which: Case,
): Candidate[] {
  const term = spendTermOf(commitment.component.term);
  const line = lines.get(each.component.id);
  if (!term || each.book !== commitment.book || each.component.term !== 'on-demand' || !line?.ok) return [];
  const parts = freeParts({ component: each.component, case: which });
  return each.demands.onDemand.flatMap((demand): Candidate[] => {
    const found = each.book.rate(each.offer.sku, each.region, demand.meter, term);
    const part = line.value.parts.find((one) => one.meter === demand.meter && !one.wholeTerm);
    if (!found || !part || demand.use.quantity.value.isZero()) return [];
    const committed = hourlyPrice(found, parts);
    const onDemand = hourlyPrice(demand.rate, parts);
    if (!committed || !onDemand || committed.isZero()) return [];
    // A rate per vCPU or GiB: what one unit costs an hour is its price times the size.
    const hours = mapHours(each.demands.time.profile.units, (units) => units.times(each.count.value));
    const weekUnits = hours.reduce((total, units) => total.plus(units), ZERO);
    const perUnit = sizeFactor(demand.use.quantity.value, demand.rate.unit, weekUnits, each.hoursInMonth);
    return [
      {
        id: `${each.component.id}\n${demand.meter}`,
        units: hours,
        committed: committed.times(perUnit),
        onDemand: onDemand.times(perUnit),
        resolved: each,
        part,
        rate: found,
      },
    ];
  });
}

/** Price of one rate unit for an hour of it; null: the structure has no such price. */
function hourlyPrice(found: Rate, parts: FreeParts | null): Decimal | null {
  if (found.charge.structure === 'by-parts') {
    if (!parts) return null;
    const context = { unit: found.unit, currency: '', source: rateless(found) };
    return partsPrice(found.charge, parts, context).value.times(perHour(found.unit));
  }
  if (found.charge.structure !== 'per-unit') return null;
  return firstUnitPrice(found.charge)!.times(perHour(found.unit));
}

function rateless(found: Rate) {
  return { book: '', revision: 0, effective: '', sku: found.sku, region: found.region };
}

function perHour(unit: string): Decimal {
  const hourly = unit.replace(/second$/, 'hour');
  const factor = conversionFactor(hourly, unit);
  return factor.ok ? factor.value : ONE;
}

/** How many rate units one running unit is: 1 for hours, its vCPU for vCPU-hours. */
function sizeFactor(quantity: Decimal, unit: string, weekUnits: Decimal, hoursInMonth: Decimal): Decimal {
  const unitHours = weekUnits.times(hoursInMonth).dividedBy(168);
  return unitHours.isZero() ? ONE : quantity.dividedBy(perHour(unit)).dividedBy(unitHours);
}

interface CashSplit {
  /** The share of the committed money that leaves month by month; the rest leaves upfront. */
  readonly recurring: Decimal;
  readonly months: number;
}

function cashSplit(commitment: ChargedLine): CashSplit {
  const part = commitment.parts[0]!;
  const recurring = part.monthly.value.isZero() ? ONE : part.recurring.dividedBy(part.monthly.value);
  return { recurring, months: part.wholeTerm?.months ?? 1 };
}

/** on demand × share beyond + committed price × share covered. */
function replacePart(
  lines: Map<string, Result<ChargedLine>>,
  candidate: Candidate,
  weekHours: Decimal,
  split: CashSplit,
): void {
  const { resolved, part, rate: found, units, committed } = candidate;
  const line = lines.get(resolved.component.id)!;
  if (!line.ok) return;
  const { currency } = resolved.book;
  const used = units.reduce((total, each) => total.plus(each), ZERO);
  const share = quotient('Share of its use that the commitment pays', '', [
    given('Unit-hours of a week covered', Decimals.min(weekHours, used), 'hour', 'hour by hour'),
    given('Unit-hours of a week', used, 'hour'),
  ]);
  const beyond = difference('Share beyond the commitment', '', [given('All', ONE, ''), share]);
  const month = quotient('Weeks of the month', 'week', [
    given('Hours of the month', resolved.hoursInMonth, 'hour'),
    given('Hours of a week', decimal(168), 'hour'),
  ]);
  const price = rate(
    'Committed price an hour, each',
    committed,
    `${currency} per hour`,
    rateSource(found, head(resolved.book)),
  );
  const paid = product('Paid by the spend commitment', currency, [
    given('Unit-hours of a week', used, 'hour'),
    month,
    price,
    share,
  ]);
  const monthly: Figure = sum(part.monthly.label, currency, [
    product('Beyond the commitment, on demand', currency, [part.monthly, beyond]),
    paid,
  ]);
  const ahead = paid.value.times(ONE.minus(split.recurring));
  const fresh = {
    ...part,
    monthly,
    recurring: monthly.value.minus(ahead),
    upfront: part.upfront.plus(ahead.times(split.months)),
    renews: split.months,
  };
  const parts = line.value.parts.map((each) => (each.meter === part.meter ? fresh : each));
  lines.set(resolved.component.id, ok({ ...line.value, parts }));
}

/** The commitment's line: only the share of it that bought nothing. */
function unusedOnly(line: ChargedLine, share: Decimal): ChargedLine {
  const unused = given(
    'Share that buys nothing',
    share,
    '',
    'worked out hour by hour; the rest is in the lines it pays for',
  );
  const parts = line.parts.map((part) => {
    const monthly = product('Commitment not used', part.monthly.unit, [part.monthly, unused]);
    return { ...part, monthly, recurring: part.recurring.times(share), upfront: part.upfront.times(share) };
  });
  return { ...line, parts };
}
