/**
 * Which things of a bill belong to which component: rules in their order, the first that fits takes it. Nothing is dropped:
 * what no rule takes is "not in the design". Source: pricing rules, "Bills"; needs P1, P8.
 */
import { addAll, type Decimal, decimal, ONE, ZERO } from '@/engine/base';
import { allComponents, type Design } from '@/engine/design';
import type { BillThing } from './bill';

/** All that are given have to hold. Texts take `*` for any letters, and do not mind capitals. */
export interface RuleWhen {
  readonly service?: string;
  readonly sku?: string;
  readonly meter?: string;
  readonly region?: string;
  readonly account?: string;
  readonly resource?: string;
  /** In the description, the resource's name, the service. */
  readonly text?: string;
  readonly category?: string;
  /** Without a value: the tag is there. */
  readonly tag?: { readonly key: string; readonly value?: string };
}

/** Where a shared cost goes: so many parts of it. */
export interface RuleShare {
  readonly component: string;
  readonly parts: string;
}

export interface BillRule {
  readonly id: string;
  readonly when: RuleWhen;
  /** A component's id, or several that share it. */
  readonly to: string | readonly RuleShare[];
  /** Of the component; absent: found by what the row counts. */
  readonly meter?: string;
}

export interface Taken {
  readonly thing: BillThing;
  /** Null: no rule took it. */
  readonly rule: string | null;
  readonly meter: string | null;
  /** Null: not in the design. */
  readonly component: string | null;
  /** Of its money and quantity; those of one thing add up to one. */
  readonly share: Decimal;
}

/**
 * Every thing, once or in shares. Rules that name a component the design does not have take nothing.
 *
 * @example
 * const rules = [{ id: 'web', when: { service: 'Ser*' }, to: 'a' }];
 * takeThings([thing], rules, new Set(['a'])).map(({ component, rule }) => [component, rule]); // => [['a', 'web']]
 */
export function takeThings(
  things: readonly BillThing[],
  rules: readonly BillRule[],
  components: ReadonlySet<string>,
): Taken[] {
  const tests = rules.map((rule) => ({ rule, shares: sharesOf(rule, components), fits: testOf(rule.when) }));
  return things.flatMap((thing): Taken[] => {
    const found = tests.find(({ shares, fits }) => shares.length > 0 && fits(thing));
    if (!found) return [{ thing, rule: null, meter: null, component: null, share: ONE }];
    const { rule, shares } = found;
    return shares.map(({ component, share }) => ({
      ...{ thing, rule: rule.id, meter: rule.meter ?? null, component, share },
    }));
  });
}

interface Shared {
  readonly component: string;
  readonly share: Decimal;
}

const DIGITS = 18;

/** The last has what is left, so that they are one together. */
function sharesOf({ to }: BillRule, components: ReadonlySet<string>): Shared[] {
  if (typeof to === 'string') return components.has(to) ? [{ component: to, share: ONE }] : [];
  const known = to.filter(
    ({ component, parts }) => components.has(component) && decimal(parts).greaterThan(0),
  );
  const all = addAll(known.map(({ parts }) => decimal(parts)));
  let left = ONE;
  return known.map(({ component, parts }, at) => {
    const share = at === known.length - 1 ? left : decimal(parts).dividedBy(all).toDecimalPlaces(DIGITS);
    left = left.minus(share);
    return { component, share };
  });
}

type Test = (thing: BillThing) => boolean;

function testOf(when: RuleWhen): Test {
  const tests: Test[] = [];
  for (const field of ['service', 'sku', 'meter', 'region', 'account', 'resource', 'category'] as const) {
    const pattern = when[field];
    if (pattern === undefined) continue;
    const fits = patternTest(pattern);
    tests.push((thing) => fits(thing[field]));
  }
  if (when.text !== undefined) {
    const fits = patternTest(`*${when.text}*`);
    tests.push((thing) => fits(thing.description) || fits(thing.resourceName) || fits(thing.service));
  }
  if (when.tag) {
    const { key, value } = when.tag;
    const fits = value === undefined ? null : patternTest(value);
    tests.push(({ tags }) => {
      const said = Object.hasOwn(tags, key) ? tags[key]! : null;
      return said !== null && (fits === null || fits(said));
    });
  }
  // A rule without a condition would take everything.
  return tests.length === 0 ? () => false : (thing) => tests.every((fits) => fits(thing));
}

