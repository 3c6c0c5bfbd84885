/**
 * The demo's estate: Harbour House, 164 machines on eleven hosts in three clusters, as an inventory program would write it,
 * with the flaws that such lists have: machines that nobody measured, one that stands twice, one without memory, states and
 * systems in every spelling. And estates of any size, for trying and measuring.
 */
import { seededRandom } from '@/engine/base';

const HEAD = [
  'Machine',
  'State',
  'vCPU',
  'Memory (MB)',
  'Disk set aside (GB)',
  'Disk used (GB)',
  'CPU peak (%)',
  'CPU p95 (%)',
  'Memory peak (%)',
  'Memory p95 (%)',
  'Host',
  'Cluster',
  'Environment',
  'Operating system',
  'IOPS peak',
  'Network out (GB)',
  'Licences',
] as const;

const CLUSTERS = ['quay', 'mole', 'lagoon'] as const;
const HOSTS = 11;
const ROLES = [
  'berth',
  'ticket',
  'crane',
  'ledger',
  'radio',
  'ferry',
  'store',
  'print',
  'map',
  'crew',
] as const;
const SIZES = [
  [1, 2],
  [2, 4],
  [2, 8],
  [4, 8],
  [4, 16],
  [8, 32],
  [8, 64],
  [16, 64],
  [16, 128],
] as const;
/** Every so many machines run a database; a few a program whose licence counts sockets. */
const LICENCES = Array.from({ length: 40 }, (_, at) =>
  at % 13 === 5 ? 'Castrum DB' : at === 17 ? 'Tariff engine (per socket)' : '',
);
const SYSTEMS = ['Linux 64-bit', 'linux (64 bit)', 'Server OS 2022', 'Server OS 2016', 'BSD 13'] as const;

/** Rows of a table, its headings first. The same seed gives the same estate. */
export function estateRows(machines: number, seed: string): string[][] {
  const random = seededRandom(seed);
  const rows: string[][] = [[...HEAD]];
  for (let at = 0; at < machines; at += 1) {
    const [vcpu, memory] = SIZES[Math.floor(random.next() ** 1.6 * SIZES.length)]!;
    const host = random.whole(1, HOSTS);
    const measured = random.next() > 0.12;
    const peak = 5 + random.next() * 60;
    const memoryPeak = 20 + random.next() * 70;
    const share = (value: number): string => (measured ? value.toFixed(1) : 'n/a');
    const stored = 20 + random.next() * 60 * vcpu;
    const off = random.next() < 0.06;
    rows.push([
      `${ROLES[at % ROLES.length]}-${String(Math.floor(at / ROLES.length) + 1).padStart(2, '0')}`,
      off ? 'off' : 'running',
      String(vcpu),
      String(memory * 1024),
      stored.toFixed(0),
      (stored * (0.3 + random.next() * 0.5)).toFixed(0),
      share(peak),
      share(peak * (0.4 + random.next() * 0.4)),
      share(memoryPeak),
      share(memoryPeak * (0.7 + random.next() * 0.25)),
      `house-${String(host).padStart(2, '0')}`,
      CLUSTERS[host % CLUSTERS.length]!,
      random.next() < 0.3 ? 'test' : 'live',
      random.pick(SYSTEMS),
      measured ? String(Math.round(40 + random.next() ** 4 * 9000)) : '',
      measured ? String(Math.round(random.next() ** 3 * 400)) : '',
      LICENCES[at % LICENCES.length]!,
    ]);
  }
  return rows;
}

/** Harbour House with its flaws: 164 machines, one of them listed twice, and a machine without memory. */
export function harbourHouseRows(): string[][] {
  const rows = estateRows(164, 'harbour house');
  rows.splice(60, 0, [...rows[40]!]);
  const gangway: Partial<Record<(typeof HEAD)[number], string>> = {
    Machine: 'gangway-01',
    State: 'running',
    vCPU: '2',
    'Memory (MB)': 'n/a',
    'Disk set aside (GB)': '40',
    'Disk used (GB)': '12',
    Host: 'house-03',
    Cluster: 'quay',
    Environment: 'live',
    'Operating system': 'Linux 64-bit',
  };
  rows.push(HEAD.map((heading) => gangway[heading] ?? ''));
  return rows;
}

/** The same as a text file. */
export function harbourHouse(): string {
  return csvOf(harbourHouseRows());
}

export interface DemoSheet {
  readonly name: string;
  readonly rows: readonly (readonly (string | number)[])[];
}

/** On the sheet of machines; their disks and which host is in which cluster stand on sheets of their own. */
const OF_MACHINES = HEAD.filter((heading) => !heading.startsWith('Disk') && heading !== 'Cluster');

/** The same as a workbook: a title above the headings, one row a disk, hosts apart. */
export function harbourHouseSheets(): DemoSheet[] {
  const [, ...rows] = harbourHouseRows();
  const at = (heading: (typeof HEAD)[number]): number => HEAD.indexOf(heading);
  const machines = rows.map((row) => OF_MACHINES.map((heading) => valueOf(row[at(heading)]!)));
  const seen = new Set<string>();
  const disks = rows.flatMap((row) => {
    const name = row[at('Machine')]!;
    if (seen.has(name)) return [];
    seen.add(name);
    const [aside, used] = [Number(row[at('Disk set aside (GB)')]), Number(row[at('Disk used (GB)')])];
    // The large ones have a second disk of a third.
    const parts = aside > 200 ? [aside - Math.floor(aside / 3), Math.floor(aside / 3)] : [aside];
    return parts.map((part, disk) => [name, `disk ${disk + 1}`, part, Math.round((used * part) / aside)]);
  });
  const clusterOf = new Map(rows.map((row) => [row[at('Host')]!, row[at('Cluster')]!]));
  return [
    {
      name: 'Machines',
      rows: [['Server room of Harbour House'], [], OF_MACHINES, ...machines],
    },
    { name: 'Disks', rows: [['Machine', 'Label', 'Disk set aside (GB)', 'Disk used (GB)'], ...disks] },
    { name: 'Hosts', rows: [['Host', 'Cluster'], ...[...clusterOf].sort(([a], [b]) => (a < b ? -1 : 1))] },
  ];
}

/** Numbers as a sheet has them. */
const valueOf = (text: string): string | number => (/^\d+(\.\d+)?$/.test(text) ? Number(text) : text);

/** Estates are words and numbers: nothing in them needs quotes but what holds a separator. */
export function csvOf(rows: readonly (readonly string[])[]): string {
  const cell = (text: string): string => (/[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
  return `${rows.map((row) => row.map(cell).join(',')).join('\n')}\n`;
}
