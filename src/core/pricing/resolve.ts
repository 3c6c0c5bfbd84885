/**
 * From a component to what can be charged: its book, region, offer and quantities; or the reasons why there is no
 * amount. Nothing here turns a missing thing into zero.
 */
import { type Decimal, err, issue, type Issue, ok, type Result } from '../base';
import { kindOf, type Offer, type PriceBook, type Rate } from '../books';
import type { Component, Design } from '../design';
import { cheapestThatFits, type Fit, type Miss, type Need } from '../sizing';
import { commitmentOf, type Term } from '../terms';
import { monthHours } from '../time';
import type { Figure } from '../trace';
import { type Case, runningHours } from '../usage';
import type { BookSet } from './book-set';
import { countOf, meterQuantity, noneOf } from './meter-quantity';
import { unitMonthlyCost } from './unit-cost';

export interface Demand {
  /** The meter's name for people. */
  readonly label: string;
  readonly rate: Rate;
  /** For all units, in the rate's unit. */
  readonly quantity: Figure;
}

export interface Resolved {
  readonly component: Component;
  readonly book: PriceBook;
  readonly offer: Offer;
  readonly count: Figure;
  readonly hoursInMonth: Decimal;
  /** On-demand demands by meter; empty where the offer is only sold committed. */
  readonly demands: readonly Demand[];
  /** The committed rate, if the term is a commitment. */
  readonly committed: Rate | null;
  readonly notices: readonly Issue[];
}

export interface Unresolved {
  readonly issues: readonly Issue[];
  readonly nearest: readonly Miss[];
}

export type Resolution =
  { readonly ok: true; readonly value: Resolved } | ({ readonly ok: false } & Unresolved);

export function resolveComponent(
  component: Component,
  design: Design,
  books: BookSet,
  which: Case,
): Resolution {
  const placed = placeOf(component, design, books);
  if (!placed.ok) return failed(placed.issue);
  const { book, region } = placed.value;
  const count = countOf(component, which);
  if (!count.ok) return failed(count.issue);
  const hoursInMonth = monthHours(design.assumptions.month, book.monthHours);
  const chosen = choose(component, book, region, hoursInMonth, which);
  if (!chosen.ok) return chosen;
  const offer = chosen.offer;
  const demands = demandsOf(component, book, offer, region, count.value, { hoursInMonth, case: which });
  if (!demands.ok) return failed(demands.issue);
  const terms = book.termsOf(offer.sku, region);
  const committed = commitmentOf(component.term)
    ? (book.rate(offer.sku, region, 'running', component.term) ?? null)
    : null;
  if (component.term !== 'on-demand' && !committed) return failed(notSold(offer, component.term, terms));
  if (!committed && demands.value.demands.length === 0) return failed(notSold(offer, component.term, terms));
  const notices = [
    ...demands.value.notices,
    ...noticesOf(component, offer, demands.value.demands, count.value, hoursInMonth),
  ];
  return {
    ok: true,
    value: {
      component,
      book,
      offer,
      count: count.value,
      hoursInMonth,
      demands: demands.value.demands,
      committed,
      notices,
    },
  };
}

function failed(...issues: Issue[]): { ok: false } & Unresolved {
  return { ok: false, issues, nearest: [] };
}

function placeOf(
  component: Component,
  design: Design,
  books: BookSet,
): Result<{ book: PriceBook; region: string }> {
  if (!component.place) return err(issue('place.missing', ['place']));
  const pin = design.books.find((each) => each.book === component.place!.book);
  const book = pin && books.get(pin.book, pin.revision);
  if (!book) {
    const revision = pin ? String(pin.revision) : '';
    return err(issue('book.missing', ['place'], { book: component.place.book, revision }));
  }
  if (!book.region(component.place.region)) {
    return err(issue('region.unknown', ['place'], { region: component.place.region, book: book.title }));
  }
  return ok({ book, region: component.place.region });
}

type Chosen = { readonly ok: true; readonly offer: Offer } | ({ readonly ok: false } & Unresolved);

