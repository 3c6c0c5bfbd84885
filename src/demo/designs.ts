/** The demo's designs: what Skerrow Ferries plans to run once Harbour House is emptied. */
import { type Component, type Design, designInStep } from '@/engine/design';
import { inAllCases } from '@/engine/usage';
import { withAlternatives } from './alternatives';
import { designOf, sku } from './design-parts';
import { CREW_ROTA, TELEMETRY_LAKE } from './more-designs';

const ELBE = { book: 'osmere', region: 'de.elbe' };
const HUDSON = { book: 'norvane', region: 'hudson-1' };

const gib = (likely: string, lean?: string, heavy?: string) => ({
  capacity: { amount: { likely, lean, heavy }, unit: 'GiB' },
});
const out = (likely: string, lean?: string, heavy?: string) => ({
  transferred: { amount: { likely, lean, heavy }, unit: 'GB' },
});
/** What it comes to is worked out when the designs are put together. */
const follows = (formula: string) => ({ likely: '0', formula });

const officeHours: Component['running'] = {
  pattern: 'days',
  hoursPerDay: inAllCases('10'),
  daysPerMonth: inAllCases('22'),
};

const PLANNED: readonly Design[] = [
  designOf(
    'Booking and check-in',
    'Tickets, check-in and invoices for nine ships; weekday peaks at seven and sixteen.',
    [
      [
        'Booking web and API',
        [
          {
            name: 'Front servers',
            kind: 'server',
            choice: sku('NV-BAL-4-16'),
            count: { likely: '4', lean: '3', heavy: '6' },
            term: '36-part',
          },
          {
            name: 'API servers',
            kind: 'server',
            choice: { by: 'cheapest', need: { vcpu: '8', memory: '16' } },
            count: { likely: '3', lean: '2', heavy: '8' },
          },
          {
            name: 'Ticket printing',
            kind: 'server',
            choice: sku('NV-LIT-2-4'),
            running: { pattern: 'hours', hoursPerMonth: inAllCases('300') },
          },
          {
            name: 'Server disks',
            kind: 'block-volume',
            choice: sku('NV-VOL-EVEN'),
            count: inAllCases('8'),
            usage: gib('80'),
          },
        ],
      ],
      [
        'Data',
        [
          {
            name: 'Booking database',
            kind: 'server',
            choice: sku('NV-MEM-8-64'),
            count: inAllCases('2'),
            term: '12-none',
          },
          {
            name: 'Database volumes',
            kind: 'block-volume',
            choice: sku('NV-VOL-SWIFT'),
            count: inAllCases('2'),
            usage: gib('900', '700', '1400'),
          },
          { name: 'Seat cache', kind: 'server', choice: sku('NV-MEMM-2-16'), count: inAllCases('2') },
          {
            name: 'Tickets and invoices',
            kind: 'object-store',
            choice: sku('NV-STORE-NEAR'),
            usage: {
              stored: { amount: { likely: '2600', lean: '2200', heavy: '3900' }, unit: 'GB' },
              writes: { amount: inAllCases('4100000'), unit: 'request' },
              reads: { amount: { likely: '38000000', heavy: '90000000' }, unit: 'request' },
            },
          },
        ],
      ],
      [
        'Delivery',
        [
          {
            name: 'Pages and tickets to travellers',
            kind: 'transfer-out',
            choice: sku('NV-OUT'),
            usage: out('8200', '5200', '21000'),
          },
          {
            name: 'Feeds to harbour partners',
            kind: 'transfer-out',
            choice: sku('NV-OUT'),
            usage: out('3400'),
          },
        ],
      ],
      [
        'Staging, office hours',
        [
          {
            name: 'Staging servers',
            kind: 'server',
            choice: sku('NV-BAL-2-8'),
            count: inAllCases('3'),
            running: officeHours,
          },
          {
            name: 'Staging disks',
            kind: 'block-volume',
            choice: sku('NV-VOL-EVEN'),
            count: inAllCases('3'),
            usage: gib('60'),
          },
          {
            name: 'Load generator',
            kind: 'server',
            choice: sku('NV-CPU-96-192'),
            running: { pattern: 'hours', hoursPerMonth: inAllCases('12') },
            place: { book: 'norvane', region: 'plata-1' },
          },
        ],
      ],
    ],
  ),
  designOf(
    'Live sailing map',
    'Where every ship is, for everyone on the quay. In a storm all islands look at once.',
    [
      [
        'Position stream',
        [
          {
            name: 'Position receivers',
            kind: 'server',
            choice: sku('OS-SWIFT-M-4-8'),
            count: follows('ceil(ships / 110[ship])'),
            place: ELBE,
          },
          {
            name: 'Position archive',
            kind: 'object-store',
            choice: sku('OS-HOLD-RARE'),
            place: ELBE,
            usage: {
              stored: { amount: inAllCases('5400'), unit: 'GiB' },
              writes: { amount: follows('ships * 200000[request/ship]'), unit: 'request' },
            },
          },
        ],
      ],
      [
        'Map tiles',
        [
          {
            name: 'Tile servers',
            kind: 'server',
            choice: sku('OS-TERN-M-8-32'),
            count: follows('min(16, ceil(viewers / 52000[viewer]))'),
            place: ELBE,
            term: '12-none',
          },
          {
            name: 'Tile store',
            kind: 'object-store',
            choice: sku('OS-HOLD'),
            place: ELBE,
            usage: {
              stored: { amount: inAllCases('1800'), unit: 'GiB' },
              reads: {
                amount: follows('viewers * 1000[request/viewer]'),
                unit: 'request',
              },
            },
          },
          {
            name: 'Tiles and positions out',
            kind: 'transfer-out',
            choice: sku('OS-SAIL-OUT'),
            place: ELBE,
            usage: {
              transferred: { amount: follows('viewers * 0.2[GB/viewer]'), unit: 'GB' },
            },
          },
        ],
      ],
    ],
    {
      drivers: [
        {
          name: 'viewers',
          title: 'Viewers in the month',
          unit: 'viewer',
          value: { likely: '205000', lean: '90000', heavy: '1300000' },
          from: '10000',
          to: '5000000',
          scale: 'log',
        },
        {
          name: 'ships',
          title: 'Ships that report',
          unit: 'ship',
          value: { likely: '310', lean: '200', heavy: '990' },
          from: '50',
          to: '3000',
          scale: 'log',
        },
      ],
      kept: [
        {
          id: 'kept-curve',
          name: 'The month over its viewers',
          ask: {
            shows: 'curve',
            along: { of: 'driver', name: 'viewers' },
            range: null,
            beside: ['norvane', 'kitewharf'],
            of: { of: 'all' },
          },
        },
        {
          id: 'kept-range',
          name: 'How sure the month is',
          ask: { shows: 'draws', seed: 'harbour', draws: 10_000 },
        },
      ],
    },
  ),
  designOf(
    'Harbour camera archive',
    'Pictures from fourteen harbours, kept seven years.',
    [
      [
        'Archive',
        [
          {
            name: 'Last thirty days',
            kind: 'object-store',
            choice: sku('NV-STORE-NEAR'),
            place: HUDSON,
            usage: {
              stored: { amount: inAllCases('36'), unit: 'TB' },
              writes: { amount: inAllCases('9400000'), unit: 'request' },
            },
          },
          {
            name: 'Seven years',
            kind: 'object-store',
            choice: sku('NV-STORE-DEEP'),
            place: HUDSON,
            usage: {
              stored: { amount: { likely: '2.9', lean: '2.4', heavy: '3.6' }, unit: 'PB' },
              writes: { amount: inAllCases('780000'), unit: 'request' },
            },
          },
          {
            name: 'Restore for inquiries',
            kind: 'transfer-out',
            choice: sku('NV-OUT'),
            place: HUDSON,
            usage: out('600', '0', '9000'),
          },
        ],
      ],
      [
        'Intake',
        [
          {
            name: 'Intake servers',
            kind: 'server',
            choice: { by: 'cheapest', need: { vcpu: '2', memory: '8' } },
            count: inAllCases('2'),
            place: HUDSON,
            term: '36-all',
          },
        ],
      ],
    ],
    {},
    { norvane: 1 },
  ),
  TELEMETRY_LAKE,
  CREW_ROTA,
];

export const DEMO_DESIGNS: readonly Design[] = PLANNED.map((each) => designInStep(withAlternatives(each)));
