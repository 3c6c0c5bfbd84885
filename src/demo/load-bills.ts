/** The demo's bills: as the feed delivered them until the seventeenth of November, held against the live sailing map. */
import { allComponents } from '@/engine/design';
import { USUAL_STEPS, type Watch } from '@/features/alerts/calc';
import { AppError } from '@/platform/use/app-error';
import { fetchFeed } from '@/features/bills/use/feed';
import { linkBillDesign, listBills } from '@/features/bills/use/bills';
import { loadBooks } from '@/features/price-books/use/load-books';
import { saveTeamFile } from '@/features/review/use/team-files';
import { saveWatch } from '@/features/alerts/use/watches';
import { type Context } from '@/stores/ports';
import { beforeDay, DEMO_FEED_DAYS, FEED_KEY, LIVE_MAP_ACCOUNT, LIVE_MAP_DESIGN, standInFeed } from './bills';

const RULES = `wick: bill-rules
version: 1
title: The live sailing map
rules:
  - id: by-tag
    when: { tag: { key: component, value: s1c1 } }
    to: Position receivers
  - id: tile-servers
    when: { tag: { key: component, value: s2c1 } }
    to: Tile servers
  - id: archive
    when: { sku: OS-HOLD-RARE }
    to: Position archive
  - id: tile-store
    when: { sku: OS-HOLD, text: tile store }
    to: Tile store
  - id: put-right
    when: { resource: map/tilestore }
    to: Tile store
  - id: out
    when: { service: Osmere Sail }
    to: Tiles and positions out
`;

const DONE = 'demo-bills';

/** May run again after it was broken off. `design`: the id of the live sailing map. */
export async function loadBills(given: Context, design: string): Promise<void> {
  const feed = standInFeed(given.standIn, (workspace, of) => loadBooks(given.books, workspace, of));
  const context: Context = { ...given, feed };
  const { workspace } = context.actor;
  // What was taken away later stays away.
  if (!(await context.standIn.get(workspace, DONE))) {
    if ((await listBills(context)).length < 3) await bring(context, design);
    await context.standIn.put(workspace, DONE, { design });
  }
  await watch(context);
}

async function bring(context: Context, design: string): Promise<void> {
  const { workspace } = context.actor;
  for (const day of DEMO_FEED_DAYS) {
    await context.standIn.put(workspace, FEED_KEY, beforeDay(day));
    await fetchFeed(context, 1);
  }
  const bill = (await listBills(context)).find(({ account }) => account === LIVE_MAP_ACCOUNT);
  if (!bill) return;
  const { length: revision } = await context.teamFiles.history(workspace, 'bill-rules', design);
  if (revision === 0)
    await saveTeamFile(context, 'bill-rules', { name: design, baseRevision: 0, text: RULES });
  await linkBillDesign(context, bill.id, design);
}

const OF_THE_MAP = {
  provider: 'Osmere',
  account: LIVE_MAP_ACCOUNT,
  currency: 'USD',
  basis: 'effective' as const,
  steps: USUAL_STEPS,
  mail: [] as readonly string[],
  call: null,
};

/** What is sent out to whoever looks at the map. */
const OUT = allComponents(LIVE_MAP_DESIGN).find(({ kind }) => kind === 'transfer-out')!.id;

/** Of one kind each: the whole, a line at its close, what is new, a tag. */
const WATCHES: readonly Watch[] = [
  {
    ...OF_THE_MAP,
    ...{ name: 'Live map, the month', of: { what: 'whole' }, on: 'billed', limit: null, ahead: 7 },
    mail: ['crew@live-map.example'],
  },
  {
    ...OF_THE_MAP,
    ...{ name: 'Out to the boats', of: { what: 'component', component: OUT }, on: 'close' },
    ...{ limit: null, ahead: 0, steps: ['1.1', '1.5'], mail: ['crew@live-map.example'] },
  },
  {
    ...OF_THE_MAP,
    ...{ name: 'What nobody planned', of: { what: 'whole' }, on: 'new', limit: '150', ahead: 0 },
  },
  {
    ...OF_THE_MAP,
    ...{ name: 'Team map, a day', of: { what: 'tag', key: 'team', value: 'map' }, on: 'pace' },
    ...{ limit: '220', ahead: 0, steps: ['0.8', '1'] },
  },
];

const watchId = (index: number): string => `00000000-0000-4000-8000-${String(401 + index).padStart(12, '0')}`;

/** One that was taken away stays away. */
async function watch(context: Context): Promise<void> {
  for (const [index, each] of WATCHES.entries()) {
    const kept = await context.watches.find(context.actor.workspace, watchId(index));
    if (kept) continue;
    try {
      await saveWatch(context, watchId(index), { baseRevision: 0, watch: each });
    } catch (error) {
      if (!(error instanceof AppError) || error.code !== 'conflict') throw error;
    }
  }
}
