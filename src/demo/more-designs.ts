/** Two more designs of the demo: one that streams and queries, and one whose licence can be had in three ways. */
import { inAllCases } from '@/engine/usage';
import { designOf, type Part, sku } from './design-parts';

const ELBE = { book: 'osmere', region: 'de.elbe' };
const SEVERN = { book: 'norvane', region: 'severn-1' };
const HARBOUR = { book: 'haldreach', region: 'HR-SEV' };
const gb = (likely: string, lean?: string, heavy?: string) => ({
  amount: { likely, ...(lean ? { lean } : {}), ...(heavy ? { heavy } : {}) },
  unit: 'GB',
});
const DATABASE = {
  kind: 'relational-database',
  count: inAllCases('2'),
  usage: { stored: { amount: inAllCases('600'), unit: 'GiB', setAside: inAllCases('800') } },
} satisfies Partial<Part>;

export const TELEMETRY_LAKE = designOf(
  'Vessel telemetry lake',
  'Engines, tanks and bridges of nine ships report every second; questions are asked on weekdays.',
  [
    [
      'Intake',
      [
        {
          name: 'Readings from the ships',
          kind: 'stream',
          place: SEVERN,
          choice: sku('NV-CURRENT'),
          count: inAllCases('3'),
          usage: { in: gb('920', '700', '1500'), out: gb('1840'), stored: gb('210') },
        },
        {
          name: 'Cleaning of readings',
          kind: 'function',
          place: SEVERN,
          choice: sku('NV-FLINT'),
          size: { vcpu: inAllCases('1'), memory: inAllCases('0.5') },
          usage: {
            requests: { amount: { likely: '390', lean: '300', heavy: '620' }, unit: 'million requests' },
            'run-time': {
              amount: { likely: '390', lean: '300', heavy: '620' },
              unit: 'million requests',
              each: { amount: inAllCases('85'), unit: 'millisecond' },
            },
          },
        },
        {
          name: 'Alarms to the crew',
          kind: 'queue',
          place: SEVERN,
          choice: sku('NV-POST'),
          usage: {
            requests: {
              amount: inAllCases('24'),
              unit: 'million requests',
              each: { amount: inAllCases('90'), unit: 'KiB' },
            },
          },
        },
      ],
    ],
    [
      'Kept',
      [
        {
          name: 'This season',
          kind: 'object-store',
          place: SEVERN,
          choice: sku('NV-STORE-NEAR'),
          usage: {
            stored: gb('11000', '9000', '16000'),
            writes: { amount: inAllCases('12'), unit: 'million requests' },
          },
        },
        {
          name: 'Earlier seasons',
          kind: 'object-store',
          place: SEVERN,
          choice: sku('NV-STORE-FAR'),
          usage: { stored: gb('74000'), retrieved: gb('900', '0', '6000') },
        },
      ],
    ],
    [
      'Questions',
      [
        {
          name: 'Warehouse on weekdays',
          kind: 'warehouse',
          place: SEVERN,
          choice: sku('NV-HALL'),
          running: {
            pattern: 'weekdays',
            hoursPerDay: { likely: '9', heavy: '14' },
            daysPerWeek: inAllCases('5'),
          },
          usage: {
            stored: { amount: inAllCases('14'), unit: 'TB' },
            scanned: { amount: { likely: '60', lean: '25', heavy: '180' }, unit: 'TB' },
          },
        },
        {
          name: 'Models of the engines',
          kind: 'server',
          place: ELBE,
          choice: { by: 'cheapest', need: { vcpu: '8', memory: '32', gpu: '1' } },
          running: {
            pattern: 'runs',
            perMonth: inAllCases('22'),
            minutesEach: { likely: '190', heavy: '420' },
          },
        },
        {
          name: 'Watching it all',
          kind: 'monitoring',
          place: SEVERN,
          choice: sku('NV-WATCH'),
          usage: {
            metrics: { amount: inAllCases('640'), unit: 'item' },
            alarms: { amount: inAllCases('90'), unit: 'item' },
            logs: gb('140'),
            stored: gb('420'),
          },
        },
        { name: 'Help', kind: 'support-plan', place: SEVERN, choice: sku('NV-HELP-CLOSE') },
      ],
    ],
  ],
  {
    start: '2027-01',
    growth: { traffic: { likely: '0.012', lean: '0.004', heavy: '0.03' }, stock: { likely: '0.02' } },
    season: ['0.7', '0.7', '0.8', '0.9', '1.1', '1.4', '1.6', '1.6', '1.2', '0.9', '0.8', '0.7'],
  },
);

export const CREW_ROTA = designOf(
  'Crew rota database',
  'A licensed engine, in three ways of running it: managed with the licence in it, managed with our own, on a server.',
  [
    [
      'Managed, licence included',
      [
        {
          ...DATABASE,
          name: 'Castrum engine at Norvane',
          place: SEVERN,
          choice: sku('NV-DB-CASTRUM-8-64'),
          term: '12-none',
        },
        {
          ...DATABASE,
          name: 'Castrum engine at Haldreach',
          place: HARBOUR,
          choice: sku('HD-VAULT-STD-8-64'),
        },
      ],
    ],
    [
      'Managed, licence of our own',
      [
        {
          ...DATABASE,
          name: 'Castrum engine, own licence',
          place: HARBOUR,
          choice: sku('HD-VAULT-OWN-8-64'),
          licences: [
            { product: 'castrum-db', how: 'brought', ownYearly: { likely: '9400', heavy: '11800' } },
          ],
        },
      ],
    ],
    [
      'On our own servers',
      [
        {
          name: 'Server with the engine',
          kind: 'server',
          place: HARBOUR,
          choice: sku('HD-FREE'),
          count: inAllCases('2'),
          size: { vcpu: inAllCases('6'), memory: inAllCases('60') },
          licences: [
            { product: 'atrium-server', how: 'included' },
            { product: 'castrum-db', how: 'included' },
          ],
        },
        {
          name: 'Disks of the engine',
          kind: 'block-volume',
          place: HARBOUR,
          choice: sku('HD-BLOCK'),
          count: inAllCases('2'),
          usage: {
            capacity: { amount: inAllCases('800'), unit: 'GiB' },
            iops: { amount: inAllCases('4000'), unit: 'IOPS' },
          },
        },
        {
          name: 'Copies of both',
          kind: 'backup',
          place: HARBOUR,
          choice: sku('HD-GUARD'),
          usage: {
            protected: {
              amount: inAllCases('1640'),
              unit: 'GB',
              sizes: [
                { count: '2', amount: '780' },
                { count: '2', amount: '40' },
              ],
            },
            stored: gb('2100'),
          },
        },
        {
          name: 'Keeping the engine in order',
          kind: 'custom',
          place: null,
          custom: [
            {
              label: 'Hours of an administrator',
              unit: 'hour',
              amount: { likely: '14', lean: '8', heavy: '30' },
              charge: { structure: 'per-unit', price: '62' },
            },
          ],
        },
      ],
    ],
  ],
);
