/** Studies for tests: a small one by hand, and drawn ones with everything in them. */
import type { Dice } from '../reference/dice';
import {
  FIELDS,
  type Field,
  GENERAL,
  type Guess,
  type Hardware,
  newStudy,
  type Study,
  type StudyKind,
  usual,
} from '@/features/own-or-rent/calc';

export const EMPTY = newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' });

/** Everything general at nought, so that a test says what it needs. */
export const PLAIN: Study['general'] = Object.fromEntries(
  Object.keys(GENERAL).map((id) => [id, { likely: id === 'pue' || id === 'heights' ? '1' : '0' }]),
);

/** Four parts of forty machines on eleven hosts, with an array, switches and a place to go to. */
export function quayStudy(): Study {
  const parts = ['web', 'data', 'files', 'office'].map((id) => ({
    id,
    name: id,
    ...usual('parts', { machines: '40', stored: '30' }),
  }));
  const hosts = usual('hardware', { count: '11', price: '14000', watts: '700', carries: '15' });
  const array = usual('hardware', { count: '1', price: '90000', watts: '2000', carries: '150' });
  const switches = usual('hardware', { count: '2', price: '6000', watts: '200', carries: '8' });
  const amounts = usual('rented', { compute: '3000', storage: '700', transfer: '200', licences: '500' });
  return {
    ...EMPTY,
    parts,
    hardware: [
      { id: 'hosts', name: 'Hosts', sort: 'hardware', follows: 'machines', ...hosts },
      { id: 'array', name: 'Array', sort: 'storage', follows: 'terabytes', ...array },
      { id: 'switches', name: 'Switches', sort: 'network', follows: 'hosts', ...switches },
    ],
    contracts: [
      { id: 'lease', name: 'Lease', kind: 'site', ...usual('contracts') },
      { id: 'line', name: 'Line', kind: 'network', ...usual('contracts') },
    ],
    licences: [{ id: 'virtual', name: 'Virtualisation', per: 'core', ...usual('licences') }],
    targets: [
      {
        id: 'there',
        name: 'There',
        source: 'typed',
        parts: Object.fromEntries(parts.map(({ id }) => [id, amounts])),
        extras: [{ id: 'net', name: 'Line there', kind: 'network', ...usual('extras') }],
        ...usual('targets', { term: '12', ahead: '50', uncommitted: '30' }),
      },
    ],
    waves: parts.map(({ id }, at) => ({
      id,
      name: id,
      parts: [id],
      ...usual('waves', { from: String(3 + 2 * at) }),
    })),
    variants: [
      ...EMPTY.variants,
      { id: 'go', name: 'Go', target: 'there', stays: [], ...usual('variants'), buying: 'due' },
    ],
    against: ['keep', 'go'],
  };
}

/** A range around it, now and then. */
function ranged(dice: Dice, { least, most, whole }: Field, likely: string): Guess {
  if (!dice.often(0.3)) return { likely };
  const value = Number(likely);
  const bound = (each: number): string => {
    const inside = Math.min(Number(most), Math.max(Number(least), each));
    return whole ? String(Math.round(inside)) : String(Math.round(inside * 100) / 100);
  };
  const [lean, heavy] = [value * 0.8, value * 1.25].sort((a, b) => a - b) as [number, number];
  return { likely, lean: bound(lean), heavy: bound(heavy) };
}

function drawnFields<L extends keyof typeof FIELDS>(
  dice: Dice,
  list: L,
  known: Partial<Record<keyof (typeof FIELDS)[L], string>>,
): Readonly<Record<keyof (typeof FIELDS)[L], Guess>> {
  const fields = FIELDS[list] as Record<string, Field>;
  return Object.fromEntries(
    Object.entries(usual(list, known)).map(([name, guess]) => [
      name,
      ranged(dice, fields[name]!, (guess as Guess).likely),
    ]),
  ) as Readonly<Record<keyof (typeof FIELDS)[L], Guess>>;
}

const DRAWN_GENERAL: Readonly<Record<string, readonly [number, number]>> = {
  growth: [-10, 30],
  growthStored: [-5, 40],
  inflationPower: [0, 6],
  inflationPeople: [0, 6],
  inflationLicences: [0, 6],
  inflationOther: [0, 6],
  trendHardware: [-8, 8],
  trendRent: [-8, 8],
  backup: [0, 60],
  secondSite: [0, 100],
  resale: [0, 100],
  postsOwned: [0, 3],
  postsRented: [0, 2],
  preparation: [0, 3],
  moveHours: [0, 20],
};

