/** Prices both sides of an extract and holds them against one another, resource by resource. Source: "Change review". */
import { addAll, type Decimal, decimal, ZERO } from '@/engine/base';
import { kindOf } from '@/engine/books';
import type { Component } from '@/engine/design';
import { type BookSet, createPricer, type DesignPlan, type PricedLine, type Pricer } from '@/engine/pricing';
import { type Case } from '@/engine/usage';
import { designsOf, type ReviewDesigns, type ReviewSetting, ROOT } from './designs';
import { doubtsOfLine, missingUse } from './doubts';
import type { Extract, MappedLine, MappedResource, MappedSide, ReadAttribute } from './extract';
import { heldId } from './held';
import type { LoadProfile } from './load-profile';
import type { Doubt, HeldRow, Review, ReviewLine, ReviewRow, ReviewState } from './model';
import { type PricedSide, sideOf } from './priced-side';
import { sumsOf, totalsOf } from './review-totals';
import { spanOf } from './span';

export interface ReviewAsked {
  readonly extract: Extract;
  readonly profile: LoadProfile;
  readonly setting: ReviewSetting;
  readonly books: BookSet;
  readonly case?: Case;
  /** A review over the same books: what is the same in it is not priced again. */
  readonly from?: PricedReview;
}

/** Both sides, priced: whoever opens an amount asks these. */
export interface PricedReview {
  readonly review: Review;
  readonly before: DesignPlan;
  readonly after: DesignPlan;
}

/**
 * @example
 * reviewOf({ extract, profile: { title: '', loads: [] }, setting, books }).review.totals.difference; // => '0'
 */
export function reviewOf({
  extract,
  profile,
  setting,
  books,
  case: which = 'likely',
  from,
}: ReviewAsked): PricedReview {
  const designs = designsOf(extract, profile, setting);
  const pricer = from?.after.pricer.books === books ? from.after.pricer : createPricer(books);
  const after = pricer.plan(designs.after, from?.after);
  const last = sideOf(after, which);
  // What did not change is taken over.
  const before = pricer.plan(designs.before, after);
  const sides = { before: sideOf(before, which), after: last };
  const rows = extract.resources.map((resource) => rowOf(resource, sides, pricer, setting, which));
  const counts = (doubt: Doubt): number => rows.filter(({ doubts }) => doubts.includes(doubt)).length;
  return {
    before,
    after,
    review: {
      currency: setting.currency,
      form: extract.form,
      map: extract.map,
      rows,
      totals: totalsOf(rows, sides),
      doubts: {
        'no-rule': counts('no-rule'),
        'no-price': counts('no-price'),
        unknown: counts('unknown'),
        secret: counts('secret'),
        'rule-fault': counts('rule-fault'),
        'usage-missing': counts('usage-missing'),
      },
      free: rows.filter(({ free }) => free !== null).length,
      withoutRule: withoutRule(rows),
      unreached: profile.loads.flatMap(({ address }, at) => (designs.used.has(at) ? [] : [address])),
      remarks: extract.remarks,
      held: heldRows(profile, designs.held, sides),
    },
  };
}

function heldRows(
  { held = [] }: LoadProfile,
  uses: ReviewDesigns['held'],
  { before, after }: Sides,
): HeldRow[] {
  return held.map(({ name, units }, at) => {
    const id = heldId(at);
    const paid = (side: PricedSide): Decimal | null =>
      side.lines.has(id) ? (side.printed.get(id) ?? null) : ZERO;
    const [was, is] = [paid(before), paid(after)];
    return {
      ...{ name, units, before: uses.before[at] ?? null, after: uses.after[at] ?? null },
      paid: was && is && sumsOf(was, is),
    };
  });
}

interface Sides {
  readonly before: PricedSide;
  readonly after: PricedSide;
}

