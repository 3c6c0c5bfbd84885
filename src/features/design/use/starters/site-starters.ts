/** Starters that people outside reach. */
import { of, type Starter } from './starter-types';

export const SITE_STARTERS: readonly Starter[] = [
  {
    key: 'site-with-api',
    title: 'Small public site with an API',
    work: 'Web site',
    description:
      'Two machines behind a name, one database, pictures in a store; a few thousand visitors a day.',
    sections: [
      [
        'Site',
        [
          { kind: 'server', name: 'Web and API', count: '2', need: ['2', '4'] },
          { kind: 'object-store', name: 'Pictures', usage: { stored: of('100', 'GB') } },
          { kind: 'transfer-out', name: 'Pages out', usage: { transferred: of('300', 'GB', '100', '1200') } },
          { kind: 'name-service', name: 'Name', usage: { requests: of('2000000', 'request') } },
        ],
      ],
      [
        'Data',
        [
          {
            kind: 'relational-database',
            name: 'Database',
            need: ['2', '8'],
            usage: { stored: of('60', 'GiB') },
          },
          { kind: 'backup', name: 'Backup', usage: { protected: of('60', 'GB'), stored: of('120', 'GB') } },
        ],
      ],
    ],
  },
  {
    key: 'seasonal-shop',
    title: 'BuyingPlace with a busy season',
    work: 'Web site',
    description:
      'A shop that sells tickets: peaks on weekdays, a cache, pictures from the edge, protection in front.',
    sections: [
      [
        'Front',
        [
          { kind: 'balancer-requests', name: 'Balancer', usage: { data: of('1500', 'GB') } },
          {
            kind: 'front-door-protection',
            name: 'Protection',
            usage: { requests: of('30000000', 'request') },
          },
          {
            kind: 'content-delivery',
            name: 'Pictures from the edge',
            usage: { transferred: of('2500', 'GB', '1000', '9000'), requests: of('60000000', 'request') },
          },
        ],
      ],
      [
        'BuyingPlace',
        [
          {
            kind: 'server',
            name: 'BuyingPlace servers',
            count: '4',
            need: ['4', '16'],
            running: {
              pattern: 'peaks',
              baseline: { likely: '2' },
              peak: { likely: '4' },
              days: [0, 1, 2, 3, 4],
              from: 7,
              hours: { likely: '11' },
            },
          },
          { kind: 'cache', name: 'Baskets', count: '2', need: ['2', '8'] },
          { kind: 'queue', name: 'Orders', usage: { requests: of('20000000', 'request') } },
        ],
      ],
      [
        'Data',
        [
          {
            kind: 'relational-database',
            name: 'Orders and stock',
            count: '2',
            need: ['4', '16'],
            usage: { stored: of('200', 'GiB') },
          },
          { kind: 'backup', name: 'Backup', usage: { protected: of('200', 'GB'), stored: of('600', 'GB') } },
        ],
      ],
    ],
  },
  {
    key: 'live-map',
    title: 'Live map with tiles',
    work: 'Heavy delivery',
    description:
      'Tiles and positions for everybody on the quay; nearly all of the money leaves with the data.',
    sections: [
      [
        'Map',
        [
          { kind: 'container-run-time', name: 'Positions', count: '3', size: ['2', '4'] },
          {
            kind: 'object-store',
            name: 'Tiles',
            usage: { stored: of('1800', 'GB'), reads: of('90000000', 'request') },
          },
          {
            kind: 'content-delivery',
            name: 'Tiles out',
            usage: { transferred: of('20000', 'GB', '8000', '70000'), requests: of('300000000', 'request') },
          },
          {
            kind: 'monitoring',
            name: 'Monitoring',
            usage: { metrics: of('60', 'item'), logs: of('40', 'GB') },
          },
        ],
      ],
    ],
  },
  {
    key: 'api-without-servers',
    title: 'API without servers',
    work: 'Web site',
    description: 'Paid by the question: a front door, functions and a store of keys and values.',
    sections: [
      [
        'API',
        [
          {
            kind: 'api-front-door',
            name: 'Front door',
            usage: { requests: of('30000000', 'request'), transferred: of('200', 'GB') },
          },
          {
            kind: 'function',
            name: 'Answers',
            size: ['1', '0.5'],
            usage: {
              requests: of('30000000', 'request'),
              'run-time': {
                ...of('30000000', 'request'),
                each: { amount: { likely: '90' }, unit: 'millisecond' },
              },
            },
          },
          {
            kind: 'key-value-store',
            name: 'Timetable',
            usage: {
              reads: of('90000000', 'request'),
              writes: of('4000000', 'request'),
              stored: of('30', 'GB'),
            },
          },
          { kind: 'queue', name: 'Later work', usage: { requests: of('5000000', 'request') } },
        ],
      ],
    ],
  },
];
