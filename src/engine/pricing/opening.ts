/**
 * The first step of pricing, each component by itself: what can be charged and in which currency, or why there is no
 * amount. Own lines are priced at once, since no book and no other line has a say in them.
 */
import { roleOf } from '../books';
import type { Issue } from '../base';
import type { Component } from '../design';
import type { Figure } from '../trace';
import { agreedLine } from './agreed';
import type { BookSet } from './book-set';
import type { PriceContext } from './context';
import { customLine } from './custom-line';
import { exchangeStep } from './exchange';
import type { Granted } from './grants';
import type { PricedLine, UnpricedComponent } from './priced';
import { resolveComponent } from './resolve';
import type { Resolved } from './resolved';

/** A component that can be charged. Kept from run to run: whatever is the same object is the same calculation. */
export interface Open {
  readonly value: Resolved;
  /** Turns the book's currency into the design's; null: they are one. */
  readonly step: Figure | null;
  /** Allowances that its units bring to others. */
  readonly grants: readonly Granted[];
}

export function openComponent(
  component: Component,
  books: BookSet,
  context: PriceContext,
): Open | PricedLine {
  const { design } = context;
  const fault = component.faults?.[context.case];
  if (fault) return unpriced(component.id, [fault]);
  if (roleOf(component.kind) === 'own-line') return customPriced(component, context);
  const resolution = resolveComponent(component, books, context);
  if (!resolution.ok) return unpriced(component.id, resolution.issues, resolution.nearest);
  const { value } = resolution;
  const { exchange, start } = design.assumptions;
  const date = start ? `${start}-01` : null;
  const step = exchangeStep(value.book.currency, design.currency, exchange, date);
  if (!step.ok) return unpriced(component.id, [step.issue]);
  return { value, step: step.value, grants: grantsOf(value) };
}

const NO_GRANTED: readonly Granted[] = [];

function grantsOf({ offer, book, region, component, count }: Resolved): readonly Granted[] {
  if (!offer.grants?.length) return NO_GRANTED;
  return offer.grants.map((grant) => ({
    grant,
    book: book.key,
    region,
    by: component.name,
    units: count.value,
  }));
}

function customPriced(component: Component, context: PriceContext): PricedLine {
  const line = customLine(component, context);
  if (!line.ok) return unpriced(component.id, [line.issue]);
  const { currency } = context.design;
  const agreed = agreedLine(line.value, { component, book: '', currency }, context);
  return {
    status: 'priced',
    id: component.id,
    kind: component.kind,
    offer: null,
    book: null,
    monthly: agreed.contracted,
    list: agreed.list,
    resale: agreed.resale,
    inBook: agreed.contracted,
    parts: agreed.parts,
    exchange: null,
    recurring: agreed.recurring,
    upfront: agreed.upfront.plus(agreed.once),
    once: agreed.once,
    renews: null,
    wholeTerm: null,
    onDemand: null,
    count: line.value.count.value,
    early: null,
    ahead: [],
    notices: agreed.notices,
  };
}

export function unpriced(
  id: string,
  issues: readonly Issue[],
  nearest: UnpricedComponent['nearest'] = [],
): UnpricedComponent {
  return { status: 'unpriced', id, issues, nearest };
}
