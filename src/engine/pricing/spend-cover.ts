/**
 * Spend commitments of a design, one after the other: each buys what the ones before left of the on-demand use of its
 * book, at committed prices, hour by hour. What they pay becomes parts of the lines they pay for; a commitment's own line
 * keeps what bought nothing. Together they are what leaves the account. Source: pricing rules, "Where two rules meet", 2.
 */
import { comparedWithoutHair, type Decimal, decimal, issue, type Issue, ONE, ZERO } from '../base';
import { head, type Rate, roleOf } from '../books';
import { firstUnitPrice, partsPrice } from '../rates';
import { allocateSpend, savingOf, type SpendMember, type SpendTerm, spendTermOf } from '../terms';
import { type Figure, given, product, quotient, rate as rateFigure } from '../trace';
import { type Case, readCase, type Week, WEEK_HOURS, weekUnitHours } from '../usage';
import { type Claim, rateSource } from './claim';
import type { Resolved } from './resolved';
import type { Open } from './rest';
import type { RunningShape } from './meter-context';

/** What one spend commitment pays of a claim, a month. */
export interface SpendPaid {
  /** The commitment. */
  readonly by: Resolved;
  readonly term: SpendTerm;
  readonly amount: Figure;
}

export interface SpendCover {
  /** What is left of each claim's week. */
  readonly left: ReadonlyMap<Claim, readonly Week[]>;
  readonly paid: ReadonlyMap<Claim, readonly SpendPaid[]>;
  /** By commitment: the share of its money that buys nothing, and the share that was paid ahead. */
  readonly unused: ReadonlyMap<string, Decimal>;
  readonly ahead: ReadonlyMap<string, Decimal>;
  readonly notices: ReadonlyMap<string, Issue[]>;
  /** By commitment: what it may buy, as the ones before left it. */
  readonly offered: ReadonlyMap<string, readonly SpendMember[]>;
}

/** A claim that may be bought by a spend commitment. */
export interface Buyable {
  readonly claim: Claim;
  readonly running: RunningShape;
  readonly open: Open;
}

interface Commitment {
  readonly owner: Resolved;
  readonly term: SpendTerm;
  readonly perHour: Decimal;
}

/** Spend commitments by book key: most designs have none, and nothing is worked out for them. */
export function spendCommitments(resolved: readonly Resolved[]): ReadonlyMap<string, readonly Resolved[]> {
  const found = new Map<string, Resolved[]>();
  for (const each of resolved) {
    if (roleOf(each.component.kind) !== 'spend-commitment') continue;
    const known = found.get(each.book.key);
    if (known) known.push(each);
    else found.set(each.book.key, [each]);
  }
  return found;
}

/** Whether a spend commitment of the book may buy it: on demand, and sold at a committed price. */
export function mayBeBought({ demand, owner }: Claim, commitments: readonly Resolved[]): boolean {
  if (!demand.use.running || owner.component.term === 'interruptible') return false;
  return commitments.some(({ component }) => {
    const term = spendTermOf(component.term);
    return term !== null && owner.card.rate(demand.meter, term) !== undefined;
  });
}

/** What a commitment costs in a month, all of it, and how much of that leaves month by month. */
export interface SpendCost {
  readonly monthly: Decimal;
  readonly recurring: Decimal;
}

/** `costOf` gives null where the commitment itself cannot be charged. */
export function coverSpend(
  commitments: readonly Resolved[],
  buyable: readonly Buyable[],
  costOf: (owner: Resolved) => SpendCost | null,
  which: Case,
): SpendCover {
  const left = new Map(buyable.map((each) => [each.claim, each.open.weeks]));
  const paid = new Map<Claim, SpendPaid[]>();
  const unused = new Map<string, Decimal>();
  const ahead = new Map<string, Decimal>();
  const notices = new Map<string, Issue[]>();
  const offered = new Map<string, readonly SpendMember[]>();
  for (const commitment of inOrder(commitments, buyable, which)) {
    const { owner, term, perHour } = commitment;
    const { id } = owner.component;
    const cost = costOf(owner);
    if (cost === null) continue;
    ahead.set(id, cost.monthly.isZero() ? ZERO : ONE.minus(cost.recurring.dividedBy(cost.monthly)));
    const members = buyable.flatMap((each) => memberOf(each, term, left.get(each.claim)!) ?? []);
    offered.set(id, members);
    const done = allocateSpend(perHour, members);
    const money = perHour.times(owner.hoursInMonth);
    for (const member of members) {
      const hours = done.covered.get(member.id)!;
      if (hours.isZero()) continue;
      const amount = paidFigure(member, hours, money.isZero() ? ONE : cost.monthly.dividedBy(money));
      const known = paid.get(member.claim);
      if (known) known.push({ by: owner, term, amount });
      else paid.set(member.claim, [{ by: owner, term, amount }]);
      left.set(member.claim, done.left.get(member.id)!);
    }
    const share = perHour.isZero() ? ONE : done.unused.dividedBy(perHour.times(WEEK_HOURS));
    unused.set(id, share);
    if (!done.unused.isZero()) {
      const percent = share.times(100).toDecimalPlaces(1).toString();
      notices.set(id, [issue('spend.unused', [], { percent })]);
    }
  }
  return { left, paid, unused, ahead, notices, offered };
}

