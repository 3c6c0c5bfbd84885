/** The checklist of a design: every rule, what it found, and what was answered. */
import { allComponents, anyOfKind, type Component, type Design } from '@/engine/design';
import { casesOf, type DesignPlan } from '@/engine/pricing';
import { COMPANION_CHECKS, COMPANION_KINDS } from './companions';
import { DESIGN_CHECKS } from './design-checks';
import { LINE_CHECKS } from './line-checks';
import type { Check, CheckContext, Finding } from './model';
import { outsideResidence } from './residence';
import { SAVINGS } from './savings';
import { unbounded } from './unbounded';
import { USE_CHECKS } from './use-checks';

export type { Finding } from './model';
export { environmentOf } from './environments';
export { withCheapestOffer } from './placed-offer';
export { untouchedOf } from './untouched';

export const CHECKS: readonly Check[] = [
  ...LINE_CHECKS,
  ...USE_CHECKS,
  ...COMPANION_CHECKS,
  ...DESIGN_CHECKS,
  outsideResidence,
  unbounded,
  ...SAVINGS,
];

/**
 * @example
 * checkTitle('no-second-zone'); // => 'Stands only once'
 */
export function checkTitle(check: string): string {
  return CHECKS.find((each) => each.check === check)?.title ?? check;
}

/**
 * Everything the rules find in a planned design, in the order of the rules. `newId` names the parts that remedies add. The books should
 * hold all offers of `lookedAt(design)`; a remedy whose offers are not there is left out.
 *
 * @example
 * findingsOf(plan, () => 'new').map(({ check }) => check).includes('no-backup'); // => false
 */
export function findingsOf(plan: DesignPlan, newId: () => string): Finding[] {
  const { design } = plan;
  const { books } = plan.pricer;
  const cases = casesOf(plan);
  const lines = design.sections.flatMap((section, at) =>
    section.components.map((component, row) => ({
      component,
      section: section.id,
      line: cases.likely.sections[at]!.lines[row]!,
    })),
  );
  const context: CheckContext = {
    plan,
    design,
    books,
    cases,
    lines,
    newId,
    bookOf: ({ place }) => {
      const pin = design.books.find((each) => each.book === place?.book);
      return pin && books.get(pin.book, pin.revision);
    },
  };
  const answers = new Map(
    (design.answers ?? []).map((each) => [`${each.check}\n${each.subject}`, each.reason]),
  );
  return CHECKS.flatMap(({ check, title, reason, find }) =>
    find(context).map((found) => ({
      ...found,
      check,
      title,
      reason,
      answered: answers.get(`${check}\n${found.subject}`) ?? null,
    })),
  );
}

/**
 * Parts whose whole kind must be in the books for the remedies: what could be added, and what could be cheaper.
 *
 * @example
 * lookedAt(design)[0]?.id; // => 'a'
 */
export function lookedAt(design: Design): Component[] {
  const places = new Map(
    allComponents(design).flatMap(({ place }) => (place ? [[`${place.book}/${place.region}`, place]] : [])),
  );
  const wished = [...places.values()].flatMap((place) =>
    COMPANION_KINDS.map((kind) => anyOfKind(kind, place, `${kind}/${place.book}/${place.region}`)),
  );
  return [...allComponents(design).filter(({ choice }) => choice.by === 'sku'), ...wished];
}
