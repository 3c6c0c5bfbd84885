/**
 * Licences that are brought along: their own yearly cost, where it is stated, in the design's currency and therefore
 * added after the exchange. No agreement and no share of spend counts it. Needs I7 to I9.
 */
import { decimal, ONE, ZERO } from '../base';
import type { Component } from '../design';
import { type Figure, given, product, quotient, sum } from '../trace';
import { type Case, readCase } from '../usage';

/** The month of all units; null: no cost is stated. */
export function ownLicences(
  component: Component,
  count: Figure,
  currency: string,
  which: Case,
): Figure | null {
  const yearly = (component.licences ?? [])
    .filter((each) => each.how === 'brought' && each.ownYearly)
    .map((each) => decimal(readCase(each.ownYearly!, which)));
  if (yearly.length === 0) return null;
  const all = yearly.reduce((total, each) => total.plus(each), ZERO);
  const year = product('Own licences in a year', currency, [
    count,
    given('Each unit in a year', all, `${currency} each`),
    ...(component.allocated
      ? [given('Allocated to this design', decimal(readCase(component.allocated, which)), '')]
      : []),
  ]);
  return quotient('Own licences', currency, [year, given('Months in a year', ONE.times(12), 'month')]);
}

export function withOwn(figure: Figure, own: Figure | null): Figure {
  return own ? sum('With own licences', own.unit, [figure, own]) : figure;
}
