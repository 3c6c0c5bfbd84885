/**
 * The parts of a line: every demand charged, pools charged once for all their members, committed units beside what
 * runs above them. All in the book's currency, at list price under the component's own way of paying.
 */
import { type Decimal, ok, type Result, ZERO } from '../base';
import { type BookHead, head } from '../books';
import { chargeFor } from '../rates';
import { committedAmounts, commitmentOf } from '../terms';
import { type Figure, given, relabel, sum } from '../trace';
import type { AllowanceTerms } from '../usage';
import { type Amounts, chargeClaims, type Claim, type Grants, rateSource } from './pools';
import type { Resolved } from './resolved';

export interface LinePart {
  readonly meter: string;
  readonly sku: string;
  /** As it compares, a month: recurring + upfront spread over the term. One-time fees are not in it. */
  readonly monthly: Figure;
  readonly recurring: Decimal;
  readonly upfront: Decimal;
  /** Paid once, at the start. */
  readonly once: Decimal;
  readonly wholeTerm: { readonly months: number; readonly amount: Decimal } | null;
  /** After so many months the upfront payment is due again; null: there is none. */
  readonly renews: number | null;
  /** The billed quantity, for agreements that fix a price; null: none applies. */
  readonly quantity: Figure | null;
}

export interface ChargedLine {
  readonly parts: readonly LinePart[];
  /** All use on demand; null where it is not sold so. */
  readonly onDemand: Figure | null;
}

/** Charges all components at once; what cannot be charged comes back as an issue. */
export function chargeLines(
  resolved: readonly Resolved[],
  grants: Grants,
  allowances: AllowanceTerms,
): Map<string, Result<ChargedLine>> {
  const claims: Claim[] = [];
  const alone: Claim[] = [];
  for (const each of resolved) {
    const book = head(each.book);
    const underCommitment = metersUnderCommitment(each);
    for (const demand of each.demands.onDemand) {
      // What a commitment covers keeps out of the pools: its on-demand figure only states the saving.
      if (underCommitment.has(demand.meter)) alone.push({ demand, book });
      else claims.push({ demand, book });
    }
    for (const part of each.demands.committed) {
      if (part.above) claims.push({ demand: part.above, book });
    }
  }
  const amounts = chargeClaims(claims, grants, allowances);
  for (const one of alone) {
    for (const [demand, amount] of chargeClaims([one], grants, allowances)) amounts.set(demand, amount);
  }
  return new Map(resolved.map((each) => [each.component.id, lineOf(each, amounts)]));
}

const NONE: ReadonlySet<string> = new Set();

function metersUnderCommitment({ demands }: Resolved): ReadonlySet<string> {
  return demands.committed.length === 0 ? NONE : new Set(demands.committed.map((part) => part.meter));
}

function lineOf(resolved: Resolved, amounts: Amounts): Result<ChargedLine> {
  const { component, offer } = resolved;
  const book = head(resolved.book);
  const parts: LinePart[] = [];
  const onDemand: Figure[] = [];
  const underCommitment = metersUnderCommitment(resolved);
  for (const demand of resolved.demands.onDemand) {
    const amount = amounts.get(demand)!;
    if (!amount.ok) return amount;
    const figure = relabel(amount.value, demand.label);
    const once = demand.rate.charge.structure === 'flat' && demand.rate.charge.once;
    if (!once) onDemand.push(figure);
    if (underCommitment.has(demand.meter)) continue;
    parts.push(
      once
        ? { ...plainPart(demand.meter, offer.sku, nothing(figure), demand.use.quantity), once: figure.value }
        : plainPart(demand.meter, offer.sku, figure, demand.use.quantity),
    );
  }
  const commitment = commitmentOf(component.term);
  for (const part of resolved.demands.committed) {
    const context = { unit: part.rate.unit, currency: book.currency, source: rateSource(part.rate, book) };
    const charged = chargeFor(part.rate.charge, part.use, context);
    if (!charged.ok) return charged;
    const recurring = relabel(charged.value, 'Recurring each month');
    const terms = { commitment: commitment!, recurring, upfrontPrice: part.rate.upfront, ...context };
    const committed = committedAmounts(terms, part.units);
    parts.push({
      ...plainPart(part.meter, offer.sku, committed.monthly, null),
      recurring: committed.recurring.value,
      upfront: committed.upfront.value,
      wholeTerm: { months: commitment!.months, amount: committed.wholeTerm.value },
      renews: commitment!.months,
    });
    if (!part.above) continue;
    const above = amounts.get(part.above)!;
    if (!above.ok) return above;
    parts.push(
      plainPart(part.meter, offer.sku, relabel(above.value, 'Above the commitment'), part.above.use.quantity),
    );
  }
  return ok({ parts, onDemand: onDemand.length > 0 ? joined(onDemand, book) : null });
}

function joined(figures: readonly Figure[], book: BookHead): Figure {
  return figures.length === 1 ? figures[0]! : sum('All meters', book.currency, figures);
}

function plainPart(meter: string, sku: string, monthly: Figure, quantity: Figure | null): LinePart {
  return {
    meter,
    sku,
    monthly,
    recurring: monthly.value,
    upfront: ZERO,
    once: ZERO,
    wholeTerm: null,
    renews: null,
    quantity,
  };
}

/** A one-time fee is no part of the month; its own steps are kept below it. */
function nothing(figure: Figure): Figure {
  return given(figure.label, ZERO, figure.unit, `paid once: ${figure.value}`);
}
