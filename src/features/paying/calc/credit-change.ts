/** Another amount of credit from a later month on: what all months come to, with and without. Needs E10, K12. */
import { decimal } from '@/engine/base';
import { priceMonths } from '@/engine/analysis';
import type { Component, Design, DesignEdit } from '@/engine/design';
import type { DesignPlan } from '@/engine/pricing';
import type { Term } from '@/engine/terms';
import { byCase } from './by-case';
import { type CreditWish, takeOnCredit } from './credit-plan';
import type { ByCase } from './model';

export interface CreditChangeWish extends CreditWish {
  readonly term: Term;
  readonly credit: string;
  /** The first is 1. */
  readonly fromMonth: number;
  readonly then: string;
}

export interface CreditChange {
  readonly currency: string;
  readonly months: number;
  /** As the months compare, exact. */
  readonly unchanged: ByCase<string>;
  readonly changed: ByCase<string>;
  /** What the change saves, likely; less than none: costs. */
  readonly saves: string;
}

/**
 * @example
 * creditChange(plan, { book: 'small', region: 'severn', sku: 'PURSE', term: '12-none', credit: '900', fromMonth: 13, then: '400' }, 24).months; // => 24
 */
export function creditChange(plan: DesignPlan, wish: CreditChangeWish, months: number): CreditChange {
  const { design, pricer } = plan;
  const whole = (changes: boolean): ByCase<string> => {
    const made = pricer.plan(withLine(design, changeLine(design, wish, changes)), plan);
    return byCase((which) => priceMonths(made, which, months).whole.monthly.toString());
  };
  const [unchanged, changed] = [whole(false), whole(true)];
  return {
    currency: design.currency,
    months,
    unchanged,
    changed,
    saves: decimal(unchanged.likely).minus(changed.likely).toString(),
  };
}

function changeLine(design: Design, wish: CreditChangeWish, changes: boolean): Component | null {
  const [added] = takeOnCredit(design, wish, wish.term, wish.credit, 'credit-change');
  if (added?.edit !== 'add-component') return null;
  const later = [{ fromMonth: wish.fromMonth, amount: wish.then }];
  return changes ? { ...added.component, later } : added.component;
}

function withLine(design: Design, line: Component | null): Design {
  const { alternatives: _, ...own } = design;
  if (!line) return own;
  return { ...own, sections: [...own.sections, { id: 'credit-change', name: '', components: [line] }] };
}

/**
 * The edits that take it on, with the change.
 *
 * @example
 * takeOnChange(design, { book: 'small', region: 'severn', sku: 'PURSE', term: '12-none', credit: '900', fromMonth: 13, then: '400' }, 'new')[0]!.edit; // => 'add-component'
 */
export function takeOnChange(design: Design, wish: CreditChangeWish, id: string): DesignEdit[] {
  const line = changeLine(design, wish, true);
  const section = design.sections[design.sections.length - 1];
  if (!line || !section) return [];
  return [
    {
      edit: 'add-component',
      section: section.id,
      index: section.components.length,
      component: { ...line, id },
    },
  ];
}