function rowOf(
  resource: MappedResource,
  sides: Sides,
  pricer: Pricer,
  setting: ReviewSetting,
  which: Case,
): ReviewRow {
  const { address, movedFrom, module, type, action, under, before, after } = resource;
  const lines = linesOf(resource, sides, pricer, setting, which);
  const whole = lines.filter(({ half }) => !half);
  const sum = (side: 'before' | 'after'): Decimal => addAll(whole.map((line) => decimal(line[side] ?? '0')));
  const [was, is] = [sum('before'), sum('after')];
  const without = [before, after].some((side) => side?.is === 'no-rule');
  return {
    address,
    movedFrom,
    module: module === '' ? ROOT : module,
    type,
    action,
    under,
    state: stateOf(resource, was, is, whole.length < lines.length),
    before: was.toString(),
    after: is.toString(),
    difference: is.minus(was).toString(),
    free: freeOf(after ?? before),
    doubts: [
      ...new Set([...(without ? (['no-rule'] as const) : []), ...lines.flatMap(({ doubts }) => doubts)]),
    ],
    lines,
    read: [...resource.read].sort((a, b) => Number(differs(b)) - Number(differs(a))),
  };
}

const differs = ({ before, after, unknown }: ReadAttribute): boolean => unknown || before !== after;

const freeOf = (side: MappedSide | null): string | null => (side?.is === 'free' ? side.why : null);

function stateOf({ before, after }: MappedResource, was: Decimal, is: Decimal, isOpen: boolean): ReviewState {
  if (before === null) return 'new';
  if (after === null) return 'gone';
  if (isOpen) return 'open';
  const order = is.comparedTo(was);
  return order > 0 ? 'up' : order < 0 ? 'down' : 'same';
}

function linesOf(
  { before, after }: MappedResource,
  sides: Sides,
  pricer: Pricer,
  setting: ReviewSetting,
  which: Case,
): ReviewLine[] {
  const [was, is] = [mappedLines(before), mappedLines(after)];
  const parts = [...new Set([...is.keys(), ...was.keys()])];
  return parts.map((part) => {
    const [first, last] = [was.get(part) ?? null, is.get(part) ?? null];
    const [old, now] = [componentOf(first), componentOf(last)];
    const priced = {
      before: old ? (sides.before.lines.get(old.id) ?? null) : null,
      after: now ? (sides.after.lines.get(now.id) ?? null) : null,
    };
    const amounts = {
      before: old ? (sides.before.printed.get(old.id)?.toString() ?? null) : null,
      after: now ? (sides.after.printed.get(now.id)?.toString() ?? null) : null,
    };
    const shown = now ?? old;
    const said = last ?? first;
    const missing = now ? missingUse(now, priced.after, pricer.books, setting) : [];
    return {
      id: shown?.id ?? part,
      part: part === '' ? null : part,
      kind: shown?.kind ?? null,
      book: shown?.place?.book ?? null,
      region: shown?.place?.region ?? null,
      size: { before: sizeOf(priced.before, old), after: sizeOf(priced.after, now) },
      ...amounts,
      half: first !== null && last !== null && (amounts.before === null) !== (amounts.after === null),
      doubts: doubtsOfLine([first, last], [priced.before, priced.after], missing),
      issues: [priced.after, priced.before].flatMap((line) =>
        line?.status === 'unpriced' ? line.issues : [],
      ),
      attributes: said?.is === 'unknown' || said?.is === 'secret' ? said.attributes : [],
      message: said?.is === 'fault' ? said.message : null,
      span: last?.is === 'unknown' ? spanOf(last.among, pricer, setting, which) : null,
      missing,
    };
  });
}

function mappedLines(side: MappedSide | null): Map<string, MappedLine> {
  return new Map(side?.is === 'lines' ? side.lines.map((line) => [line.part ?? '', line]) : []);
}

const componentOf = (line: MappedLine | null): Component | null =>
  line?.is === 'line' ? line.component : null;

function sizeOf(line: PricedLine | null, component: Component | null): string | null {
  if (line?.status === 'priced' && line.offer) return line.offer.name;
  if (!component) return null;
  return component.choice.by === 'sku' ? component.choice.sku : kindOf(component.kind).label;
}

function withoutRule(rows: readonly ReviewRow[]): Review['withoutRule'] {
  const counts = new Map<string, number>();
  for (const { type, doubts } of rows)
    if (doubts.includes('no-rule')) counts.set(type, (counts.get(type) ?? 0) + 1);
  return [...counts]
    .map(([type, count]) => ({ type, count }))
    .sort((a, b) => b.count - a.count || (a.type < b.type ? -1 : 1));
}
