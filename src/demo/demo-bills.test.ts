/** The demo's bills and watches: also brought to a demo that was loaded before there were any; what was taken away stays away. */
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { testContext } from '@tests/support/store-contract';
import { type Context } from '@/stores/ports';
import { deleteBill, listBills } from '@/features/bills/use/bills';
import { deleteWatch, listAlerts, listWatches } from '@/features/alerts/use/watches';
import { importBook } from '@/features/price-books/use/import-book';
import { viewBill } from '@/features/bills/use/bill-view';
import { memoryStores } from '@/stores/memory-stores';
import { LIVE_MAP_DESIGN } from './bills';
import { DEMO_DESIGNS } from './designs';
import { DEMO_REVISIONS } from './generate-book';
import { bookBytes, demoDesignId, loadDemoBills } from './load-demo';
import { OSMERE } from './osmere';

vi.setConfig({ testTimeout: 60_000, hookTimeout: 60_000 });

let context: Context;
beforeEach(async () => {
  context = testContext(memoryStores());
  for (const revision of DEMO_REVISIONS)
    await importBook(context, {
      ...{ id: context.newId(), fileName: 'osmere.json', bytesTotal: null },
      source: bookBytes(OSMERE, revision),
    });
});
const keepDesign = (): Promise<unknown> =>
  context.designs.create(
    context.actor.workspace,
    demoDesignId(DEMO_DESIGNS.indexOf(LIVE_MAP_DESIGN)),
    LIVE_MAP_DESIGN,
    context.now(),
  );

describe('the bills of the demo', () => {
  it('come to a demo that has none, are held against the map, and are watched', async () => {
    await keepDesign();
    await loadDemoBills(context);
    const bills = await listBills(context);
    expect(bills.map(({ from, newest }) => [from, newest])).toEqual([
      ['2026-11-01', '2026-11-17'],
      ['2026-10-01', '2026-10-31'],
      ['2026-09-01', '2026-09-30'],
    ]);
    const view = await viewBill(context, bills[0]!.id);
    expect(view.design?.title).toBe('Live sailing map');
    expect(view.commitments).toMatchObject([{ use: '0.5', coverage: '1', unit: 'hours' }]);
    expect(view.commitments[0]!.better).toMatchObject({ level: '48', now: '96' });
    const watches = await listWatches(context);
    expect(watches.map(({ watched }) => watched.state)).toEqual(Array(4).fill('watching'));
    // Of the month: the half is reached, and all of it is near.
    expect(
      (await listAlerts(context)).map(({ known }) => `${known.watch.name}: ${known.kind}`).sort(),
    ).toEqual([
      'Live map, the month: coming',
      'Live map, the month: reached',
      'Out to the boats: reached',
      'Team map, a day: reached',
      'What nobody planned: reached',
    ]);
  });

  it('stay away where they were taken away, and where the map is not there', async () => {
    await loadDemoBills(context);
    expect(await listBills(context)).toEqual([]);
    await keepDesign();
    await loadDemoBills(context);
    const [newest] = await listBills(context);
    const [watch] = await listWatches(context);
    await deleteBill(context, newest!.id);
    await deleteWatch(context, watch!.id);
    await loadDemoBills(context);
    expect(await listBills(context)).toHaveLength(2);
    expect(await listWatches(context)).toHaveLength(3);
  });
});
