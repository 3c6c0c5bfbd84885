/** Once a day, of all teams: the trouble of one is its own. */
import { describe, expect, it } from 'vitest';
import { billText, billUpload, HEAD, rowOf } from '@tests/support/bills';
import { ELSEWHERE, testContext } from '@tests/support/store-contract';
import type { Watch } from '@/features/alerts/calc';
import { importBill } from '@/features/bills/use/import-bill';
import { listAlerts } from './watches';
import { watchTheDay } from './watch-messages';
import { memoryStores } from '@/stores/memory-stores';

const BUDGET: Watch = {
  ...{ name: 'Budget', provider: HEAD.provider, account: HEAD.account, of: { what: 'whole' }, on: 'billed' },
  ...{ limit: '10', currency: 'USD', basis: 'effective', steps: ['1'], ahead: 0, mail: [], call: null },
};
const ids = ['c1', 'c2'].map((end) => `00000000-0000-4000-8000-0000000000${end}`);

describe('watches looked at by the clock', () => {
  it('are those of every team whose bills can be read, whatever becomes of the others', async () => {
    const stores = memoryStores();
    const teams = [testContext(stores, ELSEWHERE), testContext(stores)];
    for (const [at, team] of teams.entries()) {
      await importBill(team, billUpload(billText([rowOf({ billed: '12', effective: '12' })])));
      const change = { baseRevision: 0, watch: BUDGET, anew: false, at: new Date('2026-11-20T00:00:00Z') };
      await team.watches.save(team.actor.workspace, ids[at]!, change);
    }
    const [troubled, whole] = teams as [(typeof teams)[0], (typeof teams)[0]];
    const bills = {
      ...whole.bills,
      list: (workspace: string) =>
        workspace === troubled.actor.workspace
          ? Promise.reject(new Error('No disk'))
          : whole.bills.list(workspace),
    };
    await expect(watchTheDay({ ...whole, bills })).rejects.toThrow('Watches of some teams');
    expect(await listAlerts(whole)).toMatchObject([{ watch: ids[1] }]);
    expect(await listAlerts(troubled)).toEqual([]);
  });
});
