/**
 * What each machine of an estate would become at a place, as it is installed and by a rule, under several ways of paying;
 * with how much larger the size is than what is needed. Machines are priced one by one: what they would share (free
 * amounts, tiers) is not counted here. Source: pricing rules, "Match"; needs L7, M6 to M8, N12.
 */
import { addAll, decimal, type Decimal } from '@/engine/base';
import type { Need } from '@/engine/sizing';
import type { Term } from '@/engine/terms';
import { type FleetMatcher, type Match, overBy } from './matcher';
import type { Fleet, Machine } from './model';
import { needOf, type SizedNeed, sizedNeed, type SizingRule } from './sizing-rule';

export interface Placement {
  readonly name: string;
  readonly rule: SizingRule;
  /** Which sizes may be taken. */
  readonly allowed: Omit<Need, 'vcpu' | 'memory'>;
  readonly terms: readonly Term[];
  /** Machines that are powered off are left out. */
  readonly withoutOff: boolean;
}

export interface Placed {
  readonly sku: string;
  readonly name: string;
  /** Exact text, in the currency of the book. */
  readonly monthly: string;
}

export interface PlacedMachine {
  readonly id: string;
  readonly name: string;
  readonly need: SizedNeed;
  /** By the rule, and as installed; in the order of the terms. Null: nothing that is sold so fits. */
  readonly byRule: readonly (Placed | null)[];
  readonly installed: readonly (Placed | null)[];
  /** How much more than is needed the size of the first term has, as shares; null: it has none. */
  readonly over: { readonly vcpu: string; readonly memory: string } | null;
}

export interface PlacedTotal {
  readonly term: Term;
  /** Exact text, over the machines that have a size on both sides. */
  readonly installed: string;
  readonly byRule: string;
  /** Machines that have none on one side: they are in neither sum. */
  readonly without: number;
}

export interface PlacedFleet {
  readonly placement: string;
  readonly currency: string;
  readonly rows: readonly PlacedMachine[];
  readonly totals: readonly PlacedTotal[];
  /** Powered off, and left out. */
  readonly off: number;
  /** Sized as installed in some dimension, because nothing was measured. */
  readonly unmeasured: number;
}

/**
 * Machine by machine; after every so many it says how many are done, so that somebody may see it or call it off.
 *
 * @example
 * placing({ title: 'Estate', machines: [] }, { name: 'Here', rule: { by: 'installed' }, allowed: {}, terms: ['on-demand'], withoutOff: true }, new FleetMatcher(book, 'severn')).next().done; // => true
 */
export function* placing(
  { machines }: Fleet,
  placement: Placement,
  matcher: FleetMatcher,
  every = 500,
): Generator<number, PlacedFleet> {
  const { rule, allowed, terms, withoutOff } = placement;
  const rows: PlacedMachine[] = [];
  let [off, unmeasured, done] = [0, 0, 0];
  for (const machine of machines) {
    done += 1;
    if (done % every === 0) yield done;
    if (withoutOff && machine.power === 'off') {
      off += 1;
      continue;
    }
    const row = placed(machine, { rule, allowed, terms }, matcher);
    if (row.need.cpuBy === 'fallback' || row.need.memoryBy === 'fallback') unmeasured += 1;
    rows.push(row);
  }
  const totals = terms.map((term, at) => totalOf(rows, term, at));
  return { placement: placement.name, currency: matcher.currency, rows, totals, off, unmeasured };
}

/**
 * All at once.
 *
 * @example
 * placeFleet({ title: 'Estate', machines: [] }, { name: 'Here', rule: { by: 'installed' }, allowed: {}, terms: ['on-demand'], withoutOff: true }, new FleetMatcher(book, 'severn')).totals[0]!.byRule; // => '0'
 */
export function placeFleet(fleet: Fleet, placement: Placement, matcher: FleetMatcher): PlacedFleet {
  const steps = placing(fleet, placement, matcher, Number.MAX_SAFE_INTEGER);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}

function placed(
  machine: Machine,
  { rule, allowed, terms }: Pick<Placement, 'rule' | 'allowed' | 'terms'>,
  matcher: FleetMatcher,
): PlacedMachine {
  const need = sizedNeed(machine, rule);
  const as = rule.by === 'installed' ? need : sizedNeed(machine, { by: 'installed' });
  const matches = terms.map((term) => matcher.match(needOf(need, allowed), term));
  const installed = as === need ? matches : terms.map((term) => matcher.match(needOf(as, allowed), term));
  const first = matches[0];
  return {
    id: machine.id,
    name: machine.name,
    need,
    byRule: matches.map(plain),
    installed: installed.map(plain),
    over: first
      ? {
          vcpu: overBy(first.offer.vcpu, need.vcpu).toString(),
          memory: overBy(first.offer.memory, need.memory).toString(),
        }
      : null,
  };
}

function plain(match: Match | null): Placed | null {
  return match && { sku: match.offer.sku, name: match.offer.name, monthly: match.text };
}

/** Of machines that have both, so that the two sums are of the same machines. */
function totalOf(rows: readonly PlacedMachine[], term: Term, at: number): PlacedTotal {
  const both = rows.filter(({ byRule, installed }) => byRule[at] && installed[at]);
  // Thousands of machines share a few sizes: each amount is taken so often as it stands there.
  const sum = (read: (row: PlacedMachine) => Placed | null | undefined): Decimal => {
    const counts = new Map<string, number>();
    for (const row of both) {
      const { monthly } = read(row)!;
      counts.set(monthly, (counts.get(monthly) ?? 0) + 1);
    }
    return addAll([...counts].map(([monthly, count]) => decimal(monthly).times(count)));
  };
  return {
    term,
    installed: sum(({ installed }) => installed[at]).toString(),
    byRule: sum(({ byRule }) => byRule[at]).toString(),
    without: rows.length - both.length,
  };
}
