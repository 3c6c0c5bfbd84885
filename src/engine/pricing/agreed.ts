/**
 * From list to contracted to resale: agreements and margins, part by part, and the share a design bears. An agreement
 * works on the price, after allowances, minimums and commitments have said which quantity is charged in which way.
 * Source: pricing rules, "Agreements", "Where two rules meet", 7.
 */
import { addAll, decimal, type Decimal, err, issue, type Issue, ok, ONE, type Result, ZERO } from '../base';
import { kindOf } from '../books';
import type { Component } from '../design';
import type { Charge } from '../rates';
import { type Agreement, discountFor, type EarlyEnd, marginFor, type Part } from '../terms';
import { difference, type Figure, given, negotiated, product, sum } from '../trace';
import { conversionFactor } from '../units';
import { enteredIn } from '../usage';
import type { ChargedLine } from './charges';
import type { LinePart } from './line-part';
import type { PriceContext } from './context';

/** Money of the month that another line paid ahead, before the share that the design bears. */
export interface PaidAhead {
  readonly by: string;
  readonly amount: Decimal;
}

/** What is paid of one meter in one way: contracted, with the share that the design bears. */
export type PaidPart = Pick<LinePart, 'meter' | 'sku' | 'unit' | 'used' | 'monthly'>;

export interface AgreedLine {
  readonly list: Figure;
  readonly contracted: Figure;
  readonly resale: Figure;
  readonly recurring: Decimal;
  readonly upfront: Decimal;
  readonly once: Decimal;
  readonly wholeTerm: LinePart['wholeTerm'];
  readonly renews: number | null;
  readonly early: EarlyEnd | null;
  readonly ahead: readonly PaidAhead[];
  /** What `contracted` is made of, meter by meter. */
  readonly parts: readonly PaidPart[];
  readonly notices: readonly Issue[];
}

interface Owner {
  readonly component: Component;
  readonly book: string;
  readonly currency: string;
}

export function agreedLine(line: ChargedLine, owner: Owner, context: PriceContext): AgreedLine {
  const { component, currency } = owner;
  const plain = context.agreements.length === 0 && !context.design.sold && !component.allocated;
  if (plain) return unchangedLine(line, currency);
  const notices: Issue[] = [];
  const agreed = line.parts.map((part) => agreedPart(part, owner, context.agreements, notices));
  const parts = context.design.sold ? agreed.map(soldPart) : agreed;
  const allocated = component.allocated
    ? enteredIn(component.allocated, context.case, {
        label: 'Allocated to this design',
        unit: '',
        input: { component: component.id, entry: 'allocated' },
      })
    : null;
  const bear = (figure: Figure): Figure =>
    allocated ? product('This design’s share', figure.unit, [figure, allocated]) : figure;
  const total = (read: (part: AgreedPart) => Figure): Figure => {
    const figures = parts.map(read);
    return bear(figures.length === 1 ? figures[0]! : sum('All parts', currency, figures));
  };
  const shared = (value: Decimal): Decimal => (allocated ? value.times(allocated.value) : value);
  const add = (read: (part: AgreedPart) => Decimal): Decimal => shared(addAll(parts.map(read)));
  const terms = parts.flatMap((part) => (part.wholeTerm ? [part.wholeTerm] : []));
  const list = total((part) => part.list);
  const unchanged = parts.every((part) => part.list === part.contracted);
  const contracted = unchanged ? list : total((part) => part.contracted);
  const resale = parts.every((part) => part.resale === part.contracted)
    ? contracted
    : total((part) => part.resale);
  return {
    list,
    contracted,
    resale,
    recurring: add((part) => part.recurring),
    upfront: add((part) => part.upfront),
    once: add((part) => part.once),
    renews: line.parts.find((part) => part.renews !== null)?.renews ?? null,
    early: line.parts.find((part) => part.early)?.early ?? null,
    ahead: parts.flatMap((part, index) => {
      const by = line.parts[index]!.bought?.by.component.id;
      return by === undefined || part.ahead.isZero() ? [] : [{ by, amount: part.ahead }];
    }),
    wholeTerm:
      terms.length === 0
        ? null
        : {
            months: terms[0]!.months,
            amount: shared(addAll(terms.map((each) => each.amount))),
          },
    parts: parts.map(({ contracted: paid }, at) => {
      const { meter, sku, unit, used } = line.parts[at]!;
      return { meter, sku, unit, used: used && bear(used), monthly: bear(paid) };
    }),
    notices,
  };
}

