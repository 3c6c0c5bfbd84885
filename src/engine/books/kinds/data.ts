/** Databases, analytics and what moves data between parts. */
import { held, kind, monthly, required, running } from './definition';

const MANAGED = { committable: true, size: 'fixed', licensable: true } as const;

export const DATA = [
  kind(
    'relational-database',
    ['Relational database', 'Relational databases', 'node'],
    'Databases',
    'A managed database with tables and transactions; hours by size, and its storage.',
    [
      running('running', 'Running', 'hour', required),
      held('stored', 'Storage', 'GiB'),
      held('iops', 'Operations a second set aside', 'IOPS'),
      held('backups', 'Backups beyond what is included', 'GiB'),
    ],
    MANAGED,
  ),
  kind(
    'key-value-store',
    ['Key-value store', 'Key-value stores', 'table'],
    'Databases',
    'Tables without fixed columns; paid for each read and write and for what is held.',
    [
      monthly('reads', 'Reads', 'request', required),
      monthly('writes', 'Writes', 'request', required),
      held('stored', 'Held', 'GB'),
    ],
  ),
  kind(
    'cache',
    ['Cache', 'Caches', 'node'],
    'Databases',
    'Keeps answers in memory in front of slower stores; hours by size.',
    [running('running', 'Running', 'hour', required)],
    { committable: true, size: 'fixed' },
  ),
  kind(
    'search-index',
    ['Search index', 'Search indexes', 'node'],
    'Databases',
    'Full-text search over documents; hours by size, and its storage.',
    [running('running', 'Running', 'hour', required), held('stored', 'Storage', 'GiB')],
    { committable: true, size: 'fixed' },
  ),
  kind(
    'warehouse',
    ['Warehouse', 'Warehouses', 'warehouse'],
    'Analytics',
    'Answers questions over large tables; paid in consumption units while it works, and for storage.',
    [
      running('running', 'Working', 'hour', required),
      held('stored', 'Held', 'TB'),
      monthly('scanned', 'Read by queries', 'TB'),
    ],
    { committable: true },
  ),
  kind(
    'data-platform',
    ['Data platform', 'Data platforms', 'node'],
    'Analytics',
    'Sold in its own consumption units on top of the machines it runs on.',
    [running('running', 'Working', 'hour', required), running('units', 'Consumption units', 'hour')],
    { committable: true, size: 'fixed' },
  ),
  kind(
    'queue',
    ['Queue', 'Queues', 'queue'],
    'Integration',
    'Hands messages from one part to another; paid for each started piece of a message.',
    [monthly('requests', 'Messages', 'request', { ...required, derived: 'monthly-requests' })],
  ),
  kind(
    'stream',
    ['Stream', 'Streams', 'stream'],
    'Integration',
    'An ordered flow of events kept for some time; capacity hours, what goes in, what is kept.',
    [
      running('running', 'Capacity running', 'hour'),
      monthly('in', 'Sent in', 'GB', { derived: 'exchange-transfer' }),
      monthly('out', 'Read out', 'GB'),
      held('stored', 'Kept', 'GB'),
    ],
  ),
  kind(
    'api-front-door',
    ['API front door', 'API front doors', 'front door'],
    'Integration',
    'Receives, checks and passes on calls; paid for each, in started pieces of what they carry.',
    [
      monthly('requests', 'Calls', 'request', { ...required, derived: 'monthly-requests' }),
      monthly('transferred', 'Sent out', 'GB', { derived: 'reply-transfer' }),
    ],
  ),
] as const;
