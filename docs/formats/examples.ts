/** The small examples that go with the formats; `./run formats` writes them as files, a test checks those. */
import { estateStudy, type Study } from '@/features/own-or-rent/calc';
import type { Design } from '@/engine/design';
import { BARE_MACHINE, defaultPlacement, type FleetPlan, type Machine, newPlan } from '@/features/fleet/calc';
import type { PriceBookFile } from '@/features/price-books/format/price-book-schema';

export const exampleBook: PriceBookFile = {
  format: 'wick-price-book',
  version: 1,
  book: {
    key: 'harbour-house',
    title: 'Harbour House',
    provider: 'Harbour House',
    currency: 'EUR',
    monthHours: '730',
  },
  revision: { number: 1, effective: '2026-11-01', source: 'Internal price list of the platform team' },
  regions: [
    { code: 'quay', name: 'Quay', country: 'United Kingdom', latitude: 51.5, longitude: -2.7, carbon: 182 },
    {
      code: 'lighthouse',
      name: 'Lighthouse',
      country: 'Norway',
      latitude: 58.2,
      longitude: 8.1,
      carbon: null,
    },
  ],
  offers: [
    {
      sku: 'BERTH-4-16',
      kind: 'server',
      name: 'Berth 4/16',
      family: 'Balanced',
      processor: 'Halden',
      vcpu: '4',
      memory: '16',
      burstable: false,
      lifecycle: 'current',
      retires: null,
      replacedBy: null,
      note: '',
    },
    {
      sku: 'SAIL-OUT',
      kind: 'transfer-out',
      name: 'Transfer to the internet',
      family: '',
      processor: '',
      vcpu: null,
      memory: null,
      burstable: false,
      lifecycle: 'current',
      retires: null,
      replacedBy: null,
      note: '',
    },
  ],
  rates: [
    {
      sku: 'BERTH-4-16',
      region: 'quay',
      meter: 'running',
      term: 'on-demand',
      unit: 'hour',
      charge: { structure: 'per-unit', price: '0.142' },
      upfront: null,
      allowance: null,
      pool: 'component',
    },
    {
      sku: 'BERTH-4-16',
      region: 'quay',
      meter: 'running',
      term: '12-part',
      unit: 'hour',
      charge: { structure: 'per-unit', price: '0.049' },
      upfront: '430',
      allowance: null,
      pool: 'component',
    },
    {
      sku: 'SAIL-OUT',
      region: 'quay',
      meter: 'transferred',
      term: 'on-demand',
      unit: 'GB',
      charge: {
        structure: 'graduated',
        tiers: [
          { upTo: '10000', price: '0.08' },
          { upTo: null, price: '0.05' },
        ],
      },
      upfront: null,
      allowance: '100',
      pool: 'region',
    },
  ],
};

export const exampleDesign: Design = {
  title: 'Ticket office',
  description: 'Two servers and what they send out.',
  currency: 'EUR',
  assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [] },
  books: [{ book: 'harbour-house', revision: 1 }],
  sections: [
    {
      id: 'front',
      name: 'Front',
      components: [
        {
          id: 'front-servers',
          name: 'Front servers',
          kind: 'server',
          count: { likely: '2', heavy: '3' },
          place: { book: 'harbour-house', region: 'quay' },
          choice: { by: 'cheapest', need: { vcpu: '4', memory: '16' } },
          running: { pattern: 'always' },
          usage: {},
          term: '12-part',
        },
        {
          id: 'pages-out',
          name: 'Pages to travellers',
          kind: 'transfer-out',
          count: { likely: '1' },
          place: { book: 'harbour-house', region: 'quay' },
          choice: { by: 'sku', sku: 'SAIL-OUT' },
          running: { pattern: 'always' },
          usage: { transferred: { amount: { lean: '800', likely: '1500', heavy: '12000' }, unit: 'GB' } },
          term: 'on-demand',
        },
      ],
    },
  ],
  alternatives: [
    {
      id: 'on-demand',
      name: 'On demand',
      note: 'Nothing is signed.',
      changes: [{ change: 'pay', what: { of: 'section', id: 'front' }, term: 'on-demand' }],
    },
  ],
};

