/** What a laid bill says of each thing that can be watched. */
import { addAll, decimal } from '@/engine/base';
import {
  type AllowanceUse,
  type CostBasis,
  type LaidBill,
  type LaidSums,
  periodDays,
  type Projection,
  type Taken,
} from '@/features/bills/calc';
import type { WatchedOn, WatchTerms } from './watch';
import type { Unwatchable, WatchedFacts } from './watched';

/** A bill as watches see it. Projections by component and by `section ` and its id, as the view of a bill has them. */
export interface WatchedBill {
  readonly laid: LaidBill;
  readonly hasDesign: boolean;
  readonly newest: string | null;
  readonly close: Projection | null;
  readonly closes: Readonly<Record<string, Projection>>;
  /** By `component` and the meter's code, over a space. */
  readonly meterCloses: Readonly<Record<string, Projection>>;
  readonly allowances: readonly AllowanceUse[];
  /** By key and value, over `=`; what bears none is not there. */
  readonly tags: Readonly<Record<string, { readonly close: Projection; readonly isNew: string }>>;
}

export type Found =
  { readonly ok: true; readonly facts: WatchedFacts } | { readonly ok: false; readonly why: Unwatchable };

const cannot = (why: Unwatchable): Found => ({ ok: false, why });

/**
 * What is watched, as the bill has it now.
 *
 * @example
 * const period = { from: '2026-11-01', to: '2026-12-01' };
 * const expected = expectedBill(design, books, period, 'USD');
 * const taken = takeThings([thing], [{ id: 'web', when: { sku: 'NV-*' }, to: 'a' }], new Set(['a']));
 * const laid = layBill({ design, expected, taken, period, newest: '2026-11-30', basis: 'effective', completeness: [] });
 * const close = projectClose({ ...period, days: [{ day: '2026-11-30', cost: '150' }], fees: [], completeness: [] });
 * const bill = { laid, hasDesign: true, newest: '2026-11-30', close, closes: { a: close }, meterCloses: {}, allowances: [], tags: {} };
 * const terms = { of: { what: 'whole' }, on: 'billed', limit: '200', currency: 'USD', basis: 'effective', steps: ['1'] };
 * factsOf(terms, bill).facts.value; // => '150'
 */
export function factsOf(terms: WatchTerms, bill: WatchedBill): Found {
  const { of } = terms;
  if (bill.newest === null) return cannot('no-day');
  if (of.what === 'allowance') return allowanceFacts(of, terms.on, bill);
  if (terms.limit !== null && terms.currency !== bill.laid.currency) return cannot('other-currency');
  if (of.what === 'tag') {
    const tag = bill.tags[`${of.key}=${of.value}`];
    return tag
      ? moneyFacts(terms.on, bill, tag.close, { expected: null, isNew: tag.isNew })
      : cannot('no-such-tag');
  }
  if (of.what === 'whole') return moneyFacts(terms.on, bill, bill.close, sumsOf(bill.laid));
  if (!bill.hasDesign) return cannot('no-design');
  if (of.what === 'section') {
    const section = bill.laid.sections.find(({ id, part }) => part === 'design' && id === of.section);
    if (!section) return cannot('no-such-part');
    return moneyFacts(terms.on, bill, bill.closes[`section ${of.section}`] ?? NOTHING_YET, sumsOf(section));
  }
  const component = bill.laid.sections
    .filter(({ part }) => part === 'design')
    .flatMap(({ components }) => components)
    .find(({ id }) => id === of.component);
  if (!component) return cannot('no-such-part');
  if (of.what === 'component')
    return moneyFacts(terms.on, bill, bill.closes[of.component] ?? NOTHING_YET, sumsOf(component));
  const meter = component.meters.find((each) => each.meter === of.meter);
  if (!meter) return cannot('no-such-part');
  const sums = { expected: meter.expected?.cost ?? '0', isNew: meter.variance.new };
  return moneyFacts(terms.on, bill, bill.meterCloses[`${of.component} ${of.meter}`] ?? NOTHING_YET, sums);
}

/** Something that is expected and of which nothing is billed yet. */
const NOTHING_YET: Projection = {
  ...{ billed: '0', low: '0', likely: '0', high: '0', days: [], from: 0, pace: '0', rangeOf: 0 },
};

interface Sums {
  readonly expected: string | null;
  readonly isNew: string;
}

const sumsOf = ({ expected, variance }: Pick<LaidSums, 'expected' | 'variance'>): Sums => ({
  expected,
  isNew: variance.new,
});

function moneyFacts(on: WatchedOn, bill: WatchedBill, close: Projection | null, sums: Sums): Found {
  if (!close || bill.newest === null) return cannot('no-day');
  const { laid, newest } = bill;
  const base = { unit: laid.currency, newest, days: [], expected: sums.expected };
  switch (on) {
    case 'billed':
      return { ok: true, facts: { ...base, value: close.billed, days: close.days } };
    case 'close':
      return { ok: true, facts: { ...base, value: close.likely } };
    case 'new':
      return { ok: true, facts: { ...base, value: sums.isNew } };
    case 'pace': {
      const days = periodDays(laid.period);
      const expected = sums.expected === null ? null : decimal(sums.expected).dividedBy(days).toString();
      return { ok: true, facts: { ...base, value: close.pace, expected } };
    }
  }
}

function allowanceFacts(
  of: { readonly component: string; readonly meter: string },
  on: WatchedOn,
  { allowances, newest, hasDesign }: WatchedBill,
): Found {
  if (!hasDesign) return cannot('no-design');
  const own = allowances.filter((each) => each.components.includes(of.component) && each.meter === of.meter);
  const [first] = own;
  if (!first) return cannot('no-allowance');
  if (!first.close || newest === null) return cannot('no-day');
  const { close, unit, ofPeriod } = first;
  const values = { billed: close.billed, close: close.likely, pace: close.pace, new: '0' };
  const expected =
    on === 'pace' ? decimal(ofPeriod).dividedBy(Math.max(1, close.days.length)).toString() : ofPeriod;
  return {
    ok: true,
    facts: { unit, value: values[on], expected, newest, days: on === 'billed' ? close.days : [] },
  };
}

/**
 * Money that no line of the design expects.
 *
 * @example
 * newMoney([{ thing, component: null, share: decimal('0.5') }, { thing, component: 'a', share: decimal('0.5') }], 'effective'); // => '75'
 */
export function newMoney(
  taken: readonly Pick<Taken, 'thing' | 'component' | 'share'>[],
  basis: CostBasis,
): string {
  return addAll(
    taken.flatMap(({ thing, component, share }) =>
      component === null ? [decimal(thing[basis]).times(share)] : [],
    ),
  ).toString();
}
