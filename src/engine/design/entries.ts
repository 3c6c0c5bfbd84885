/**
 * Entries of a component by the names that traces, bindings and simulations give them: reading one, changing one, and
 * what it is measured in. `count`, `usage/` and the meter, `running/` and the field …
 */
import { meterOfKind } from '../books';
import type { Cased, Load, Running } from '../usage';
import type { Component, UsageEntry } from './component';

export interface EntryHead {
  readonly entry: string;
  readonly label: string;
  /** Empty: a mere number. */
  readonly unit: string;
  /** Counts. */
  readonly whole: boolean;
}

export interface NamedEntry extends EntryHead {
  readonly value: Cased;
}

const RUNNING: Readonly<Record<string, readonly [string, string]>> = {
  hoursPerMonth: ['Hours a month', 'hour'],
  hoursPerDay: ['Hours a day', 'hour'],
  daysPerMonth: ['Days a month', 'day'],
  daysPerWeek: ['Days a week', 'day'],
  share: ['Share of the month asleep', ''],
  wakeUps: ['Wakings a month', ''],
  idleMinutes: ['Idle minutes before sleep', 'minute'],
  perMonth: ['Runs a month', ''],
  minutesEach: ['Minutes each', 'minute'],
  baseline: ['Always running', ''],
  peak: ['In the peak', ''],
  hours: ['Hours of the peak', 'hour'],
  floor: ['At least', ''],
  ceiling: ['At most', ''],
  carries: ['One carries', 'request/s'],
};
const SIZE: Readonly<Record<string, readonly [string, string]>> = {
  vcpu: ['vCPU', 'vCPU'],
  memory: ['Memory', 'GiB'],
  gpu: ['GPU', 'GPU'],
};

/**
 * Everything of a component that has three cases, by name. Amounts of lists are of the list.
 *
 * @example
 * entriesOf(server).map(({ entry }) => entry); // => ['count']
 */
export function entriesOf(component: Component): NamedEntry[] {
  const found: NamedEntry[] = [];
  const add = (
    entry: string,
    label: string,
    unit: string,
    value: Cased | null | undefined,
    whole = false,
  ): void => {
    if (value) found.push({ entry, label, unit, value, whole });
  };
  add('count', 'Count', '', component.count, true);
  add('committed', 'Committed units', '', component.committed, true);
  add('allocated', 'Share allocated', '', component.allocated);
  for (const [field, [label, unit]] of Object.entries(SIZE)) {
    add(`size/${field}`, label, unit, component.size?.[field as 'vcpu']);
  }
  for (const [field, value] of Object.entries(component.running)) {
    const known = RUNNING[field];
    if (known) add(`running/${field}`, known[0], known[1], value as Cased);
  }
  for (const [meter, { amount, unit, sizes, each, setAside, keptDays }] of Object.entries(component.usage)) {
    const label = meterOfKind(component.kind, meter)?.label ?? meter;
    if (sizes) continue;
    add(`usage/${meter}`, label, unit, amount);
    add(`each/${meter}`, `${label}: one is`, each?.unit ?? '', each?.amount);
    add(`setAside/${meter}`, `${label}: set aside`, unit, setAside);
    add(`kept/${meter}`, `${label}: days kept`, 'day', keptDays);
  }
  if (component.load) addLoad(component.load, add);
  component.custom?.forEach((row, at) => add(`custom/${at}`, row.label, row.unit, row.amount));
  return found;
}

type Add = (entry: string, label: string, unit: string, value: Cased | null | undefined) => void;

