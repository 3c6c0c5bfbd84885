/** From list to contracted to resale: agreements and margins, part by part, and the share a design bears. */
import { addAll, decimal, type Decimal, ONE } from '../base';
import { kindOf } from '../books';
import type { Component } from '../design';
import { type Agreement, discountFor, marginFor, type Part } from '../terms';
import { difference, type Figure, given, negotiated, product, sum } from '../trace';
import { readCase } from '../usage';
import type { ChargedLine, LinePart } from './charges';
import type { PriceContext } from './context';

export interface AgreedLine {
  readonly list: Figure;
  readonly contracted: Figure;
  readonly resale: Figure;
  readonly recurring: Decimal;
  readonly upfront: Decimal;
  readonly once: Decimal;
  readonly wholeTerm: LinePart['wholeTerm'];
  readonly renews: number | null;
}

interface Owner {
  readonly component: Component;
  readonly book: string;
  readonly currency: string;
}

export function agreedLine(line: ChargedLine, owner: Owner, context: PriceContext): AgreedLine {
  const { component, currency } = owner;
  const agreed = line.parts.map((part) => agreedPart(part, owner, context.agreements));
  const parts = context.design.sold ? agreed.map(soldPart) : agreed;
  const borne = component.borne
    ? given('Borne by this design', decimal(readCase(component.borne, context.case)), '')
    : null;
  const bear = (figure: Figure): Figure =>
    borne ? product('This design’s share', currency, [figure, borne]) : figure;
  const total = (read: (part: AgreedPart) => Figure): Figure => {
    const figures = parts.map(read);
    return bear(figures.length === 1 ? figures[0]! : sum('All parts', currency, figures));
  };
  const shared = (value: Decimal): Decimal => (borne ? value.times(borne.value) : value);
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
    wholeTerm:
      terms.length === 0
        ? null
        : {
            months: terms[0]!.months,
            amount: shared(addAll(terms.map((each) => each.amount))),
          },
  };
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
  readonly wholeTerm: LinePart['wholeTerm'];
}

function agreedPart(part: LinePart, owner: Owner, inForce: readonly Agreement[]): AgreedPart {
  if (inForce.length === 0) {
    const { monthly, recurring, upfront, once, wholeTerm } = part;
    return {
      ...{ margin: null, list: monthly, contracted: monthly, resale: monthly },
      ...{ recurring, upfront, once, wholeTerm },
    };
  }
  const kind = kindOf(owner.component.kind);
  const what: Part = {
    book: owner.book,
    category: kind.serviceCategory,
    kind: kind.kind,
    sku: part.sku,
    meter: part.meter,
  };
  const reduced = reducedPart(part, discountFor(inForce, what), owner.currency);
  const margin = marginFor(inForce, what);
  if (!margin) return { ...reduced, margin: null, resale: reduced.contracted };
  const factor = sum('With the margin', '', [
    given('Contracted', ONE, ''),
    negotiated(`Margin of “${margin.name}”`, decimal(margin.margin!), ''),
  ]);
  const resale = product(part.monthly.label, owner.currency, [reduced.contracted, factor]);
  return { ...reduced, margin: factor.value, resale };
}

function reducedPart(
  part: LinePart,
  agreement: Agreement | null,
  currency: string,
): Omit<AgreedPart, 'resale' | 'margin'> {
  const plain = { ...part, list: part.monthly, contracted: part.monthly };
  if (!agreement?.discount) return plain;
  const { discount } = agreement;
  if (discount.by === 'price') {
    // A committed part has its own price; a fixed price stands in for the list's structure on demand only.
    if (!part.quantity) return plain;
    const price = negotiated(`Price of “${agreement.name}”`, decimal(discount.price), `${currency} per unit`);
    const contracted = product(part.monthly.label, currency, [part.quantity, price]);
    return { ...plain, contracted, recurring: contracted.value };
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
    wholeTerm: part.wholeTerm && { ...part.wholeTerm, amount: times(part.wholeTerm.amount) },
  };
}