function choose(component: Component, book: PriceBook, region: string, hours: Decimal, which: Case): Chosen {
  const choice = component.choice;
  if (choice.by === 'none')
    return failed(issue('choice.missing', ['choice'], { kind: kindOf(component.kind).label }));
  if (choice.by === 'sku') {
    const offer = book.offer(choice.sku);
    if (!offer) return failed(issue('offer.unknown', ['choice'], { sku: choice.sku, book: book.title }));
    if (offer.kind !== component.kind) {
      const values = { sku: offer.sku, kind: kindOf(offer.kind).label, wanted: kindOf(component.kind).label };
      return failed(issue('offer.wrong-kind', ['choice'], values));
    }
    if (!book.regionsSelling(offer.sku).includes(region)) {
      const values = { offer: offer.name, region: book.region(region)!.name };
      return failed(issue('offer.not-in-region', ['choice'], values));
    }
    return { ok: true, offer };
  }
  const running = runningHours(component.running, hours, which);
  if (!running.ok) return failed(running.issue);
  const fit = fitFor(book, region, choice.need, component.term, running.value.value, hours);
  if (fit.fits) return { ok: true, offer: fit.offer };
  const values = { region: book.region(region)!.name, vcpu: choice.need.vcpu, memory: choice.need.memory };
  return { ok: false, issues: [issue('need.nothing-fits', ['choice'], values)], nearest: fit.nearest };
}

/** Books never change, so neither does what fits: the newest answers are kept beside the book. */
const FITS_KEPT = 4000;
const fits = new WeakMap<PriceBook, Map<string, Fit>>();

function fitFor(
  book: PriceBook,
  region: string,
  need: Need,
  term: Term,
  hoursRun: Decimal,
  hoursInMonth: Decimal,
): Fit {
  const known = fits.get(book) ?? new Map<string, Fit>();
  fits.set(book, known);
  const key = JSON.stringify([region, need, term, hoursRun, hoursInMonth]);
  let fit = known.get(key);
  if (!fit) {
    const cost = (offer: Offer): Decimal | null =>
      unitMonthlyCost(book, offer, region, term, hoursRun, hoursInMonth);
    fit = cheapestThatFits(need, book.soldIn(region, 'server'), cost);
    if (known.size >= FITS_KEPT) known.clear();
    known.set(key, fit);
  }
  return fit;
}

interface Demands {
  readonly demands: Demand[];
  readonly notices: Issue[];
}

function demandsOf(
  component: Component,
  book: PriceBook,
  offer: Offer,
  region: string,
  count: Figure,
  context: { hoursInMonth: Decimal; case: Case },
): Result<Demands> {
  const demands: Demand[] = [];
  const notices: Issue[] = [];
  for (const meter of kindOf(component.kind).meters) {
    const rate = book.rate(offer.sku, region, meter.meter, 'on-demand');
    if (!rate && component.term !== 'on-demand') continue;
    if (!rate) return err(issue('rate.missing', [], { offer: offer.name, meter: meter.label }));
    const quantity = meterQuantity(component, meter, count, rate.unit, context);
    if (!quantity.ok) return quantity;
    if (!quantity.value)
      notices.push(issue('usage.counted-as-none', ['usage', meter.meter], { meter: meter.label }));
    demands.push({ label: meter.label, rate, quantity: quantity.value ?? noneOf(meter, rate.unit) });
  }
  return ok({ demands, notices });
}

function notSold(offer: Offer, term: Term, terms: readonly Term[]): Issue {
  return issue('term.not-offered', ['term'], { offer: offer.name, term, terms: terms.join(' ') });
}

function noticesOf(
  component: Component,
  offer: Offer,
  demands: readonly Demand[],
  count: Figure,
  hoursInMonth: Decimal,
): Issue[] {
  const notices: Issue[] = [];
  if (offer.lifecycle === 'retiring') {
    const values = { offer: offer.name, date: offer.retires ?? '', instead: offer.replacedBy ?? '' };
    notices.push(issue('offer.retiring', ['choice'], values));
  }
  const running = demands.find((demand) => demand.rate.meter === 'running');
  if (
    component.term !== 'on-demand' &&
    running &&
    component.running.pattern !== 'always' &&
    !count.value.isZero()
  ) {
    const used = running.quantity.value.dividedBy(count.value);
    const perHour = running.rate.unit === 'second' ? used.dividedBy(3600) : used;
    if (perHour.lessThan(hoursInMonth)) {
      const values = { hours: perHour.toString(), month: hoursInMonth.toString() };
      notices.push(issue('commitment.unused-hours', ['running'], values));
    }
  }
  return notices;
}
