/** Under what one run prices: the case, the month it stands for, and how allowances count. */
import { type Decimal, decimal, ONE } from '../base';
import type { Design } from '../design';
import { type Agreement, isInForce } from '../terms';
import type { AllowanceTerms, Case } from '../usage';
import { CostMemory } from './cost-memory';

export interface When {
  /** 0 is the first month. */
  readonly month: number;
  /** First day of that month, or null where the design has no start. */
  readonly date: string | null;
}

export interface PriceContext {
  readonly case: Case;
  readonly when: When;
  readonly allowances: AllowanceTerms;
  readonly design: Design;
  /** Agreements that hold in the month. */
  readonly agreements: readonly Agreement[];
  readonly costs: CostMemory;
}

/** `costs` is of an earlier context whose settings and case are the same. */
export function contextFor(
  design: Design,
  which: Case,
  when?: When,
  costs: CostMemory = new CostMemory(),
): PriceContext {
  const { countAllowances, allowanceShare, start } = design.assumptions;
  const at = when ?? { month: 0, date: start ? `${start}-01` : null };
  const share: Decimal = allowanceShare === undefined ? ONE : decimal(allowanceShare);
  return {
    case: which,
    when: at,
    allowances: { counted: countAllowances, share, month: at.month },
    design,
    agreements: (design.agreements ?? []).filter((each) => isInForce(each, at.date)),
    costs,
  };
}
