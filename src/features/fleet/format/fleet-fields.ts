/** The fields of a machine that a column of an inventory may be. Needs M1. */

/** What a machine may have. */
export const FIELDS = [
  'id',
  'name',
  'host',
  'cluster',
  'environment',
  'system',
  'power',
  'vcpu',
  'memory',
  'storage',
  'stored',
  'peakCpu',
  'usualCpu',
  'peakMemory',
  'usualMemory',
  'useCpu',
  'useMemory',
  'iops',
  'sent',
  'kind',
  'tags',
  'applications',
  'licences',
  'sharedDisks',
] as const;
export type Field = (typeof FIELDS)[number];

/** What a person reads where a field is chosen. */
export const FIELD_WORDS: Readonly<Record<Field, string>> = {
  id: 'Key',
  name: 'Name',
  host: 'Host',
  cluster: 'Cluster',
  environment: 'Environment',
  system: 'Operating system',
  power: 'Power state',
  vcpu: 'vCPU',
  memory: 'Memory',
  storage: 'Disk set aside',
  stored: 'Disk used',
  peakCpu: 'CPU, peak',
  usualCpu: 'CPU, 95th percentile',
  peakMemory: 'Memory, peak',
  usualMemory: 'Memory, 95th percentile',
  useCpu: 'CPU, one measurement',
  useMemory: 'Memory, one measurement',
  iops: 'Operations a second',
  sent: 'Sent a month',
  kind: 'Physical or virtual',
  tags: 'Tags',
  applications: 'Applications',
  licences: 'Licences',
  sharedDisks: 'Shared disks',
};

/** Fields that are shares of what a machine has. */
export const SHARES: readonly Field[] = [
  'peakCpu',
  'usualCpu',
  'peakMemory',
  'usualMemory',
  'useCpu',
  'useMemory',
];