/** Anything that can be in a study. Counts are whole, so that pieces can be told apart. */
export function drawnStudy(dice: Dice): Study {
  const parts = Array.from({ length: dice.number(1, 4) }, (_, at) => ({
    id: `p${at}`,
    name: `Part ${at}`,
    ...usual('parts', { machines: dice.whole(1, 60), stored: dice.half(0, 40) }),
  }));
  const hardware = Array.from({ length: dice.number(0, 3) }, (_, at): Hardware => ({
    id: `h${at}`,
    name: `Class ${at}`,
    sort: dice.one('hardware', 'storage', 'network'),
    follows: at > 0 && dice.often(0.3) ? `h${at - 1}` : dice.one('machines', 'terabytes', 'nothing'),
    ...usual('hardware', {
      count: dice.whole(0, 8),
      price: dice.whole(500, 90000),
      age: dice.half(0, 7),
      refresh: dice.half(1, 7),
      maintenance: dice.whole(0, 20),
      residual: dice.whole(0, 40),
      watts: dice.whole(0, 2000),
      heights: dice.whole(0, 8),
      cores: dice.whole(1, 64),
      carries: dice.half(3, 40),
    }),
  }));
  const kind = (): StudyKind => dice.one('site', 'network', 'storage', 'licences', 'people');
  const target = (id: string): Study['targets'][number] => ({
    id,
    name: id,
    source: 'drawn',
    parts: Object.fromEntries(
      parts.map((part) => [
        part.id,
        drawnFields(dice, 'rented', {
          compute: dice.half(0, 5000),
          storage: dice.half(0, 900),
          transfer: dice.half(0, 300),
          licences: dice.half(0, 900),
        }),
      ]),
    ),
    extras: dice.often(0.6)
      ? [{ id: 'net', name: 'Line', kind: kind(), ...usual('extras', { monthly: dice.whole(0, 900) }) }]
      : [],
    ...usual('targets', {
      term: dice.one('0', '12', '36', '7'),
      ahead: dice.one('0', '50', '100'),
      uncommitted: dice.whole(0, 60),
    }),
  });
  const targets = [target('one'), target('two')];
  const waves = parts.map(({ id }) => ({
    id: `w${id}`,
    name: id,
    parts: [id],
    ...usual('waves', { from: dice.whole(3, 12), ramp: dice.whole(0, 6), beside: dice.whole(0, 5) }),
  }));
  const variant = (id: string, of: string | null): Study['variants'][number] => ({
    id,
    name: id,
    target: of,
    stays: parts.flatMap((part) => (dice.often(0.2) ? [part.id] : [])),
    ...usual('variants', { delay: dice.one('0', '0', '4', '9') }),
    buying: dice.one('due', 'due', 'now'),
  });
  return {
    ...EMPTY,
    years: dice.number(3, 7),
    basis: dice.one('cash', 'spread'),
    tax: dice.one('none', 'none', 'cash', 'spread'),
    sunk: dice.often(0.5),
    worthLeft: dice.often(0.7),
    parts,
    hardware,
    contracts: Array.from({ length: dice.number(0, 2) }, (_, at) => ({
      id: `c${at}`,
      name: `Contract ${at}`,
      kind: kind(),
      ...usual('contracts', { monthly: dice.whole(0, 2000), until: dice.whole(0, 60) }),
    })),
    licences: Array.from({ length: dice.number(0, 2) }, (_, at) => ({
      id: `l${at}`,
      name: `Licence ${at}`,
      per: dice.one('core', 'host', 'machine', 'whole'),
      ...usual('licences', { price: dice.whole(0, 900), yearly: dice.whole(0, 400) }),
    })),
    targets,
    waves,
    variants: [variant('keep', null), variant('first', 'one'), variant('second', 'two')],
    against: ['keep', 'first'],
    general: Object.fromEntries(
      Object.entries(DRAWN_GENERAL).map(([id, [least, most]]) => [
        id,
        ranged(dice, GENERAL[id as keyof typeof GENERAL], dice.whole(least, most)),
      ]),
    ),
  };
}

/** One part of one machine; a contract for 100 a month against 90 rented, all from the first month. */
export function mirrorStudy(owned: string, rented: string): Study {
  return {
    ...EMPTY,
    general: PLAIN,
    parts: [{ id: 'all', name: 'All', ...usual('parts', { machines: '1', stored: '0' }) }],
    contracts: [
      { id: 'c', name: 'Line', kind: 'site', ...usual('contracts', { monthly: owned, until: '0' }) },
    ],
    targets: [
      {
        id: 't',
        name: 'There',
        source: '',
        parts: { all: usual('rented', { compute: rented }) },
        extras: [],
        ...usual('targets'),
      },
    ],
    waves: [{ id: 'w', name: 'W', parts: ['all'], ...usual('waves', { from: '0', ramp: '0', beside: '0' }) }],
    variants: [
      ...EMPTY.variants,
      { id: 'go', name: 'Go', target: 't', stays: [], ...usual('variants'), buying: 'due' },
    ],
    against: ['keep', 'go'],
  };
}
