/** The first study of an estate: what is known of it, and a sensible guess for everything else, each with its range. */
import type { Guess, Hardware, Study, Target, Wave } from './model';
import { newStudy, usual } from './new-study';

export interface EstatePart {
  readonly id: string;
  readonly name: string;
  readonly machines: number;
  /** Terabytes (10^12 bytes). */
  readonly stored: number;
}

export interface EstateTarget {
  readonly id: string;
  readonly name: string;
  readonly source: string;
  /** By part: plain decimals, a month. */
  readonly parts: Readonly<
    Record<string, Readonly<Record<'compute' | 'storage' | 'transfer' | 'licences', string>>>
  >;
  readonly term: number;
  readonly ahead: string;
  readonly uncommitted: string;
}

export interface Estate {
  readonly title: string;
  readonly currency: string;
  readonly origin: string;
  readonly start: string;
  readonly parts: readonly EstatePart[];
  /** Hosts that it stands on; null: nobody knows. */
  readonly hosts: number | null;
  readonly targets: readonly EstateTarget[];
}

/** Machines on a host, where nobody says how many hosts there are. */
const ON_A_HOST = 15;
/** Machines that a team moves in a month. */
const MOVED_A_MONTH = 25;
const PREPARATION = 3;

/**
 * Hosts, an array and switches as many as carry it; each part a wave, the smallest first; each target a variant.
 *
 * @example
 * const estate = { title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01', parts: [{ id: 'all', name: 'All', machines: 40, stored: 12 }], hosts: 4, targets: [] };
 * estateStudy(estate).hardware[0]!.count; // => { likely: '4' }
 */
export function estateStudy(estate: Estate): Study {
  const { title, currency, origin, start, hosts: known } = estate;
  const parts = estate.parts.map(({ id, name, machines, stored }) => ({
    id,
    name,
    ...usual('parts', { machines: String(machines), stored: String(round(stored, 3)) }),
  }));
  const machines = estate.parts.reduce((sum, part) => sum + part.machines, 0);
  const stored = estate.parts.reduce((sum, part) => sum + part.stored, 0);
  const hosts = known ?? Math.max(1, Math.ceil(machines / ON_A_HOST));
  const targets = estate.targets.map((target) => targetOf(target));
  const waves = wavesOf(estate.parts);
  const first = targets[0];
  const base = newStudy({ title, currency, origin, start });
  return {
    ...base,
    parts,
    hardware: hardwareFor(hosts, machines, stored),
    contracts: [
      {
        id: 'lines',
        name: 'Lines out of the house',
        kind: 'network',
        ...usual('contracts', { monthly: '900' }),
      },
    ],
    licences: [
      {
        id: 'virtualisation',
        name: 'Virtualisation',
        per: 'core',
        ...usual('licences', { price: '0', yearly: '90' }),
        yearly: around('90', 0.8, 1.4),
      },
    ],
    targets,
    waves,
    variants: [
      ...base.variants,
      ...targets.map(({ id, name }) => ({
        id: `to-${id}`,
        name,
        target: id,
        stays: [],
        ...usual('variants'),
        buying: 'due' as const,
      })),
    ],
    against: ['keep', first ? `to-${first.id}` : 'keep'],
    general: {
      growth: { likely: '4', lean: '0', heavy: '9' },
      growthStored: { likely: '10', lean: '5', heavy: '20' },
      tariff: { likely: '0.2', lean: '0.16', heavy: '0.28' },
      hoursOwned: { likely: '1.5', lean: '1.1', heavy: '2' },
      hoursRented: { likely: '1.2', lean: '0.9', heavy: '1.6' },
      moveHours: { likely: '8', lean: '5', heavy: '14' },
    },
  };
}

/** Guesses have few digits. */
function round(value: number, digits: number): number {
  const scale = 10 ** digits;
  return Math.round(value * scale) / scale;
}

/** A range around a value. */
function around(likely: string, low: number, high: number): Guess {
  const value = Number(likely);
  return { likely, lean: String(round(value * low, 2)), heavy: String(round(value * high, 2)) };
}

function hardwareFor(hosts: number, machines: number, stored: number): Hardware[] {
  const carries = Math.max(1, Math.ceil(machines / hosts));
  const host: Hardware = {
    id: 'hosts',
    name: 'Hosts',
    sort: 'hardware',
    follows: 'machines',
    ...usual('hardware', { count: String(hosts), price: '14000', carries: String(carries), watts: '700' }),
    price: around('14000', 0.85, 1.25),
    refresh: { likely: '5', lean: '4', heavy: '6' },
  };
  const array: Hardware = {
    id: 'array',
    name: 'Storage array',
    sort: 'storage',
    follows: 'terabytes',
    ...usual('hardware', {
      count: '1',
      price: String(Math.round((20_000 + stored * 600) / 1000) * 1000),
      carries: String(Math.max(1, Math.ceil(stored * 1.5))),
      watts: '1800',
      heights: '8',
      cores: '0',
    }),
  };
  const switches: Hardware = {
    id: 'switches',
    name: 'Switches',
    sort: 'network',
    follows: 'hosts',
    ...usual('hardware', {
      count: String(Math.max(2, Math.ceil(hosts / 8))),
      price: '6500',
      refresh: '7',
      watts: '250',
      heights: '1',
      cores: '0',
      carries: '8',
    }),
  };
  return stored > 0 ? [host, array, switches] : [host, switches];
}

function targetOf({ id, name, source, parts, term, ahead, uncommitted }: EstateTarget): Target {
  return {
    id,
    name,
    source,
    parts: Object.fromEntries(
      Object.entries(parts).map(([part, amounts]) => {
        const made = usual('rented', amounts);
        const isFelt = Number(amounts.compute) > 0;
        return [part, isFelt ? { ...made, compute: around(amounts.compute, 0.85, 1.2) } : made];
      }),
    ),
    extras: [
      { id: 'line', name: 'Line to the provider', kind: 'network', ...usual('extras', { monthly: '600' }) },
    ],
    ...usual('targets', { term: String(term), ahead, uncommitted }),
  };
}

/** Smallest first, one after the other. */
function wavesOf(parts: readonly EstatePart[]): Wave[] {
  let from = PREPARATION;
  return [...parts]
    .filter(({ machines }) => machines > 0)
    .sort((a, b) => a.machines - b.machines || (a.id < b.id ? -1 : 1))
    .map(({ id, name, machines }) => {
      const ramp = Math.min(12, Math.max(1, Math.ceil(machines / MOVED_A_MONTH)));
      const wave: Wave = {
        id,
        name,
        parts: [id],
        ...usual('waves', { from: String(from), ramp: String(ramp) }),
      };
      from = Math.min(24, from + ramp);
      return wave;
    });
}