const NOTHING: readonly never[] = [];

/** Nothing was negotiated and nothing is shared: the list is what is paid. */
function unchangedLine({ parts }: ChargedLine, currency: string): AgreedLine {
  const list =
    parts.length === 1
      ? parts[0]!.monthly
      : sum(
          'All parts',
          currency,
          parts.map((part) => part.monthly),
        );
  let [recurring, upfront, once] = [ZERO, ZERO, ZERO];
  let wholeTerm: LinePart['wholeTerm'] = null;
  let renews: number | null = null;
  let early: EarlyEnd | null = null;
  let ahead: readonly PaidAhead[] = NOTHING;
  for (const part of parts) {
    recurring = recurring === ZERO ? part.recurring : recurring.plus(part.recurring);
    if (part.upfront !== ZERO) upfront = upfront.plus(part.upfront);
    if (part.once !== ZERO) once = once.plus(part.once);
    if (part.wholeTerm) {
      const before: Decimal = wholeTerm?.amount ?? ZERO;
      wholeTerm = { months: part.wholeTerm.months, amount: before.plus(part.wholeTerm.amount) };
    }
    renews ??= part.renews;
    early ??= part.early;
    if (part.bought && !part.bought.ahead.isZero()) {
      ahead = [...ahead, { by: part.bought.by.component.id, amount: part.bought.ahead }];
    }
  }
  const amounts = { recurring, upfront, once, wholeTerm, renews, early, ahead };
  return { list, contracted: list, resale: list, ...amounts, parts, notices: NOTHING };
}

/** As it is sold on: everything that is paid, raised as the month is. */
function soldPart(part: AgreedPart): AgreedPart {
  const { margin, resale } = part;
  const times = (value: Decimal): Decimal => (margin ? value.times(margin) : value);
  return {
    ...part,
    list: resale,
    contracted: resale,
    recurring: times(part.recurring),
    upfront: times(part.upfront),
    once: times(part.once),
    ahead: times(part.ahead),
    wholeTerm: part.wholeTerm && { ...part.wholeTerm, amount: times(part.wholeTerm.amount) },
  };
}

interface AgreedPart {
  /** 1 + the margin; null: none. */
  readonly margin: Decimal | null;
  readonly list: Figure;
  readonly contracted: Figure;
  readonly resale: Figure;
  readonly recurring: Decimal;
  readonly upfront: Decimal;
  readonly once: Decimal;
  readonly ahead: Decimal;
  readonly wholeTerm: LinePart['wholeTerm'];
}

type Reduced = Omit<AgreedPart, 'resale' | 'margin'>;

function agreedPart(
  part: LinePart,
  owner: Owner,
  inForce: readonly Agreement[],
  notices: Issue[],
): AgreedPart {
  if (inForce.length === 0) return { ...plainly(part), margin: null, resale: part.monthly };
  const { kind, serviceCategory } = kindOf(owner.component.kind);
  const { book } = owner;
  const what: Part = {
    book,
    category: serviceCategory,
    kind,
    sku: part.sku,
    meter: part.meter,
    term: part.term,
  };
  const reduced = reducedPart(part, discountFor(inForce, payerOf(part, what)), owner.currency, notices);
  const margin = marginFor(inForce, what);
  if (!margin) return { ...reduced, margin: null, resale: reduced.contracted };
  const factor = sum('With the margin', '', [
    given('Contracted', ONE, ''),
    negotiated(`Margin of “${margin.name}”`, decimal(margin.margin!), ''),
  ]);
  const resale = product(part.monthly.label, owner.currency, [reduced.contracted, factor]);
  return { ...reduced, margin: factor.value, resale };
}

