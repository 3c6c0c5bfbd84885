/** The demo's estates: Harbour House, and a generated one of two thousand machines; groups that overlap, four placements. */
import {
  defaultPlacement,
  type FleetGroup,
  type FleetPlacement,
  type FleetPlan,
  newPlan,
  type Systems,
} from '@/features/fleet/calc';
import { DEMO_REVISIONS } from './generate-book';
import { csvOf, type DemoSheet, estateRows, harbourHouseSheets } from './harbour-house';
import { DEMO_PROFILES } from './profiles';

/** Writes sheets down: who loads the demo knows how. */
export type SheetWriter = (sheets: readonly DemoSheet[], at: Date) => Promise<Uint8Array>;

export interface DemoFleet {
  readonly title: string;
  readonly origin: string;
  readonly file: (write: SheetWriter) => Promise<Uint8Array>;
  readonly plan: Pick<FleetPlan, 'systems' | 'licences' | 'groups' | 'placements'>;
}

/** `linux` texts are guessed; the old one is nobody's any more. */
const SYSTEMS: Systems = {
  'Server OS 2022': { is: 'licensed', product: 'atrium-server' },
  'Server OS 2016': { is: 'licensed', product: 'atrium-server' },
};

const GROUPS: readonly FleetGroup[] = [
  { id: 'live', name: 'Live systems', filter: { sets: { environment: ['live'] } } },
  { id: 'test', name: 'Test systems', filter: { sets: { environment: ['test'] } } },
  { id: 'quay', name: 'Everything on the quay', filter: { sets: { cluster: ['quay'] } } },
];

const SEVERN = { book: 'norvane', region: 'severn-1' };

const PLACEMENTS: readonly FleetPlacement[] = [
  { ...defaultPlacement('installed', 'Norvane, as installed', [SEVERN]), rule: { by: 'installed' } },
  defaultPlacement('used', 'Norvane, as used', [SEVERN]),
  { ...defaultPlacement('ahead', 'As used, 36 months ahead', [SEVERN]), term: '36-none' },
  {
    ...defaultPlacement('hosts', 'Own hosts at Haldreach', [{ book: 'haldreach', region: 'HR-SEV' }]),
    form: { by: 'hosts', cpuTimes: 4, memoryTimes: 1, storageRatio: 1.6, spare: 1 },
    licences: 'brought',
  },
];

/** The program that counts sockets is nobody's yet: that is said. */
const LICENCES: Systems = { 'Castrum DB': { is: 'licensed', product: 'castrum-db' } };

const PLAN = { systems: SYSTEMS, licences: LICENCES, groups: GROUPS, placements: PLACEMENTS };

/** The plan of Harbour House, as a file: by the newest revisions. */
export function harbourPlan(): FleetPlan {
  const books = DEMO_PROFILES.map(({ key }) => ({ book: key, revision: DEMO_REVISIONS.length }));
  const head = { title: 'Harbour House', currency: 'USD', exchange: [], books, origin: 'harbour-house.xlsx' };
  return { ...newPlan(head), ...PLAN };
}

/** Harbour House as a workbook. */
export function harbourHouseWorkbook(write: SheetWriter): Promise<Uint8Array> {
  return write(harbourHouseSheets(), new Date('2026-11-02T08:00:00Z'));
}

export const DEMO_FLEETS: readonly DemoFleet[] = [
  { title: 'Harbour House', origin: 'harbour-house.xlsx', file: harbourHouseWorkbook, plan: PLAN },
  {
    title: 'Two thousand machines',
    origin: 'two-thousand.csv',
    file: () => Promise.resolve(new TextEncoder().encode(csvOf(estateRows(2000, 'two thousand')))),
    plan: PLAN,
  },
];
