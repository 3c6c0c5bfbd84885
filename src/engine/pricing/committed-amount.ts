/** What committed units cost: month by month, upfront, and with what a minimum of the month adds to them. */
import { ok, type Result } from '../base';
import { head, type Kind, roleOf } from '../books';
import { chargeFor } from '../rates';
import { committedAmounts, commitmentOf } from '../terms';
import { given, product, quotient, relabel, sum } from '../trace';
import type { CommittedPart } from './committed-part';
import { type LinePart, plainPart } from './line-part';
import { type Claim, rateSource } from './claim';
import type { Left } from './pools';
import type { Resolved } from './resolved';

/** Committed units, and what they alone are charged to fill a minimum of the month. */
export function committedPartOf(
  owner: Resolved,
  part: CommittedPart,
  claim: Claim | null,
  left: Left | null,
): Result<LinePart> {
  const { component, offer } = owner;
  const book = head(owner.book);
  const context = { unit: part.rate.unit, currency: book.currency, source: rateSource(part.rate, book) };
  const filled = withMissing(owner, part, claim, left);
  const charged = chargeFor(part.rate.charge, filled.use, context);
  if (!charged.ok) return charged;
  const commitment = commitmentOf(component.term)!;
  const recurringMonth = relabel(charged.value, 'Recurring each month');
  const terms = { commitment, recurring: recurringMonth, upfrontPrice: part.rate.upfront, ...context };
  const { monthly, recurring, upfront, wholeTerm } = committedAmounts(terms, filled.units);
  return ok({
    ...plainPart(
      part.meter,
      offer.sku,
      part.rate.unit,
      monthly,
      claim?.demand.use.quantity ?? part.use.quantity,
    ),
    term: part.rate.term,
    recurring: recurring.value,
    upfront: upfront.value,
    wholeTerm: { months: commitment.months, amount: wholeTerm.value },
    renews: commitment.months,
    early: part.rate.early ?? null,
    // Money that buys other lines' use is no thing with a price of its own.
    atPrice: isMoney(component.kind)
      ? null
      : ({ charge, agreement }) => chargeFor(charge, filled.use, { ...context, agreement }),
  });
}

function isMoney(kind: Kind): boolean {
  return roleOf(kind) === 'spend-commitment' || roleOf(kind) === 'prepaid-credit';
}

/** What fills the minimum of the month is bought in the way of the line: upfront included. */
function withMissing(
  owner: Resolved,
  part: CommittedPart,
  claim: Claim | null,
  left: Left | null,
): Pick<CommittedPart, 'units' | 'use'> {
  const { units, use } = part;
  const missing = left?.missing;
  const perHour = claim?.demand.use.running?.perHour();
  if (!missing || !perHour || units.value.isZero() || perHour.value.isZero()) return part;
  // In the on-demand rate's unit, in which the minimum is stated.
  const own = product('Committed in the month', missing.unit, [
    units,
    given('Hours of the month', owner.hoursInMonth, 'hour'),
    perHour,
  ]);
  const factor = quotient('With the minimum', '', [
    sum('With what is missing', own.unit, [own, missing]),
    own,
  ]);
  const quantity = product('With what the minimum of the month adds', use.quantity.unit, [
    use.quantity,
    factor,
  ]);
  return {
    use: { ...use, quantity },
    units: product('Units, with the minimum', units.unit, [units, factor]),
  };
}
