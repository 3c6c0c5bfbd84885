/** Which offer a component takes: the one named, or the cheapest that fits under its own pattern and terms. */
import { type Decimal, issue, type Issue } from '../base';
import { kindOf, type Offer, type PriceBook } from '../books';
import type { Component } from '../design';
import { cheapestThatFits, type Fit, type Need } from '../sizing';
import type { PriceContext } from './context';
import { chargeLines } from './charges';
import { demandsOf, type Subject } from './demands';
import { NO_GRANTS } from './pools';
import { failed, type Unresolved } from './resolved';
import { hoursForFastPath, unitMonthlyCost } from './unit-cost';

export type Chosen = { readonly ok: true; readonly offer: Offer } | ({ readonly ok: false } & Unresolved);

export type Placed = Omit<Subject, 'offer'>;

export function choose(placed: Placed, context: PriceContext): Chosen {
  const { component, book, region } = placed;
  const { choice } = component;
  if (choice.by === 'none') {
    return failed(issue('choice.missing', ['choice'], { kind: kindOf(component.kind).label }));
  }
  if (choice.by === 'sku') {
    const offer = book.offer(choice.sku);
    if (!offer) return failed(issue('offer.unknown', ['choice'], { sku: choice.sku, book: book.title }));
    const refused = refusal(offer, component, book, region);
    return refused ? failed(refused) : { ok: true, offer };
  }
  const { need } = choice;
  const fit = fitFor(placed, need, context);
  if (fit.fits) return { ok: true, offer: fit.offer };
  const values = { region: book.region(region)!.name, vcpu: need.vcpu, memory: need.memory };
  return { ok: false, issues: [issue('need.nothing-fits', ['choice'], values)], nearest: fit.nearest };
}

function refusal(offer: Offer, component: Component, book: PriceBook, region: string): Issue | null {
  if (offer.kind !== component.kind) {
    const values = { sku: offer.sku, kind: kindOf(offer.kind).label, wanted: kindOf(component.kind).label };
    return issue('offer.wrong-kind', ['choice'], values);
  }
  if (offer.lifecycle === 'announced') {
    return issue('offer.not-in-region', ['choice'], { offer: offer.name, region: 'any region yet' });
  }
  if (book.sells(offer.sku, region)) return null;
  return issue('offer.not-in-region', ['choice'], { offer: offer.name, region: book.region(region)!.name });
}

/** Books never change, so neither does what fits: the newest answers are kept beside the book. */
const FITS_KEPT = 4000;
const fits = new WeakMap<PriceBook, Map<string, Fit>>();

function fitFor(placed: Placed, need: Need, context: PriceContext): Fit {
  const { book, region, component, hoursInMonth } = placed;
  const known = fits.get(book) ?? new Map<string, Fit>();
  fits.set(book, known);
  const hours = hoursForFastPath(component, hoursInMonth, context.case);
  const inRuns = component.running.pattern === 'days';
  const { id: _id, name: _name, ...rest } = component;
  const allowances = { ...context.allowances, month: 0 };
  const key = hours
    ? JSON.stringify([region, need, component.term, hours, hoursInMonth, inRuns])
    : JSON.stringify([region, hoursInMonth, context.case, rest, allowances]);
  let fit = known.get(key);
  if (!fit) {
    const cost = (offer: Offer): Decimal | null => {
      const fast = hours && unitMonthlyCost(book, offer, region, component.term, hours, hoursInMonth, inRuns);
      return fast && fast.simple ? fast.cost : tracedCost({ ...placed, offer }, context);
    };
    fit = cheapestThatFits(need, book.soldIn(region, component.kind), cost);
    if (known.size >= FITS_KEPT) known.clear();
    known.set(key, fit);
  }
  return fit;
}

/** The offer priced alone by the engine itself; null: it cannot be sold so. */
export function tracedCost(subject: Subject, context: PriceContext): Decimal | null {
  const demands = demandsOf(subject, context);
  if (!demands.ok) return null;
  const resolved = { ...subject, demands: demands.value, notices: [] };
  const line = chargeLines([resolved], NO_GRANTS, context.allowances).get(subject.component.id)!;
  if (!line.ok) return null;
  return line.value.parts.reduce(
    (total, part) => total.plus(part.monthly.value),
    subject.hoursInMonth.times(0),
  );
}
