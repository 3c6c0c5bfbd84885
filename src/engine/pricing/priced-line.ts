/** The last step of pricing a line: what was agreed, then the currency, once, and own licences. */
import type { Decimal, Issue, Result } from '../base';
import type { Figure } from '../trace';
import { agreedLine } from './agreed';
import type { ChargedLine } from './charges';
import type { PriceContext } from './context';
import { exchanged } from './exchange';
import { type Open, unpriced } from './opening';
import { ownLicences, withOwn } from './own-licences';
import type { PricedLine } from './priced';

function added(a: Decimal, b: Decimal): Decimal {
  if (b.isZero()) return a;
  return a.isZero() ? b : a.plus(b);
}

/** `notices` are what charging found beside what resolving did. */
export function pricedLine(
  { value: resolved, step }: Pick<Open, 'value' | 'step'>,
  line: Result<ChargedLine>,
  notices: readonly Issue[],
  context: PriceContext,
): PricedLine {
  const { component, book, offer, count } = resolved;
  if (!line.ok) return unpriced(component.id, [line.issue]);
  const { currency } = context.design;
  const owner = { component, book: book.key, currency: book.currency };
  const agreed = agreedLine(line.value, owner, context);
  const own = ownLicences(component, count, currency, context.case);
  const inDesign = (figure: Figure): Figure => withOwn(exchanged(figure, step, currency), own);
  const convert = (value: Decimal): Decimal => (step ? value.times(step.value) : value);
  const monthAndOwn = (value: Decimal): Decimal => (own ? convert(value).plus(own.value) : convert(value));
  const monthly = inDesign(agreed.contracted);
  return {
    status: 'priced',
    id: component.id,
    kind: component.kind,
    offer,
    book,
    monthly,
    list: agreed.list === agreed.contracted ? monthly : inDesign(agreed.list),
    resale: agreed.resale === agreed.contracted ? monthly : inDesign(agreed.resale),
    inBook: agreed.contracted,
    parts: agreed.parts,
    exchange: step?.value ?? null,
    recurring: monthAndOwn(agreed.recurring),
    upfront: convert(added(agreed.upfront, agreed.once)),
    once: convert(agreed.once),
    renews: agreed.renews,
    wholeTerm: agreed.wholeTerm && { ...agreed.wholeTerm, amount: convert(agreed.wholeTerm.amount) },
    onDemand: line.value.onDemand && monthAndOwn(line.value.onDemand.value),
    count: count.value,
    early: agreed.early,
    ahead: agreed.ahead.map(({ by, amount }) => ({ by, amount: convert(amount) })),
    notices: [...resolved.notices, ...notices, ...agreed.notices],
  };
}
