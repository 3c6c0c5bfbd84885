/** Which offer a component takes: the one named, or the cheapest that fits under its own pattern and terms. */
import { type Decimal, decimal, err, issue, type Issue, ok, ONE, type Result } from '../base';
import { type Kind, kindOf, type Offer, type PriceBook } from '../books';
import type { Component } from '../design';
import { offerIndex, rateCard, type RunningHours, unitMonthlyCost } from '../rating';
import { cheapestThatFits, type Fit, lacksOf, type Need } from '../sizing';
import type { Agreement } from '../terms';
import { type Case, readCase, runningHours } from '../usage';
import { agreedLine } from './agreed';
import type { PriceContext } from './context';
import { askedBy } from './cost-memory';
import { chargeLines } from './charges';
import { demandsOf, type PricedSubject } from './demands';
import { NO_GRANTS } from './grants';
import { failed, type Unresolved } from './resolved';

export type Chosen = { readonly ok: true; readonly offer: Offer } | ({ readonly ok: false } & Unresolved);

export interface Placed extends Omit<PricedSubject, 'offer' | 'card' | 'book'> {
  readonly book: PriceBook;
}

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

/** Ranked by what the line will really pay: all its units, its term, its pattern, its minimums, what was agreed. */
function fitFor(placed: Placed, need: Need, context: PriceContext): Fit {
  const hours = fastHours(placed, context);
  const costs = costsOf(placed, context);
  if (!hours) return cheapestThatFits(need, offersFor(placed), (offer) => costs(offer, null));
  const { book, region, component } = placed;
  const { term, inRuns, inMonth } = hours;
  const index = offerIndex(book, { region, kind: component.kind, term, inRuns, hoursInMonth: inMonth });
  const best = index.cheapest(need);
  const others = index.others.filter((offer) => lacksOf(need, offer).length === 0);
  // Otherwise the misses matter and the reasons for them, or there is more than a price to compare.
  if (best && others.length === 0) return { fits: true, offer: best.offer };
  const candidates = best ? [best.offer, ...others] : offersFor(placed);
  // An agreement is in what the engine says, not in the fast cost.
  const fast = context.agreements.length === 0 ? hours : null;
  return cheapestThatFits(need, candidates, (offer) => costs(offer, fast));
}

function offersFor({ book, region, component }: Placed): readonly Offer[] {
  return book.soldIn(region, component.kind);
}

type FastHours = Required<RunningHours>;

/** The hours of a component whose candidates can be compared by hours × price; null: not of that sort. */
function fastHours(placed: Placed, context: PriceContext): FastHours | null {
  const { book, component, hoursInMonth, count } = placed;
  const { kind, running, term, size, licences, committed, allocated } = component;
  const plain = running.pattern === 'always' || running.pattern === 'hours' || running.pattern === 'days';
  if (!kindOf(kind).ranked || !plain || term === 'interruptible') return null;
  if (size || licences?.length || committed || allocated) return null;
  if (!discountsAlike(context.agreements, book, kind)) return null;
  const hours = runningHours(running, hoursInMonth, context.case);
  // What costs nothing is in no order by its price.
  if (!hours.ok || hours.value.value.isZero() || count.value.isZero()) return null;
  const inRuns = running.pattern === 'days';
  return { term, run: hours.value.value, inMonth: hoursInMonth, inRuns, count: count.value };
}

/** Whether what was agreed leaves offers of a kind in the order of their list prices: one share off all of them, or none. */
function discountsAlike(agreements: readonly Agreement[], { key }: PriceBook, kind: Kind): boolean {
  const { serviceCategory } = kindOf(kind);
  const holds = (list: readonly string[], value: string): boolean =>
    list.length === 0 || list.includes(value);
  return agreements.every(({ covers, discount }) => {
    const reaches =
      holds(covers.books, key) && holds(covers.categories, serviceCategory) && holds(covers.kinds, kind);
    if (!discount || !reaches) return true;
    return discount.by === 'share' && covers.skus.length === 0 && decimal(discount.share).lessThan(ONE);
  });
}

type Costs = (offer: Offer, hours: FastHours | null) => Result<Decimal>;

function costsOf(placed: Placed, context: PriceContext): Costs {
  const { book, region, component } = placed;
  let asked: string | null = null;
  return (offer, hours) => {
    const card = rateCard(book, offer, region);
    const fast = hours && unitMonthlyCost(card, hours);
    if (fast?.simple && fast.cost) return ok(fast.cost);
    asked ??= askedBy(component);
    return context.costs.cost(`${book.key} ${book.revision} ${region} ${offer.sku}`, asked, () =>
      tracedCost({ ...placed, offer, card }, context),
    );
  };
}

/** The offer priced alone by the engine itself, contracted; or why it cannot be sold so. */
export function tracedCost(subject: PricedSubject, context: PriceContext): Result<Decimal> {
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
