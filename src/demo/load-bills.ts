/** The demo's bills: as the feed delivered them until the seventeenth of November, held against the live sailing map. */
import { fetchFeed, linkBillDesign, listBills, loadBooks, saveTeamFile, type Context } from '@/operations';
import { beforeDay, DEMO_FEED_DAYS, FEED_KEY, LIVE_MAP_ACCOUNT, standInFeed } from './bills';

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

/** May run again after it was broken off. `design`: the id of the live sailing map. */
export async function loadBills(given: Context, design: string): Promise<void> {
  const feed = standInFeed(given.standIn, (workspace, of) => loadBooks(given.books, workspace, of));
  const context: Context = { ...given, feed };
  const { workspace } = context.actor;
  const known = await listBills(context);
  if (known.length >= 3) return;
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
