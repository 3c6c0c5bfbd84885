/** Which offer a component takes: the one named, or the cheapest that fits under its own pattern and terms. */
import { type Decimal, decimal, err, issue, type Issue, ok, type Result } from '../base';
import { kindOf, type Offer, type PriceBook } from '../books';
import type { Component } from '../design';
import { cheapestThatFits, type Fit, type Need } from '../sizing';
import { type Case, readCase } from '../usage';
import { agreedLine } from './agreed';
import type { PriceContext } from './context';
import { chargeLines } from './charges';
import { demandsOf, type Subject } from './demands';
import { NO_GRANTS } from './grants';
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
  const where = book.region(region)!.name;
  const { why } = fit;
  if (why && why.code !== 'term.not-offered') return { ok: false, issues: [why], nearest: fit.nearest };
  const refused = why
    ? issue('need.not-sold-so', ['term'], { region: where, term: component.term })
    : issue('need.nothing-fits', ['choice'], { region: where, vcpu: need.vcpu, memory: need.memory });
  return { ok: false, issues: [refused], nearest: fit.nearest };
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

/** Neither books nor components ever change, so what fits is kept beside both, by everything else that it depends on. */
const fits = new WeakMap<PriceBook, WeakMap<Component, Map<string, Fit>>>();

function fitFor(placed: Placed, need: Need, context: PriceContext): Fit {
  const { book, component } = placed;
  const ofBook = fits.get(book) ?? new WeakMap<Component, Map<string, Fit>>();
  fits.set(book, ofBook);
  const known = ofBook.get(component) ?? new Map<string, Fit>();
  ofBook.set(component, known);
  const key = keyOf(placed, context);
  let fit = known.get(key);
  if (!fit) known.set(key, (fit = findFit(placed, need, context)));
  return fit;
}

function keyOf({ book, region, component, hoursInMonth }: Placed, context: PriceContext): string {
  const { counted, share, month = 0 } = context.allowances;
  const ends = month === 0 ? [] : allowanceMonths(book, region, component.kind);
  const ended = ends.filter((end) => end <= month).length;
  const agreed = context.agreements.length === 0 ? '' : JSON.stringify(context.agreements);
  return `${context.case} ${hoursInMonth} ${counted} ${share} ${ended} ${agreed}`;
}

/** After how many months allowances of any offer of a kind end, in a region. */
export function allowanceMonths(book: PriceBook, region: string, kind: Component['kind']): readonly number[] {
  const ofBook = monthsKnown.get(book) ?? new Map<string, readonly number[]>();
  monthsKnown.set(book, ofBook);
  const key = `${region}\n${kind}`;
  let known = ofBook.get(key);
  if (!known) {
    const rates = book.soldIn(region, kind).flatMap((offer) => book.ratesOf(offer.sku, region));
    known = [...new Set(rates.flatMap(({ allowanceMonths: months }) => months ?? []))].sort((a, b) => a - b);
    ofBook.set(key, known);
  }
  return known;
}

const monthsKnown = new WeakMap<PriceBook, Map<string, readonly number[]>>();

/** Ranked by what the line will really pay: all its units, its term, its pattern, its minimums, what was agreed. */
function findFit(placed: Placed, need: Need, context: PriceContext): Fit {
  const { book, region, component, hoursInMonth, count } = placed;
  const { term, running } = component;
  const agreed = context.agreements.some((each) => each.discount !== null);
  const hours = agreed ? null : hoursForFastPath(component, hoursInMonth, context.case);
  const inRuns = running.pattern === 'days';
  return cheapestThatFits(need, book.soldIn(region, component.kind), (offer) => {
    const fast =
      hours && unitMonthlyCost(book, offer, region, term, hours, hoursInMonth, inRuns, count.value);
    return fast?.simple && fast.cost ? ok(fast.cost) : tracedCost({ ...placed, offer }, context);
  });
}

/** The offer priced alone by the engine itself, contracted; or why it cannot be sold so. */
export function tracedCost(subject: Subject, context: PriceContext): Result<Decimal> {
  const { component, book, offer } = subject;
  const sizeFault = freeSizeFault(component, offer, context.case);
  if (sizeFault) return err(sizeFault);
  const demands = demandsOf(subject, context);
  if (!demands.ok) return demands;
  const resolved = { ...subject, demands: demands.value, notices: [] };
  const charged = chargeLines([resolved], NO_GRANTS, context.allowances, context.case);
  const line = charged.lines.get(component.id)!;
  if (!line.ok) return line;
  const owner = { component, book: book.key, currency: book.currency };
  return ok(agreedLine(line.value, owner, context).contracted.value);
}

/** A size set freely must lie within the offer's limits. */
export function freeSizeFault({ size }: Component, { limits, name }: Offer, which: Case): Issue | null {
  if (!size || !limits) return null;
  const vcpu = decimal(readCase(size.vcpu, which));
  const memory = decimal(readCase(size.memory, which));
  const refuse = (what: string, least: string, most: string): Issue =>
    issue('size.out-of-range', ['size'], { offer: name, what, least, most });
  if (vcpu.lessThan(limits.vcpuLeast) || vcpu.greaterThan(limits.vcpuMost)) {
    return refuse('vCPU', `${limits.vcpuLeast}`, `${limits.vcpuMost}`);
  }
  const least = vcpu.times(limits.memoryPerVcpuLeast);
  const most = vcpu.times(limits.memoryPerVcpuMost);
  if (memory.greaterThanOrEqualTo(least) && memory.lessThanOrEqualTo(most)) return null;
  return refuse(`GiB with ${vcpu} vCPU`, `${least}`, `${most}`);
}
