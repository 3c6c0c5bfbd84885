/** Allowances: a quantity that is included before charging begins. Source: "Allowance"; needs K8. */
import type { Decimal } from '../base';
import { difference, type Figure, given, greatest, relabel } from '../trace';
import { ZERO } from '../base';

/** What is left to charge of `quantity`: max(0, quantity − allowance), or all of it when allowances are ignored. */
export function afterAllowance(quantity: Figure, allowance: Decimal | null, counted: boolean): Figure {
  if (allowance === null) return quantity;
  if (!counted)
    return relabel(quantity, quantity.label, `allowance of ${allowance} ${quantity.unit} not counted`);
  const left = difference('Less the allowance', quantity.unit, [
    quantity,
    given('Included each month', allowance, quantity.unit),
  ]);
  return greatest('Charged after the allowance', quantity.unit, [
    left,
    given('Never below', ZERO, quantity.unit),
  ]);
}
