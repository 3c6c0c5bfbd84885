/**
 * Shares of spend (support plans, fees on other parts) are priced after everything else, on contracted amounts. One
 * that is taken of another waits for it; books with a circle are refused at import, and one across books says so.
 */
import { err, issue, type Issue, ok, type Result, ZERO } from '../base';
import { head, type Kind, roleOf } from '../books';
import { chargeFor, type SpendBase } from '../rates';
import { type Figure, quotient, relabel, sum } from '../trace';
import type { ChargedLine } from './charges';
import { type LinePart, nothing, plainPart } from './line-part';
import { rateSource } from './claim';
import type { Resolved } from './resolved';

/** A line that is already priced: its contracted month in the design's currency and in its book's. */
export interface SpentLine {
  readonly kind: Kind;
  readonly book: string;
  readonly name: string;
  readonly inBook: Figure;
  readonly inDesign: Figure;
}

const takesShare = (kind: Kind): boolean => roleOf(kind) === 'share-of-spend';

export function isShareOfSpend({ demands }: Resolved): boolean {
  return demands.onDemand.some(({ rate }) => rate.charge.structure === 'share-of-spend');
}

/** Which of `waiting` can be priced now: those whose base holds no other that waits. */
export function nextShare(waiting: readonly Resolved[]): Resolved | undefined {
  return waiting.find((each) => {
    const base = baseOf(each);
    return (
      !base || !waiting.some((other) => other !== each && covers(base, other.component.kind, each, other))
    );
  });
}

function baseOf({ demands }: Resolved): SpendBase | null {
  for (const { rate } of demands.onDemand) {
    if (rate.charge.structure === 'share-of-spend') return rate.charge.base;
  }
  return null;
}

function covers(base: SpendBase, kind: Kind, from: Resolved, of: Resolved): boolean {
  if (base.over === 'provider' && from.book.key !== of.book.key) return false;
  return base.kinds.length === 0 ? !takesShare(kind) : base.kinds.includes(kind);
}

/** `step` turns the book's currency into the design's; null: they are one. */
export function chargeShare(
  resolved: Resolved,
  lines: readonly SpentLine[],
  step: Figure | null,
): { line: Result<ChargedLine>; notices: Issue[] } {
  const base = baseOf(resolved);
  const { currency } = resolved.book;
  if (!base) return { line: err(issue('spend.cyclic', [])), notices: [] };
  const own = lines.filter(
    (line) =>
      (base.over === 'design' || line.book === resolved.book.key) &&
      (base.kinds.length === 0 ? !takesShare(line.kind) : base.kinds.includes(line.kind)),
  );
  const amounts = own.map((line) => {
    const figure = line.book === resolved.book.key ? line.inBook : inCurrency(line.inDesign, step, currency);
    return relabel(figure, line.name);
  });
  const spend = sum('Spend it is taken of, after discounts', currency, amounts);
  const parts: LinePart[] = [];
  for (const demand of resolved.demands.onDemand) {
    const context = {
      unit: demand.rate.unit,
      currency,
      source: rateSource(demand.rate, head(resolved.book)),
    };
    const isShare = demand.rate.charge.structure === 'share-of-spend';
    const use = isShare ? { quantity: spend } : demand.use;
    const figure = chargeFor(demand.rate.charge, use, context);
    if (!figure.ok) return { line: figure, notices: [] };
    const { charge } = demand.rate;
    const once = charge.structure === 'flat' && charge.once;
    const label = relabel(figure.value, demand.label);
    parts.push({
      ...plainPart(demand.meter, resolved.offer.sku, demand.rate.unit, once ? nothing(label) : label, null),
      once: once ? figure.value.value : ZERO,
    });
  }
  const notices = own.length === 0 ? [issue('support.nothing-covered', [])] : [];
  return { line: ok({ parts, onDemand: null }), notices };
}

function inCurrency(figure: Figure, step: Figure | null, currency: string): Figure {
  return step ? quotient(`In ${currency}`, currency, [figure, step]) : figure;
}
