/**
 * The demo's estate: Harbour House, 164 machines on eleven hosts in three clusters, as an inventory program would write it,
 * with the flaws that such lists have: machines that nobody measured, one that stands twice, one without memory, states and
 * systems in every spelling. And estates of any size, for trying and measuring.
 */
import { seededRandom } from '@/core/base';

const HEAD = [
  'VM',
  'Powerstate',
  'CPUs',
  'Memory (MB)',
  'Provisioned (GB)',
  'Disk used (GB)',
  'CPU peak (%)',
  'CPU p95 (%)',
  'Memory peak (%)',
  'Memory p95 (%)',
  'Host',
  'Cluster',
  'Environment',
  'Guest OS',
  'IOPS peak',
  'Network out (GB)',
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
      off ? 'poweredOff' : 'poweredOn',
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
    ]);
  }
  return rows;
}

/** Harbour House with its flaws: 164 machines, one of them listed twice, and a machine without memory. */
export function harbourHouseRows(): string[][] {
  const rows = estateRows(164, 'harbour house');
  rows.splice(60, 0, [...rows[40]!]);
  rows.push([
    'gangway-01',
    'poweredOn',
    '2',
    'n/a',
    '40',
    '12',
    '',
    '',
    '',
    '',
    'house-03',
    'quay',
    'live',
    'Linux 64-bit',
    '',
    '',
  ]);
  return rows;
}

/** The same as a text file. */
export function harbourHouse(): string {
  return csvOf(harbourHouseRows());
}

/** Estates are words and numbers: nothing in them needs quotes but what holds a separator. */
export function csvOf(rows: readonly (readonly string[])[]): string {
  const cell = (text: string): string => (/[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
  return `${rows.map((row) => row.map(cell).join(',')).join('\n')}\n`;
}
