/** Own lines: meters, prices and structure that a person enters where no book has them, in the design's currency. */
import { decimal, err, issue, ok, type Result, ZERO } from '../base';
import type { Component } from '../design';
import { type ChargeContext, chargeFor, readCharge } from '../rates';
import { type Figure, product, relabel } from '../trace';
import { afterAllowance, type Case, enteredIn, readCase } from '../usage';
import type { ChargedLine } from './charges';
import { type LinePart, nothing, plainPart } from './line-part';
import type { PriceContext } from './context';
import { countOf } from './meter-context';

/** Refused: `usage.missing` without a charge, and what the structures refuse. */
export function customLine(
  component: Component,
  context: PriceContext,
): Result<ChargedLine & { count: Figure }> {
  const count = countOf(component, context.case);
  if (!count.ok) return count;
  const charges = component.custom ?? [];
  if (charges.length === 0) return err(issue('usage.missing', ['custom'], { meter: 'What it costs' }));
  const parts: LinePart[] = [];
  for (const [index, row] of charges.entries()) {
    const part = customPart(component.id, row, index, count.value, context);
    if (!part.ok) return part;
    parts.push(part.value);
  }
  return ok({ parts, onDemand: null, count: count.value });
}

type Row = NonNullable<Component['custom']>[number];

function customPart(
  id: string,
  row: Row,
  index: number,
  count: Figure,
  context: PriceContext,
): Result<LinePart> {
  const { currency } = context.design;
  const amount = decimal(readCase(row.amount, context.case satisfies Case));
  if (amount.isNegative()) {
    return err(issue('quantity.negative', ['custom', index], { amount: amount.toString() }));
  }
  const input = { component: id, entry: `custom/${index}` };
  const each = enteredIn(row.amount, context.case, { label: `${row.label}, each`, unit: row.unit, input });
  const charge = readCharge(row.charge);
  const flat = charge.structure === 'flat';
  const all = flat ? count : product('For all units', row.unit, [count, each]);
  const included = { amount: row.allowance === undefined ? null : decimal(row.allowance) };
  const quantity = afterAllowance(all, included, context.allowances);
  const source = { book: 'entered by hand', revision: 0, effective: '', sku: 'own line', region: '' };
  const use = { quantity, sizes: [{ size: each, count }] };
  const priced: ChargeContext = { unit: row.unit, currency, source };
  const figure = chargeFor(charge, use, priced);
  if (!figure.ok) return figure;
  const label = relabel(figure.value, row.label);
  const once = flat && charge.once;
  return ok({
    ...plainPart(`custom-${index + 1}`, '', row.unit, once ? nothing(label) : label, flat ? null : all),
    once: once ? figure.value.value : ZERO,
  });
}