function addLoad(load: Load, add: Add): void {
  const { rate, secondsEach, requestSize, replySize, requestsPerConnection, peak } = load;
  if (rate.by === 'requests') add('load/perSecond', 'Requests a second', 'request/s', rate.perSecond);
  else {
    add('load/viewers', 'Viewers', 'viewer', rate.viewers);
    add('load/refreshSeconds', 'Seconds between refreshes', 'second', rate.refreshSeconds);
  }
  add('load/secondsEach', 'One takes', 'second', secondsEach);
  add('load/requestSize', 'Size of a question', requestSize?.unit ?? '', requestSize?.amount);
  add('load/replySize', 'Size of an answer', replySize?.unit ?? '', replySize?.amount);
  add('load/requestsPerConnection', 'Requests on one connection', 'request', requestsPerConnection);
  add('load/peakTimes', 'Times the load in its peak', '', peak?.times);
  add('load/peakHours', 'Hours of the peak', 'hour', peak?.hours);
}

/**
 * The component with another value of one entry; null: it has no such entry.
 *
 * @example
 * withCased(server, 'count', { likely: '3' })?.count.likely; // => '3'
 */
export function withCased(component: Component, entry: string, value: Cased): Component | null {
  const [group, field = ''] = entry.split('/');
  switch (group) {
    case 'count':
      return { ...component, count: value };
    case 'committed':
    case 'allocated':
      return component[group] ? { ...component, [group]: value } : null;
    case 'running':
      if (!(field in component.running)) return null;
      return { ...component, running: { ...component.running, [field]: value } as Running };
    case 'size':
      if (!component.size || !(field in component.size)) return null;
      return { ...component, size: { ...component.size, [field]: value } };
    case 'load':
      return component.load ? withLoad(component, component.load, field, value) : null;
    case 'custom':
      return withCustom(component, Number(field), value);
    default:
      return withMeter(component, group!, field, value);
  }
}

function withMeter(component: Component, group: string, meter: string, value: Cased): Component | null {
  const known = component.usage[meter];
  if (!known) return null;
  const put = (changed: UsageEntry): Component => ({
    ...component,
    usage: { ...component.usage, [meter]: changed },
  });
  switch (group) {
    case 'usage':
      return known.sizes ? null : put({ ...known, amount: value });
    case 'each':
      return known.each ? put({ ...known, each: { ...known.each, amount: value } }) : null;
    case 'setAside':
      return known.setAside && !known.sizes ? put({ ...known, setAside: value }) : null;
    case 'kept':
      return known.keptDays ? put({ ...known, keptDays: value }) : null;
    default:
      return null;
  }
}

function withCustom(component: Component, at: number, value: Cased): Component | null {
  const { custom } = component;
  if (!custom?.[at]) return null;
  return {
    ...component,
    custom: custom.map((row, index) => (index === at ? { ...row, amount: value } : row)),
  };
}

function withLoad(component: Component, load: Load, field: string, value: Cased): Component | null {
  const put = (changed: Load): Component => ({ ...component, load: changed });
  switch (field) {
    case 'requestSize':
    case 'replySize': {
      const size = load[field];
      return size ? put({ ...load, [field]: { ...size, amount: value } }) : null;
    }
    case 'secondsEach':
    case 'requestsPerConnection':
      return load[field] ? put({ ...load, [field]: value }) : null;
    case 'peakTimes':
      return load.peak ? put({ ...load, peak: { ...load.peak, times: value } }) : null;
    case 'peakHours':
      return load.peak ? put({ ...load, peak: { ...load.peak, hours: value } }) : null;
    default:
      if (!(field in load.rate)) return null;
      return put({ ...load, rate: { ...load.rate, [field]: value } as Load['rate'] });
  }
}

/**
 * Which field of a component an entry stands in, for edits.
 *
 * @example
 * fieldOfEntry('usage/transferred'); // => { meter: 'transferred' }
 */
export function fieldOfEntry(
  entry: string,
):
  | { readonly meter: string }
  | { readonly field: 'count' | 'committed' | 'allocated' | 'size' | 'running' | 'load' | 'custom' } {
  const [group, field = ''] = entry.split('/');
  switch (group) {
    case 'count':
    case 'committed':
    case 'allocated':
    case 'size':
    case 'running':
    case 'load':
    case 'custom':
      return { field: group };
    default:
      return { meter: field };
  }
}
