/**
 * Prepaid credit of a design: pays for all use of its book that is billed month by month. Every such part is
 * multiplied by what one unit of list money costs, in and beyond the credit; the credit's own line keeps what it did
 * not buy. Needs E10 to E12.
 */
import { decimal, issue, type Issue, ok, type Result } from '../base';
import { creditUse } from '../terms';
import { type Figure, given, product, sum } from '../trace';
import { type Case, readCase } from '../usage';
import type { ChargedLine, LinePart } from './charges';
import type { Resolved } from './resolved';

export interface CreditCovered {
  readonly lines: Map<string, Result<ChargedLine>>;
  readonly notices: ReadonlyMap<string, Issue[]>;
}

/** The month counts from 0; a credit may be altered from a later month on. */
export function coverByCredit(
  resolved: readonly Resolved[],
  charged: ReadonlyMap<string, Result<ChargedLine>>,
  which: Case,
): CreditCovered {
  const lines = new Map(charged);
  const notices = new Map<string, Issue[]>();
  for (const credit of resolved.filter((each) => each.component.kind === 'prepaid-credit')) {
    const own = lines.get(credit.component.id)!;
    if (!own.ok) continue;
    const { currency } = credit.book;
    const covered = resolved.filter((each) => each.book.key === credit.book.key && isPayable(each));
    const payable = covered.flatMap((each) => {
      const line = lines.get(each.component.id)!;
      return line.ok ? line.value.parts.filter(isMonthly).map((part) => part.monthly) : [];
    });
    const amount = given(
      'Credit a month',
      decimal(readCase(credit.component.usage.credit!.amount, which)).times(credit.count.value),
      currency,
    );
    const cost = own.value.parts.find((part) => part.meter === 'credit')!.monthly;
    const overage = creditRate(credit)?.overage ?? null;
    const spend = sum('All use it may pay for, at list', currency, payable);
    const use = creditUse(amount, cost, spend, overage, currency);
    for (const each of covered) {
      const line = lines.get(each.component.id)!;
      if (line.ok) lines.set(each.component.id, ok(multiplied(line.value, use.factor)));
    }
    lines.set(credit.component.id, ok(onlyUnused(own.value, use.unused)));
    if (!use.unused.value.isZero()) {
      const values = { amount: use.unused.value.toDecimalPlaces(2).toString(), currency };
      notices.set(credit.component.id, [issue('credit.unused', [], values)]);
    }
  }
  return { lines, notices };
}

function creditRate({ book, offer, region, component, demands }: Resolved) {
  return book.rate(offer.sku, region, 'credit', component.term) ?? demands.onDemand[0]?.rate;
}

const NOT_PAYABLE = new Set(['prepaid-credit', 'spend-commitment', 'support-plan', 'custom']);

function isPayable({ component }: Resolved): boolean {
  return !NOT_PAYABLE.has(component.kind);
}

function isMonthly(part: LinePart): boolean {
  return part.upfront.isZero() && part.once.isZero() && part.meter !== 'own-licences';
}

function multiplied(line: ChargedLine, factor: Figure): ChargedLine {
  const parts = line.parts.map((part) => {
    if (!isMonthly(part)) return part;
    const monthly = product(
      part.monthly.label,
      part.monthly.unit,
      [part.monthly, factor],
      'with prepaid credit',
    );
    return { ...part, monthly, recurring: monthly.value };
  });
  return { ...line, parts };
}

function onlyUnused(line: ChargedLine, unused: Figure): ChargedLine {
  const parts = line.parts.map((part) =>
    part.meter === 'credit' ? { ...part, monthly: unused, recurring: unused.value, wholeTerm: null } : part,
  );
  return { ...line, parts };
}
