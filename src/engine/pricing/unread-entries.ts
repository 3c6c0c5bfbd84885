/**
 * Entries that nothing in the offer's prices reads. They change no amount, and whoever entered them should know. Source:
 * pricing rules, "Where two rules meet": never ignored.
 */
import { issue, type Issue } from '../base';
import { kindOf, meterOfKind, type Offer } from '../books';
import type { Component } from '../design';
import { commitmentOf } from '../terms';
import { unitOf } from '../units';
import type { Demands } from './demands';

const PER_SIZE = new Set(['vCPU-time', 'data-time', 'GPU-time', 'core-time']);

const NONE: readonly Issue[] = [];

export function unreadEntries(component: Component, offer: Offer, demands: Demands): readonly Issue[] {
  return isPlainlyRead(component, demands) ? NONE : found(component, offer, demands);
}

/** Most lines: entries for meters that are billed, and nothing else. */
function isPlainlyRead({ usage, size, committed, load, running }: Component, demands: Demands): boolean {
  if (size || committed || load || running.pattern !== 'always') return false;
  for (const meter in usage) {
    if (!demands.onDemand.some((each) => each.meter === meter)) return false;
  }
  return true;
}

function found(component: Component, offer: Offer, demands: Demands): readonly Issue[] {
  const rates = [...demands.onDemand.map((each) => each.rate), ...demands.committed.map((each) => each.rate)];
  const read = new Set(rates.map((rate) => rate.meter));
  const sources = new Set([...read].map((meter) => meterOfKind(component.kind, meter)?.from ?? 'count'));
  const issues: Issue[] = [];
  const unread = (path: Issue['path'], entry: string): void =>
    void issues.push(issue('entry.unread', path, { entry, offer: offer.name }));
  for (const meter of Object.keys(component.usage)) {
    if (!read.has(meter) && !readByAnother(meter, sources)) {
      unread(['usage', meter], meterOfKind(component.kind, meter)?.label ?? meter);
    }
  }
  const sized = rates.some(({ unit, charge }) => {
    const known = unitOf(unit);
    return charge.structure === 'by-parts' || (known.ok && PER_SIZE.has(known.value.dimension));
  });
  if (component.size && !sized) unread(['size'], 'The size');
  if (component.committed && !commitmentOf(component.term)) unread(['committed'], 'Committed units');
  if (component.load && !readsLoad(component, read, rates)) unread(['load'], 'The load');
  const { running } = component;
  const timed = sources.has('running') || sources.has('capacity') || component.load;
  if (running.pattern !== 'always' && !timed) unread(['running'], 'When it runs');
  return issues;
}

/** Runs are counted by requests where they have no entry of their own. */
function readByAnother(meter: string, sources: ReadonlySet<string>): boolean {
  return meter === 'requests' && sources.has('runs');
}

function readsLoad(
  { kind, usage, running }: Component,
  read: ReadonlySet<string>,
  rates: Demands['onDemand'][number]['rate'][],
): boolean {
  if (running.pattern === 'autoscale') return true;
  const meters = kindOf(kind).meters.filter(({ meter }) => read.has(meter));
  return meters.some(({ meter, from, derived }) => {
    if (from === 'capacity' || from === 'runs') return true;
    if (derived !== undefined && !usage[meter]) return true;
    return rates.some((rate) => rate.meter === meter && rate.increment != null && !usage[meter]?.each);
  });
}
