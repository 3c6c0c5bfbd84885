/** Starters for data, nights and offices. */
import { of, OFFICE, type Starter } from './starter-types';

export const DATA_STARTERS: readonly Starter[] = [
  {
    key: 'three-environments',
    title: 'A database in development, test and production',
    work: 'Database',
    description: 'One database three times: always on and twice in production, in office hours elsewhere.',
    sections: [
      [
        'Production',
        [
          {
            kind: 'relational-database',
            name: 'Database',
            count: '2',
            need: ['8', '32'],
            usage: { stored: of('500', 'GiB', '400', '900') },
          },
          { kind: 'backup', name: 'Backup', usage: { protected: of('500', 'GB'), stored: of('1500', 'GB') } },
        ],
      ],
      [
        'Test',
        [
          {
            kind: 'relational-database',
            name: 'Test database',
            need: ['4', '16'],
            running: OFFICE,
            usage: { stored: of('200', 'GiB') },
          },
        ],
      ],
      [
        'Development',
        [
          {
            kind: 'relational-database',
            name: 'Development database',
            need: ['2', '8'],
            running: OFFICE,
            usage: { stored: of('50', 'GiB') },
          },
        ],
      ],
    ],
  },
  {
    key: 'events-to-archive',
    title: 'Event stream to archive',
    work: 'Data in motion',
    description: 'Measurements arrive all day, are tidied up by a function, and are kept for years.',
    sections: [
      [
        'Intake',
        [
          { kind: 'stream', name: 'Measurements', usage: { in: of('900', 'GB'), out: of('1800', 'GB') } },
          {
            kind: 'function',
            name: 'Tidying up',
            size: ['1', '1'],
            usage: {
              requests: of('40000000', 'request'),
              'run-time': {
                ...of('40000000', 'request'),
                each: { amount: { likely: '120' }, unit: 'millisecond' },
              },
            },
          },
        ],
      ],
      [
        'Archive',
        [
          {
            kind: 'object-store',
            name: 'Years of measurements',
            usage: { stored: of('8000', 'GB', '6000', '20000'), writes: of('900000', 'request') },
          },
          {
            kind: 'warehouse',
            name: 'Questions',
            usage: { stored: of('2', 'TB'), scanned: of('30', 'TB') },
            running: OFFICE,
          },
        ],
      ],
    ],
  },
  {
    key: 'office-rooms',
    title: 'Files and sign-in of a small firm',
    work: 'Office',
    description: 'Forty people, their files, their sign-in, and a tunnel to the office.',
    sections: [
      [
        'Office',
        [
          { kind: 'file-share', name: 'Files', usage: { stored: of('2000', 'GiB', '1200', '4000') } },
          {
            kind: 'backup',
            name: 'Backup',
            usage: { protected: of('2000', 'GB'), stored: of('4000', 'GB') },
          },
          { kind: 'directory', name: 'Sign-in', usage: { users: of('40', 'user') } },
          { kind: 'vpn', name: 'Tunnel to the office', usage: { data: of('300', 'GB') } },
          { kind: 'server', name: 'Accounts', need: ['4', '16'], running: OFFICE },
        ],
      ],
    ],
  },
  {
    key: 'nightly-runs',
    title: 'Nightly calculations',
    work: 'Batch',
    description: 'Eight machines for six hours a night; they may be taken away and begin again.',
    sections: [
      [
        'Nights',
        [
          {
            kind: 'server',
            name: 'Calculating',
            count: '8',
            need: ['8', '32'],
            running: { pattern: 'days', hoursPerDay: { likely: '6' }, daysPerMonth: { likely: '30' } },
            mayBeStopped: true,
          },
          { kind: 'block-volume', name: 'Room to work', count: '8', usage: { capacity: of('200', 'GiB') } },
          { kind: 'object-store', name: 'Results', usage: { stored: of('1200', 'GB') } },
        ],
      ],
    ],
  },
  {
    key: 'camera-archive',
    title: 'Camera archive',
    work: 'Archive',
    description: 'Pictures that are kept for years and hardly ever asked for.',
    sections: [
      [
        'Archive',
        [
          {
            kind: 'object-store',
            name: 'Recordings',
            usage: {
              stored: of('40000', 'GB', '30000', '60000'),
              writes: of('3000000', 'request'),
              retrieved: of('400', 'GB'),
            },
          },
          { kind: 'transfer-out', name: 'Recordings out', usage: { transferred: of('400', 'GB') } },
          { kind: 'server', name: 'Gate', need: ['2', '4'] },
        ],
      ],
    ],
  },
];
