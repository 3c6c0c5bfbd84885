/** A draft of rules out of a bill and a design: what both say alike, ranked by the money it would take. Needs P1, P8. */
import { addAll, decimal, type Decimal } from '@/engine/base';
import { allComponents, type Design } from '@/engine/design';
import type { BillThing } from './bill';
import type { ExpectedMeter } from './expected';
import { type BillRule, type RuleWhen, takeThings } from './rules';

export type RuleEvidence = 'tag' | 'resource' | 'sku' | 'name';

export interface DraftRule {
  readonly rule: BillRule;
  readonly evidence: RuleEvidence;
  readonly rows: number;
  readonly billed: string;
}

interface Candidate {
  readonly when: RuleWhen;
  readonly component: string;
  readonly evidence: RuleEvidence;
}

const RANK: readonly RuleEvidence[] = ['tag', 'resource', 'sku', 'name'];

/**
 * For things that no rule takes yet. Better evidence first; within it the rule that takes most money. None that takes nothing.
 *
 * @example
 * const meters = expectedBill(design, books, { from: '2026-11-01', to: '2026-12-01' }, 'USD').meters;
 * draftRules([{ ...thing, sku: meters[0].sku }], design, meters).map(({ rule, evidence }) => [rule.to, evidence]); // => [['a', 'sku']]
 */
export function draftRules(
  things: readonly BillThing[],
  design: Design,
  expected: readonly ExpectedMeter[],
): DraftRule[] {
  const components = new Set(allComponents(design).map(({ id }) => id));
  const charged = things.filter(({ category }) => category === 'Usage' || category === 'Purchase');
  const candidates = [
    ...new Map(charged.flatMap((thing) => candidatesFor(thing, design, expected))).values(),
  ];
  const rules = candidates.map(({ when, component, evidence }, at) => ({
    evidence,
    rule: { id: `draft-${at + 1}`, when, to: component },
  }));
  const weighed = rules
    .map((each) => ({ ...each, ...weightOf(things, each.rule, components) }))
    .sort((a, b) => RANK.indexOf(a.evidence) - RANK.indexOf(b.evidence) || b.money.comparedTo(a.money));
  // What a better one takes already is no reason for another.
  let left = things;
  return weighed.flatMap(({ rule, evidence }): DraftRule[] => {
    const taken = takeThings(left, [rule], components);
    const own = taken.filter((each) => each.component !== null);
    if (own.length === 0) return [];
    left = taken.filter(({ component }) => component === null).map(({ thing }) => thing);
    const billed = addAll(own.map(({ thing }) => decimal(thing.billed))).toString();
    return [{ rule, evidence, billed, rows: own.reduce((sum, { thing }) => sum + thing.rows, 0) }];
  });
}

function weightOf(
  things: readonly BillThing[],
  rule: BillRule,
  components: ReadonlySet<string>,
): { readonly money: Decimal } {
  const taken = takeThings(things, [rule], components).filter(({ component }) => component !== null);
  return { money: addAll(taken.map(({ thing }) => decimal(thing.effective).abs())) };
}

function candidatesFor(
  thing: BillThing,
  design: Design,
  expected: readonly ExpectedMeter[],
): [string, Candidate][] {
  const found: Candidate[] = [];
  const all = allComponents(design);
  for (const [key, value] of Object.entries(thing.tags)) {
    const named = only(all.filter(({ id, name }) => isAlike(value, id) || isAlike(value, name)));
    if (named) found.push({ when: { tag: { key, value } }, component: named.id, evidence: 'tag' });
    const tagged = only(all.filter(({ tags }) => tags?.[key] === value));
    if (tagged) found.push({ when: { tag: { key, value } }, component: tagged.id, evidence: 'tag' });
  }
  const resource = only(
    all.filter(({ id, name }) => isAlike(thing.resource, id) || isAlike(thing.resourceName, name)),
  );
  if (resource && thing.resource)
    found.push({ when: { resource: thing.resource }, component: resource.id, evidence: 'resource' });
  const { sku, region } = thing;
  const sold = [
    ...new Set(expected.filter((each) => sku !== '' && each.sku === sku).map(({ component }) => component)),
  ];
  const here = [
    ...new Set(
      expected
        .filter((each) => sku !== '' && each.sku === sku && each.region === region)
        .map(({ component }) => component),
    ),
  ];
  if (only(sold)) found.push({ when: { sku }, component: sold[0]!, evidence: 'sku' });
  else if (only(here)) found.push({ when: { sku, region }, component: here[0]!, evidence: 'sku' });
  const named = only(
    all.filter(({ name }) => [thing.description, thing.resourceName].some((text) => holds(text, name))),
  );
  if (named && thing.service)
    found.push({ when: { service: thing.service, text: named.name }, component: named.id, evidence: 'name' });
  return found.map((each) => [JSON.stringify([each.when, each.component]), each]);
}

const only = <T>(all: readonly T[]): T | undefined => (all.length === 1 ? all[0] : undefined);
const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[\s_.-]+/g, ' ')
    .trim();
const isAlike = (a: string, b: string): boolean => a !== '' && plain(a) === plain(b);
const holds = (text: string, name: string): boolean =>
  plain(name).length > 3 && plain(text).includes(plain(name));
