/** The database goes away in the middle of a bill: what was there stays, and nothing of the new one is seen. */
import { sql } from 'kysely';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { billText, billUpload, HEAD, rowOf } from '@tests/support/bills';
import { tryBillKills } from '@tests/faults/bill-kills';
import { freshDatabase } from '@tests/support/database';
import { HERE, testContext } from '@tests/support/store-contract';
import { repositories } from '@/stores/repositories';
import { importBill } from '@/features/bills/use/import-bill';
import { listBills } from '@/features/bills/use/bills';
import { viewBill } from '@/features/bills/use/bill-view';

vi.setConfig({ testTimeout: 120_000, hookTimeout: 120_000 });

const open: Awaited<ReturnType<typeof freshDatabase>>[] = [];

afterEach(async () => {
  await Promise.all(open.splice(0).map((db) => db.destroy()));
});

const rowsOf = (count: number, billed: string) =>
  Array.from({ length: count }, (_, at) =>
    rowOf({ day: `2026-11-${String((at % 28) + 1).padStart(2, '0')}`, resource: `vm-${at % 50}`, billed }),
  );

describe('a bill whose connection is killed', () => {
  it('while its rows come in leaves the one before, whole, and comes in when it is sent again', async () => {
    const db = await freshDatabase();
    open.push(db);
    const context = testContext(repositories(db), HERE);
    const first = (await importBill(context, billUpload(billText(rowsOf(500, '1'))))).bills[0]!;
    const bytes = new TextEncoder().encode(billText(rowsOf(20_000, '2')));
    for (const share of [0.1, 0.5, 0.95]) {
      async function* source(): AsyncGenerator<Uint8Array> {
        const half = Math.floor(bytes.byteLength * share);
        for (let at = 0; at < half; at += 65_536) yield bytes.subarray(at, Math.min(half, at + 65_536));
        await sql`select pg_terminate_backend(pid) from pg_stat_activity
          where datname = current_database() and pid <> pg_backend_pid() and (query ilike 'copy bill_row%' or state like 'idle in transaction%')`.execute(
          db,
        );
        yield bytes.subarray(half);
      }
      const upload = { ...billUpload(''), bytesTotal: bytes.byteLength, source: source() };
      await expect(importBill(context, upload)).rejects.toThrow();
      expect(await listBills(context)).toMatchObject([{ id: first.id, revision: 1, rows: 500 }]);
      const tables = await sql<{
        name: string;
      }>`select relname as name from pg_class where relname like 'bill_row_%_2'`.execute(db);
      expect(tables.rows).toEqual([]);
    }
    expect((await viewBill(context, first.id)).laid.billed).toBe('500');
    const again = (await importBill(context, billUpload(billText(rowsOf(20_000, '2'))))).bills[0]!;
    expect(again).toMatchObject({ id: first.id, revision: 2, rows: 20_000, ...HEAD });
    expect((await viewBill(context, first.id)).laid.billed).toBe('40000');
  });
});

describe('a bill whose database or application is killed', () => {
  it('is there whole or not at all, and the one before it stands until then', async () => {
    const { tried, taken, refused, bad } = await tryBillKills(2);
    expect(bad).toEqual([]);
    expect([tried, taken + refused]).toEqual([4, 4]);
    expect(refused).toBeGreaterThan(0);
  });
});