/** The greatest saving first, then who began first, then by id. */
function inOrder(
  commitments: readonly Resolved[],
  buyable: readonly Buyable[],
  which: Case,
): readonly Commitment[] {
  const rows = commitments.flatMap((owner) => {
    const term = spendTermOf(owner.component.term);
    const entry = owner.component.usage.committed;
    if (!term || !entry) return [];
    const perHour = decimal(readCase(entry.amount, which)).times(owner.count.value);
    const members = buyable.flatMap((each) => memberOf(each, term, each.open.weeks) ?? []);
    const saving = commitments.length > 1 ? savingOf(members, weekUnitHours) : ZERO;
    return [{ owner, term, perHour, saving }];
  });
  return rows.sort((a, b) => comparedWithoutHair(b.saving, a.saving) || byStart(a.owner, b.owner));
}

export function byStart({ component: a }: Resolved, { component: b }: Resolved): number {
  return (a.months?.from ?? 1) - (b.months?.from ?? 1) || (a.id < b.id ? -1 : 1);
}

interface Member extends SpendMember {
  readonly claim: Claim;
  readonly rate: Rate;
  readonly perHour: Figure;
}

function memberOf({ claim, running }: Buyable, term: SpendTerm, weeks: readonly Week[]): Member | null {
  const { demand, owner } = claim;
  const found = owner.card.rate(demand.meter, term);
  const perHour = found && running.perHourOf(found);
  const committed = found && unitPrice(found, claim);
  if (!found || !perHour?.ok || !committed) return null;
  const onDemand = unitPrice(demand.rate, claim) ?? ZERO;
  return {
    id: `${owner.component.id}\n${demand.meter}`,
    weeks,
    committed: committed.times(perHour.value.value),
    onDemand: onDemand.times(running.perHour().value),
    claim,
    rate: found,
    perHour: perHour.value,
  };
}

/** Of one rate unit; null: the structure has no such price. */
function unitPrice(found: Rate, { demand, owner }: Claim): Decimal | null {
  const { charge } = found;
  if (charge.structure === 'by-parts') {
    const { parts } = demand.use;
    const context = { unit: found.unit, currency: '', source: rateSource(found, head(owner.book)) };
    return parts ? partsPrice(charge, parts, context).value : null;
  }
  if (charge.structure === 'per-block') return charge.price.dividedBy(charge.block);
  return firstUnitPrice(charge);
}

function paidFigure(member: Member, weekHours: Decimal, costOfMoney: Decimal): Figure {
  const { claim, rate, committed, perHour } = member;
  const { book, hoursInMonth } = claim.owner;
  const { currency } = book;
  const weeks = quotient('Weeks of the month', 'week', [
    given('Hours of the month', hoursInMonth, 'hour'),
    given('Hours of a week', decimal(WEEK_HOURS), 'hour'),
  ]);
  const price = rateFigure(
    'Committed price',
    perHour.value.isZero() ? ZERO : committed.dividedBy(perHour.value),
    `${currency} per ${rate.unit}`,
    rateSource(rate, head(book)),
  );
  const parts = [
    given('Unit-hours of a week that it pays', weekHours, 'hour', 'clock hour by clock hour'),
    weeks,
    perHour,
    price,
  ];
  if (!costOfMoney.equals(1))
    parts.push(given('What the commitment costs for each unit of its money', costOfMoney, ''));
  return product('Paid by the spend commitment', currency, parts);
}
