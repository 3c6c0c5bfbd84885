/** Machines as CSV that opens here again: every field under a heading that says its unit. Text is never a formula. */
import type { Fact, Machine } from '@/features/fleet/calc';

/** What a machine became, beside what it is; as printed. */
export interface CsvPlaced {
  readonly becomes: string;
  readonly monthly: string;
}

const HEADINGS = [
  'Key',
  'Name',
  'Host',
  'Cluster',
  'Environment',
  'Operating system',
  'Power state',
  'Machine type',
  'vCPU',
  'Memory (GiB)',
  'Disk set aside (GiB)',
  'Disk used (GiB)',
  'CPU peak',
  'CPU 95th percentile',
  'Memory peak',
  'Memory 95th percentile',
  'IOPS',
  'Sent a month (GB)',
  'Shared disks',
  'Tags',
  'Applications',
  'Licences',
] as const;

export function writeFleetCsv(
  machines: readonly Machine[],
  placed?: { readonly currency: string; readonly of: (machine: Machine) => CsvPlaced | null },
): string {
  const head = [...HEADINGS, ...(placed ? ['Becomes', `A month (${placed.currency})`] : [])];
  const lines = [head.join(',')];
  for (const machine of machines) {
    const found = placed?.of(machine);
    const more = placed ? [text(found?.becomes ?? ''), found?.monthly ?? ''] : [];
    lines.push([...cellsOf(machine), ...more].join(','));
  }
  return `\ufeff${lines.join('\r\n')}\r\n`;
}

function cellsOf(machine: Machine): string[] {
  const { id, name, host, cluster, environment, system, power, kind, tags, applications, licences } = machine;
  return [
    ...[id, name, host, cluster, environment, system].map(text),
    power ?? '',
    kind ?? '',
    ...[machine.vcpu, machine.memory, machine.storage, machine.stored].map(number),
    ...[machine.peakCpu, machine.usualCpu, machine.peakMemory, machine.usualMemory].map(number),
    number(machine.iops),
    number(machine.sent),
    machine.sharedDisks ? 'yes' : 'no',
    ...[tags.join('; '), applications, licences].map(text),
  ];
}

const number = (fact: Fact | null): string => (fact === null ? '' : String(fact.value));

/** A text that a spreadsheet would take for a formula begins with an apostrophe; it is taken off when it is read. */
function text(value: string): string {
  const safe = /^[=+\-@\t\r]/.test(value) || value.startsWith("'") ? `'${value}` : value;
  return /[",;\n\r]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
}
