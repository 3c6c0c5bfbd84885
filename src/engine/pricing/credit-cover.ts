/**
 * Prepaid credit of a design: pays for what is on demand or interruptible in its book, at list. What it pays becomes
 * parts of the lines it pays for; the credit's own line keeps what bought nothing, and its upfront money leaves there,
 * once. Source: pricing rules, "Where two rules meet", 1, 2, 6; needs E10 to E12.
 */
import { kindOf, roleOf } from '../books';
import {
  comparedWithoutHair,
  decimal,
  type Decimal,
  issue,
  type Issue,
  ok,
  ONE,
  type Result,
  ZERO,
} from '../base';
import { creditUse } from '../terms';
import { difference, type Figure, given, product, sum } from '../trace';
import { type Case, readCase } from '../usage';
import type { ChargedLine } from './charges';
import type { LinePart } from './line-part';
import type { Resolved } from './resolved';
import { byStart } from './spend-cover';

export interface CreditCovered {
  readonly lines: Map<string, Result<ChargedLine>>;
  readonly notices: ReadonlyMap<string, Issue[]>;
}

interface Credit {
  readonly owner: Resolved;
  readonly part: LinePart;
  /** Of list money, a month. */
  readonly amount: Figure;
  readonly overage: Decimal | null;
}

/** What one credit pays of every payable part. */
interface Paying {
  readonly owner: Resolved;
  readonly share: Figure;
  readonly price: Figure;
  /** Of what it pays, the share that left the account ahead. */
  readonly ahead: Decimal;
}

export function coverByCredit(
  resolved: readonly Resolved[],
  charged: ReadonlyMap<string, Result<ChargedLine>>,
  which: Case,
): CreditCovered {
  const lines = new Map(charged);
  const notices = new Map<string, Issue[]>();
  const credits = resolved.flatMap((each) => creditOf(each, charged, which) ?? []);
  for (const key of new Set(credits.map(({ owner }) => owner.book.key))) {
    const own = credits.filter(({ owner }) => owner.book.key === key).sort(bySaving);
    const covered = resolved.filter((each) => each.book.key === key && isPayable(each));
    const { currency } = own[0]!.owner.book;
    const payable = covered.flatMap((each) => {
      const line = lines.get(each.component.id)!;
      return line.ok ? line.value.parts.filter(isOnDemand).map((part) => part.monthly) : [];
    });
    const spend = sum('All use it may pay for, at list', currency, payable);
    const paying: Paying[] = [];
    let left: Figure = spend;
    for (const { owner, part, amount } of own) {
      const use = creditUse(amount, part.monthly, left, spend, currency);
      left = use.left;
      const { monthly, recurring } = part;
      const ahead = monthly.value.isZero() ? ZERO : ONE.minus(recurring.dividedBy(monthly.value));
      paying.push({ owner, share: use.share, price: use.price, ahead });
      const id = owner.component.id;
      lines.set(id, onlyUnused(lines.get(id)!, use.unused));
      const lost = monthly.value.times(use.unused.value);
      if (!lost.isZero()) {
        const values = { amount: lost.toDecimalPlaces(2).toString(), currency };
        notices.set(id, [issue('credit.unused', [], values)]);
      }
    }
    const overage = own[own.length - 1]!.overage;
    for (const each of covered) {
      const line = lines.get(each.component.id)!;
      if (line.ok) lines.set(each.component.id, ok(paidLine(line.value, paying, overage)));
    }
  }
  return { lines, notices };
}

export const isCredit = ({ value }: { readonly value: Resolved }): boolean =>
  roleOf(value.component.kind) === 'prepaid-credit';

function creditOf(
  owner: Resolved,
  charged: ReadonlyMap<string, Result<ChargedLine>>,
  which: Case,
): Credit | null {
  const { component, book, card, count, demands } = owner;
  if (roleOf(component.kind) !== 'prepaid-credit') return null;
  const line = charged.get(component.id)!;
  const part = line.ok ? line.value.parts.find((each) => each.meter === 'credit') : undefined;
  const entry = component.usage.credit;
  if (!part || !entry) return null;
  const money = decimal(readCase(entry.amount, which)).times(count.value);
  const rate = card.rate('credit', component.term) ?? demands.onDemand[0]?.rate;
  const amount = given('Credit a month', money, book.currency);
  return { owner, part, amount, overage: rate?.overage ?? null };
}

/** The greatest saving on list money first, then who began first, then by id. */
function bySaving(a: Credit, b: Credit): number {
  const price = ({ part, amount }: Credit): Decimal =>
    amount.value.isZero() ? ONE : part.monthly.value.dividedBy(amount.value);
  return comparedWithoutHair(price(a), price(b)) || byStart(a.owner, b.owner);
}

function isPayable({ component }: Resolved): boolean {
  return kindOf(component.kind).paidByCredit;
}

/** What no commitment pays already. One-time fees leave at the start and are no use of a month. */
function isOnDemand(part: LinePart): boolean {
  return (part.term === 'on-demand' || part.term === 'interruptible') && part.once.isZero();
}

function paidLine(line: ChargedLine, paying: readonly Paying[], overage: Decimal | null): ChargedLine {
  const beyond = difference('Share beyond the credit', '', [
    given('All', ONE, ''),
    paying.length === 1
      ? paying[0]!.share
      : sum(
          'Shares within credits',
          '',
          paying.map((each) => each.share),
        ),
  ]);
  const parts = line.parts.flatMap((part) => {
    if (!isOnDemand(part)) return [part];
    return [...paying.flatMap((each) => creditPart(part, each)), ...beyondPart(part, beyond, overage)];
  });
  return { ...line, parts };
}

function creditPart(part: LinePart, { owner, share, price, ahead }: Paying): LinePart[] {
  if (share.value.isZero()) return [];
  const factors = [part.monthly, share, price];
  const monthly = product('Paid from the credit', part.monthly.unit, factors, part.monthly.label);
  const paidAhead = monthly.value.times(ahead);
  return [
    {
      ...part,
      term: owner.component.term,
      monthly,
      recurring: monthly.value.minus(paidAhead),
      bought: { by: owner, ahead: paidAhead },
      atPrice: null,
    },
  ];
}

/** List price beyond the credit, or the book's overage price; an agreed price stands in for both. */
function beyondPart(part: LinePart, beyond: Figure, overage: Decimal | null): LinePart[] {
  if (beyond.value.isZero() && !part.monthly.value.isZero()) return [];
  if (beyond.value.equals(1) && overage === null) return [part];
  const factors = overage === null ? [] : [given('Price beyond the credit', overage, 'of list')];
  const label = `${part.monthly.label}, beyond the credit`;
  const monthly = product(label, part.monthly.unit, [part.monthly, beyond, ...factors]);
  const { atPrice } = part;
  return [
    {
      ...part,
      monthly,
      recurring: monthly.value,
      atPrice:
        atPrice &&
        ((price) => {
          const agreed = atPrice(price);
          return agreed.ok ? ok(product(label, part.monthly.unit, [agreed.value, beyond])) : agreed;
        }),
    },
  ];
}

/** The credit's line: what it did not buy. What left ahead is in its upfront money, whole. */
function onlyUnused(line: Result<ChargedLine>, unused: Figure): Result<ChargedLine> {
  if (!line.ok) return line;
  const parts = line.value.parts.map((part) => {
    if (part.meter !== 'credit') return part;
    const monthly = product('Credit that buys nothing', part.monthly.unit, [part.monthly, unused]);
    return { ...part, monthly, recurring: part.recurring.times(unused.value) };
  });
  return ok({ ...line.value, parts });
}
