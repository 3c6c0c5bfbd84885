/** Kinds that keep data. */
import { held, kind, monthly, required } from './definition';

const retrieved = monthly('retrieved', 'Read back', 'GB');

export const STORAGE = [
  kind(
    'block-volume',
    ['Block volume', 'Block volumes', 'volume'],
    'Storage',
    'A lasting disk for one server; paid for what is set aside, also while the server is stopped.',
    [
      held('capacity', 'Capacity set aside', 'GiB', required),
      held('iops', 'Operations a second set aside', 'IOPS'),
      held('throughput', 'Throughput set aside', 'MiB/s'),
    ],
  ),
  kind(
    'object-store',
    ['Object storage', 'Object storage', 'store'],
    'Storage',
    'Files of any size, read and written over the network; paid for what is held and for each request.',
    [
      held('stored', 'Held', 'GB', required),
      monthly('writes', 'Write requests'),
      monthly('reads', 'Read requests'),
      retrieved,
    ],
  ),
  kind(
    'file-share',
    ['File share', 'File shares', 'share'],
    'Storage',
    'Folders that many servers mount at once.',
    [held('stored', 'Held', 'GiB', required), held('throughput', 'Throughput set aside', 'MiB/s'), retrieved],
  ),
  kind(
    'snapshot',
    ['Snapshots', 'Snapshots', 'set'],
    'Storage',
    'Copies of volumes as they were; what changed since the last one is held as long as it is kept.',
    [held('stored', 'Changed data', 'GiB', required)],
  ),
  kind(
    'backup',
    ['Backup', 'Backups', 'plan'],
    'Storage',
    'Protects machines wherever they stand: a fee for each by its size, and what is stored.',
    [
      held('protected', 'Protected, by machine', 'GB'),
      held('stored', 'Stored copies', 'GB'),
      monthly('restored', 'Restored', 'GB'),
    ],
  ),
] as const;
