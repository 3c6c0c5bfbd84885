/**
 * From a component to what can be charged: its book, region, offer and quantities; or the reasons why there is no
 * amount. Nothing here turns a missing thing into zero.
 */
import { err, issue, type Issue, ok, type Result } from '../base';
import { head, type Offer, type PriceBook } from '../books';
import type { Component, Design } from '../design';
import { rateCard } from '../rating';
import { commitmentOf } from '../terms';
import { monthHours } from '../time';
import type { BookSet } from './book-set';
import { choose, freeSizeFault } from './choose';
import type { PriceContext } from './context';
import { type Demands, demandsOf } from './demands';
import { countOf } from './meter-context';
import { failed, type Resolution } from './resolved';
import { unreadEntries } from './unread-entries';

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
  const card = rateCard(book, offer, region);
  const subject = { ...place, book: head(book), offer, card };
  const demands = demandsOf(subject, context);
  if (!demands.ok) return failed(demands.issue);
  const notices = [
    ...demands.value.notices,
    ...noticesOf(component, offer, demands.value, context),
    ...unreadEntries(component, offer, demands.value),
    ...endsEarly(component),
  ];
  return { ok: true, value: { ...subject, demands: demands.value, notices } };
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

/** A commitment that outlasts its line: what the book's rule for leaving early asks is owed then. */
function endsEarly({ term, months }: Component): Issue[] {
  const commitment = commitmentOf(term);
  if (!commitment || !months?.to) return [];
  const used = (months.to - months.from + 1) % commitment.months;
  if (used === 0) return [];
  const values = { month: String(months.to), used: String(used), months: String(commitment.months) };
  return [issue('commitment.ends-early', ['months'], values)];
}
