/** The words by which headings of inventories are known, of several languages. Needs M1. */
import type { Field } from './fleet-fields';

/** Words of a heading, lower case, without signs; all of one list must stand in it. The first that fits is meant. */
export const WORDS: readonly (readonly [Field, readonly (readonly string[])[]])[] = [
  [
    'peakCpu',
    [
      ['cpu', 'peak'],
      ['cpu', 'max'],
      ['processor', 'peak'],
      ['cpu', 'spitze'],
      ['cpu', 'pico'],
    ],
  ],
  [
    'usualCpu',
    [
      ['cpu', '95'],
      ['cpu', 'p95'],
      ['cpu', 'percentile'],
      ['processor', '95'],
    ],
  ],
  [
    'peakMemory',
    [
      ['memory', 'peak'],
      ['memory', 'max'],
      ['ram', 'peak'],
      ['ram', 'max'],
      ['mem', 'peak'],
      ['mem', 'max'],
    ],
  ],
  [
    'usualMemory',
    [
      ['memory', '95'],
      ['ram', '95'],
      ['mem', '95'],
      ['memory', 'p95'],
      ['ram', 'p95'],
      ['mem', 'p95'],
    ],
  ],
  [
    'useCpu',
    [
      ['cpu', 'usage'],
      ['cpu', 'use'],
      ['cpu', 'load'],
      ['cpu', 'utilisation'],
      ['cpu', 'utilization'],
      ['cpu', 'auslastung'],
    ],
  ],
  [
    'useMemory',
    [
      ['memory', 'usage'],
      ['memory', 'use'],
      ['ram', 'usage'],
      ['mem', 'usage'],
      ['memory', 'utilisation'],
      ['memory', 'utilization'],
    ],
  ],
  ['iops', [['iops'], ['operations', 'second']]],
  ['sent', [['network', 'out'], ['net', 'out'], ['sent'], ['egress'], ['outbound']]],
  [
    'sharedDisks',
    [
      ['shared', 'disk'],
      ['shared', 'disks'],
      ['shared', 'storage'],
    ],
  ],
  ['stored', [['disk', 'used'], ['storage', 'used'], ['used', 'space'], ['consumed'], ['belegt']]],
  ['storage', [['storage'], ['disk'], ['provisioned'], ['capacity'], ['speicherplatz'], ['stockage']]],
  ['memory', [['memory'], ['ram'], ['mem'], ['arbeitsspeicher'], ['memoria'], ['mémoire']]],
  ['vcpu', [['vcpu'], ['vcpus'], ['cpus'], ['cpu'], ['cores'], ['processors'], ['prozessoren'], ['núcleos']]],
  ['licences', [['licence'], ['licences'], ['license'], ['licenses'], ['lizenz']]],
  ['tags', [['tag'], ['tags'], ['labels'], ['attributes']]],
  ['applications', [['application'], ['applications'], ['app'], ['apps'], ['anwendung'], ['workload']]],
  [
    'kind',
    [['physical'], ['virtual'], ['machine', 'type'], ['machine', 'kind'], ['server', 'type'], ['kind']],
  ],
  ['power', [['power'], ['powerstate'], ['state'], ['status'], ['running']]],
  ['cluster', [['cluster']]],
  ['host', [['host'], ['hypervisor'], ['node']]],
  ['environment', [['environment'], ['env'], ['stage'], ['umgebung']]],
  ['system', [['os'], ['operating'], ['system'], ['guest'], ['betriebssystem']]],
  ['id', [['id'], ['uuid'], ['serial'], ['key']]],
  ['name', [['name'], ['machine'], ['server'], ['vm'], ['hostname'], ['instance']]],
];
