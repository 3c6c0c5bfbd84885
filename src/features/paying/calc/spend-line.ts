/** A spend commitment as a line of a design, and what its money costs. */
import { decimal } from '@/engine/base';
import { anyOfKind, type Component, type Design } from '@/engine/design';
import type { DesignPlan } from '@/engine/pricing';
import type { Term } from '@/engine/terms';

export interface SpendWish {
  readonly book: string;
  readonly region: string;
  readonly sku: string;
  readonly term: Term;
  /** The level that is looked at; null: the calm one. */
  readonly level: string | null;
}

/** What it is called until it has an id of its own. */
export const TRIED = 'spend-plan';

/** A level is written with so many digits after the point. */
const KEPT = 6;

/**
 * Rounded up: a hair less would leave the last hour's last unit on demand.
 *
 * @example
 * writeLevel(1.23456789); // => '1.234568'
 */
export function writeLevel(level: number): string {
  const scale = 10 ** KEPT;
  return decimal((Math.ceil(level * scale - 1e-6) / scale).toPrecision(15)).toString();
}

/**
 * What each unit of committed money costs: one, where nothing is taken off or added. Of a design with the tried line.
 *
 * @example
 * costOfMoney(plan, 730); // => 1
 */
export function costOfMoney(tried: DesignPlan, hours: number): number {
  const priced = tried.pricer.price(tried, { case: 'likely' });
  const line = priced.sections.flatMap(({ lines }) => lines).find(({ id }) => id === TRIED);
  if (line?.status !== 'priced' || !line.wholeTerm) return 1;
  return line.wholeTerm.amount.dividedBy(line.wholeTerm.months).dividedBy(hours).toNumber();
}

/**
 * The design with the tried commitment in a section of its own; without one for a level of nothing.
 *
 * @example
 * withCommitment(design, { book: 'small', region: 'severn', sku: 'PLEDGE', term: '12-none', level: null }, '0').sections.length; // => 1
 */
export function withCommitment(design: Design, wish: SpendWish, level: string): Design {
  const { alternatives: _, ...own } = design;
  const section = { id: `${TRIED}-section`, name: '', components: [commitmentLine(wish, level, TRIED)] };
  return level === '0' ? own : { ...own, sections: [...own.sections, section] };
}

/**
 * @example
 * commitmentLine({ book: 'small', region: 'severn', sku: 'PLEDGE', term: '12-none', level: null }, '2', 'new').usage['committed']?.amount.likely; // => '2'
 */
export function commitmentLine({ book, region, sku, term }: SpendWish, level: string, id: string): Component {
  return {
    ...anyOfKind('spend-commitment', { book, region }, id),
    name: 'Spend commitment',
    choice: { by: 'sku', sku },
    term,
    usage: { committed: { amount: { likely: level }, unit: 'money-hour' } },
  };
}