const PLACE = { book: 'harbour-house', region: 'quay' };

export const exampleMachines: readonly Machine[] = [
  {
    ...BARE_MACHINE,
    id: 'ticket-01',
    name: 'ticket-01',
    host: 'house-02',
    cluster: 'quay',
    environment: 'live',
    system: 'Linux 64-bit',
    power: 'on',
    kind: 'virtual',
    vcpu: { value: 8, from: 'typed' },
    memory: { value: 32, from: 'typed' },
    storage: { value: 240, from: 'derived' },
    peakCpu: { value: 0.31, from: 'measured' },
    peakMemory: { value: 0.62, from: 'measured' },
  },
  {
    ...BARE_MACHINE,
    id: 'crane-01',
    name: 'crane-01',
    vcpu: { value: 2, from: 'typed' },
    memory: { value: 4, from: 'typed' },
  },
];

export const examplePlan: FleetPlan = {
  ...newPlan({
    title: 'Quay',
    currency: 'EUR',
    exchange: [],
    books: [{ book: 'harbour-house', revision: 1 }],
    origin: 'quay.xlsx',
  }),
  systems: { 'Server OS 2022': { is: 'licensed', product: 'atrium-server' } },
  groups: [
    { id: 'live', name: 'Live systems', filter: { sets: { environment: ['live'] }, measured: 'yes' } },
  ],
  placements: [defaultPlacement('used', 'As used', [PLACE])],
};

/** A small study: one part of the work, four hosts, one place to go to. */
export const exampleStudy: Study = {
  ...estateStudy({
    title: 'Ticket office: keep it or leave it',
    currency: 'EUR',
    origin: 'typed',
    start: '2027-01',
    parts: [{ id: 'tickets', name: 'Ticket machines', machines: 24, stored: 6 }],
    hosts: 2,
    targets: [
      {
        id: 'quay',
        name: 'Quayside',
        source: 'its price book',
        parts: { tickets: { compute: '1450', storage: '180', transfer: '60', licences: '0' } },
        term: 12,
        ahead: '50',
        uncommitted: '35',
      },
    ],
  }),
  years: 3,
};

/** As a pipeline sends it: one server becomes two, and what a role costs is nothing. */
export const exampleReview = {
  wick: 'change-review',
  version: 1,
  repository: 'harbour/booking',
  change: '7',
  commit: '5d10c2e',
  branch: 'second-berth',
  title: 'A second berth for the season',
  author: 'Isla Fearn',
  phase: 'open',
  extract: {
    form: 'plan, format 1.2',
    map: 'Quay',
    resources: [
      {
        address: 'quay_server.berth',
        movedFrom: null,
        module: '',
        type: 'quay_server',
        action: 'update',
        under: null,
        tags: { team: 'booking' },
        before: { is: 'lines', lines: [{ is: 'line', part: null, component: berths('1') }] },
        after: { is: 'lines', lines: [{ is: 'line', part: null, component: berths('2') }] },
        read: [{ path: 'berths', before: 1, after: 2, unknown: false }],
      },
      {
        address: 'quay_role.reader',
        movedFrom: null,
        module: '',
        type: 'quay_role',
        action: 'create',
        under: null,
        tags: null,
        before: null,
        after: { is: 'free', why: 'Roles cost nothing.' },
        read: [],
      },
    ],
    remarks: [],
  },
  load: null,
  limits: null,
};

function berths(count: string): object {
  return {
    id: 'quay_server.berth',
    name: 'quay_server.berth',
    kind: 'server',
    count: { likely: count },
    place: { book: 'harbour-house', region: 'quay' },
    choice: { by: 'sku', sku: 'BERTH-4-16' },
    running: { pattern: 'always' },
    usage: {},
    term: 'on-demand',
  };
}
