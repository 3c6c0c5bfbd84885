/**
 * From a component to what can be charged: its book, region, offer and quantities; or the reasons why there is no
 * amount. Nothing here turns a missing thing into zero.
 */
import { decimal, err, issue, type Issue, ok, type Result } from '../base';
import type { Offer, PriceBook } from '../books';
import type { Component, Design } from '../design';
import { monthHours } from '../time';
import { type Case, readCase } from '../usage';
import type { BookSet } from './book-set';
import { choose } from './choose';
import type { PriceContext } from './context';
import { type Demands, demandsOf } from './demands';
import { countOf } from './meter-context';
import { failed, type Resolution } from './resolved';

export function resolveComponent(component: Component, books: BookSet, context: PriceContext): Resolution {
  const { design } = context;
  const placed = placeOf(component, design, books);
  if (!placed.ok) return failed(placed.issue);
  const { book, region } = placed.value;
  const count = countOf(component, context.case);
  if (!count.ok) return failed(count.issue);
  const hoursInMonth = monthHours(design.assumptions.month, book.monthHours);
  const place = { component, book, region, count: count.value, hoursInMonth };
  const chosen = choose(place, context);
  if (!chosen.ok) return chosen;
  const { offer } = chosen;
  const sizeFault = freeSizeFault(component, offer, context.case);
  if (sizeFault) return failed(sizeFault);
  const demands = demandsOf({ ...place, offer }, context);
  if (!demands.ok) return failed(demands.issue);
  const notices = [...demands.value.notices, ...noticesOf(component, offer, demands.value, context)];
  return { ok: true, value: { ...place, offer, demands: demands.value, notices } };
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

/** A size set freely must lie within the offer's limits. */
function freeSizeFault({ size }: Component, { limits, name }: Offer, which: Case): Issue | null {
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

function noticesOf(
  component: Component,
  offer: Offer,
  demands: Demands,
  { allowances }: PriceContext,
): Issue[] {
  const notices: Issue[] = [];
  if (offer.lifecycle === 'retiring') {
    const values = { offer: offer.name, date: offer.retires ?? '', instead: offer.replacedBy ?? '' };
    notices.push(issue('offer.retiring', ['choice'], values));
  }
  if (component.term === 'interruptible' && !component.mayBeStopped) {
    notices.push(issue('interruptible.not-allowed', ['term'], { offer: offer.name }));
  }
  for (const { rate, label } of demands.onDemand) {
    const ends = rate.allowanceMonths;
    if (!allowances.counted || rate.allowance === null || ends == null) continue;
    const values = { meter: label, months: String(ends) };
    notices.push(issue('allowance.ended', ['usage', rate.meter], values));
  }
  return notices;
}