/**
 * Whether a text fits a pattern, whatever its capitals; `*` stands for anything. Walked, not backtracked: a hostile pattern
 * takes no longer than a friendly one.
 *
 * @example
 * patternTest('VM-*-large')('vm-4-large'); // => true
 */
export function patternTest(pattern: string): (text: string) => boolean {
  const [first, ...parts] = pattern.toLowerCase().split('*');
  const last = parts.pop();
  if (last === undefined) return (text) => text.toLowerCase() === first;
  return (text) => {
    const low = text.toLowerCase();
    if (!low.startsWith(first!)) return false;
    let at = first!.length;
    for (const part of parts) {
      const found = low.indexOf(part, at);
      if (found < 0) return false;
      at = found + part.length;
    }
    return low.length - last.length >= at && low.endsWith(last);
  };
}

export interface RuleTaking {
  readonly rule: string;
  readonly things: number;
  readonly rows: number;
  readonly billed: string;
}

/**
 * What each rule takes of a bill; the last, without a rule, is what none takes.
 *
 * @example
 * const [web, none] = takingOf(takeThings([thing], [{ id: 'web', when: { sku: 'NV-*' }, to: 'a' }], new Set(['a'])), ['web']);
 * web.rows; // => 30
 * none.billed; // => '0'
 */
export function takingOf(taken: readonly Taken[], rules: readonly string[]): RuleTaking[] {
  const sums = new Map(
    [...rules, ''].map((rule) => [rule, { things: new Set<number>(), rows: 0, billed: ZERO }]),
  );
  for (const { thing, rule, share } of taken) {
    const sum = sums.get(rule ?? '')!;
    if (!sum.things.has(thing.at)) sum.rows += thing.rows;
    sum.things.add(thing.at);
    sum.billed = sum.billed.plus(share.times(thing.billed));
  }
  return [...sums].map(([rule, { things, rows, billed }]) => ({
    ...{ rule, things: things.size, rows, billed: billed.toString() },
  }));
}

/**
 * Components by their ids: a file may call them by name. What the design does not have, or has twice, stays as it is.
 *
 * @example
 * withIds([{ id: 'web', when: { sku: '*' }, to: design.sections[0].components[0].name }], design)[0].to; // => 'a'
 */
export function withIds(rules: readonly BillRule[], design: Design): BillRule[] {
  const all = allComponents(design);
  const ids = new Set(all.map(({ id }) => id));
  const idOf = (called: string): string => {
    if (ids.has(called)) return called;
    const named = all.filter(({ name }) => name === called);
    return named.length === 1 ? named[0]!.id : called;
  };
  return rules.map((rule) => ({
    ...rule,
    to:
      typeof rule.to === 'string'
        ? idOf(rule.to)
        : rule.to.map((share) => ({ ...share, component: idOf(share.component) })),
  }));
}

/**
 * What rules name and the design does not have: such rules take nothing.
 *
 * @example
 * unknownIn([{ id: 'web', when: { sku: '*' }, to: 'gone' }], design); // => [{ rule: 'web', component: 'gone' }]
 */
export function unknownIn(
  rules: readonly BillRule[],
  design: Design,
): { readonly rule: string; readonly component: string }[] {
  const ids = new Set(allComponents(design).map(({ id }) => id));
  return rules.flatMap(({ id, to }) =>
    (typeof to === 'string' ? [to] : to.map(({ component }) => component))
      .filter((component) => !ids.has(component))
      .map((component) => ({ rule: id, component })),
  );
}