/** What a commitment or a credit pays is its own money: what was agreed on its line holds for it. */
function payerOf({ bought }: LinePart, what: Part): Part {
  if (!bought) return what;
  const { component, offer } = bought.by;
  const { kind, serviceCategory } = kindOf(component.kind);
  return { ...what, category: serviceCategory, kind, sku: offer.sku, meter: '', term: component.term };
}

function plainly(part: LinePart): Reduced {
  const { monthly, recurring, upfront, once, wholeTerm, bought } = part;
  const ahead = bought?.ahead ?? ZERO;
  return { list: monthly, contracted: monthly, recurring, upfront, once, wholeTerm, ahead };
}

function reducedPart(
  part: LinePart,
  agreement: Agreement | null,
  currency: string,
  notices: Issue[],
): Reduced {
  const plain = plainly(part);
  const discount = agreement?.discount;
  if (!agreement || !discount) return plain;
  if (discount.by !== 'share') {
    const agreed = atFixedPrice(part, agreement.name, discount);
    if (agreed.ok) return agreed.value;
    notices.push(agreed.issue);
    return plain;
  }
  const left = difference('After the discount', '', [
    given('List', ONE, ''),
    negotiated(`Discount of “${agreement.name}”`, decimal(discount.share), ''),
  ]);
  const times = (value: Decimal): Decimal => value.times(left.value);
  return {
    list: part.monthly,
    contracted: product(part.monthly.label, currency, [part.monthly, left]),
    recurring: times(part.recurring),
    upfront: times(part.upfront),
    once: times(part.once),
    ahead: times(plain.ahead),
    wholeTerm: part.wholeTerm && { ...part.wholeTerm, amount: times(part.wholeTerm.amount) },
  };
}

type Fixed = Exclude<NonNullable<Agreement['discount']>, { readonly by: 'share' }>;

/** Refused with `agreement.not-applied`: nothing here has such a price. */
function atFixedPrice(part: LinePart, name: string, discount: Fixed): Result<Reduced> {
  const refuse = (why: string): Result<never> => err(issue('agreement.not-applied', [], { name, why }));
  if (!part.atPrice) return refuse('what it covers here has no price of its own');
  const charge = chargeOf(discount, part.unit);
  if (!charge) return refuse(`its price is per ${discount.unit}, and the meter is charged per ${part.unit}`);
  const agreed = part.atPrice({ charge, agreement: name });
  if (!agreed.ok) return agreed;
  if (!part.once.isZero()) return ok({ ...plainly(part), once: agreed.value.value });
  const figure = agreed.value;
  if (!part.wholeTerm) {
    return ok({ ...plainly(part), contracted: figure, recurring: figure.value });
  }
  // A committed price: what is paid upfront stays, what recurs is at the agreed price.
  const { months } = part.wholeTerm;
  const spread = given('Paid upfront, spread over the term', part.upfront.dividedBy(months), figure.unit);
  return ok({
    ...plainly(part),
    contracted: sum(part.monthly.label, figure.unit, [figure, spread]),
    recurring: figure.value,
    wholeTerm: { months, amount: part.upfront.plus(figure.value.times(months)) },
  });
}

/** In the rate's unit; null: the units do not convert. */
function chargeOf(discount: Fixed, unit: string): Charge | null {
  const factor = conversionFactor(unit, discount.unit ?? unit);
  if (!factor.ok) return null;
  const price = (text: string): Decimal => decimal(text).times(factor.value);
  if (discount.by === 'price') return { structure: 'per-unit', price: price(discount.price) };
  return {
    structure: 'graduated',
    tiers: discount.tiers.map((tier) => ({
      upTo: tier.upTo === null ? null : decimal(tier.upTo).dividedBy(factor.value),
      price: price(tier.price),
    })),
  };
}
