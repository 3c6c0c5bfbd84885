/** Bills in PostgreSQL. Views are made of things and sums by day; rows are read only to be shown. */
import { type Kysely, type Selectable, sql } from 'kysely';
import type { BillListing, BillStore } from '@/features/bills/use/bill-ports';
import { BillWriter, billPartition } from './bill-writer';
import { inTransaction } from '@/platform/data/connect';
import { UUID } from '@/features/design/store/design-repository';
import type { Database } from '@/stores/schema';

/** What a list shows: how a file keeps to its form can be long, and is read with the one bill. */
const LISTED = [
  ...(['id', 'provider', 'account', 'period_from', 'period_to', 'currency', 'revision'] as const),
  ...(['row_count', 'thing_count', 'newest', 'billed', 'effective', 'changed', 'closing'] as const),
  ...(['file_name', 'imported_at'] as const),
] as const;
type Row = Pick<Selectable<Database['bill']>, (typeof LISTED)[number]>;

export function billRepository(db: Kysely<Database>): BillStore {
  const own = (workspace: string) => db.selectFrom('bill').where('workspace_id', '=', workspace);
  return {
    list: async (workspace) => {
      const rows = await own(workspace)
        .select(LISTED)
        .orderBy('period_from', 'desc')
        .orderBy('provider')
        .orderBy('account')
        .orderBy('currency')
        .execute();
      return rows.map(listingOf);
    },
    find: async (workspace, id) => {
      if (!UUID.test(id)) return null;
      const row = await own(workspace).selectAll().where('id', '=', id).executeTakeFirst();
      return row ? { ...listingOf(row), conformance: row.conformance, notes: row.notes } : null;
    },
    things: async (workspace, id) => {
      if (!UUID.test(id)) return [];
      const rows = await db
        .selectFrom('bill_thing')
        .innerJoin('bill', 'bill.id', 'bill_thing.bill_id')
        .select(['at', 'said', 'bill_thing.row_count as rows', 'list', 'contracted'])
        .select(['bill_thing.billed', 'bill_thing.effective', 'quantity'])
        .where('workspace_id', '=', workspace)
        .where('bill_id', '=', id)
        .orderBy('at')
        .execute();
      // Into what was just read: to spread thousands of them takes ten times as long.
      return rows.map(({ said, ...sums }) => Object.assign(said, sums));
    },
    days: async (workspace, id, groups, measure) => {
      if (!UUID.test(id) || groups.length === 0) return [];
      const flat = groups.flatMap(({ things }, group) => things.map((each) => ({ group, ...each })));
      // Most things count whole: to multiply by one takes as long as to add.
      const share = flat.map((each) => (each.share === '1' ? null : each.share));
      const amount = sql.ref(`bill_day.${measure}`);
      return db
        .selectFrom('bill_day')
        .innerJoin('bill', 'bill.id', 'bill_day.bill_id')
        .innerJoin(
          sql<{ group: number; at: number; share: string | null }>`unnest(
            ${flat.map(({ group }) => group)}::int[], ${flat.map(({ at }) => at)}::int[],
            ${share}::numeric[])`.as<'part'>(sql`part ("group", at, share)`),
          (join) => join.onRef('part.at', '=', 'bill_day.thing'),
        )
        .select(['part.group', 'day'])
        .select(
          sql<string | null>`sum(case when share is null then ${amount} else ${amount} * share end)`.as(
            'amount',
          ),
        )
        .where('workspace_id', '=', workspace)
        .where('bill_id', '=', id)
        .groupBy(['part.group', 'day'])
        .orderBy('part.group')
        .orderBy('day')
        .execute();
    },
    wholeDays: async (workspace, ids) => {
      const known = ids.filter((id) => UUID.test(id));
      if (known.length === 0) return [];
      return db
        .selectFrom('bill_whole_day')
        .innerJoin('bill', 'bill.id', 'bill_whole_day.bill_id')
        .select(['bill_id as bill', 'day', 'is_fee as isFee'])
        .select(['bill_whole_day.billed', 'bill_whole_day.effective'])
        .where('workspace_id', '=', workspace)
        .where('bill_id', 'in', known)
        .orderBy('bill_id')
        .orderBy('day')
        .orderBy('is_fee')
        .execute();
    },
    services: async (workspace, ids) => {
      const known = ids.filter((id) => UUID.test(id));
      if (known.length === 0) return [];
      return db
        .selectFrom('bill_service')
        .innerJoin('bill', 'bill.id', 'bill_service.bill_id')
        .select(['bill_service.bill_id as bill', 'service', 'bill_service.billed', 'bill_service.effective'])
        .where('workspace_id', '=', workspace)
        .where('bill_service.bill_id', 'in', known)
        .orderBy('bill_service.bill_id')
        .orderBy('service')
        .execute();
    },
    note: async (workspace, id, line, text) => {
      if (!UUID.test(id)) return false;
      const row = await db
        .updateTable('bill')
        .set({
          notes: text ? sql`notes || ${JSON.stringify({ [line]: text })}::jsonb` : sql`notes - ${line}::text`,
        })
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .where('closing', 'is', null)
        .returning('id')
        .executeTakeFirst();
      return row !== undefined;
    },
    seen: async (workspace, id) => {
      if (!UUID.test(id)) return [];
      return db
        .selectFrom('bill_seen')
        .innerJoin('bill', 'bill.id', 'bill_seen.bill_id')
        .select(['bill_seen.revision', 'day', 'bill_seen.effective as cost'])
        .where('workspace_id', '=', workspace)
        .where('bill_id', '=', id)
        .orderBy('bill_seen.revision')
        .orderBy('day')
        .execute();
    },
    rows: async (workspace, id, { things, after, limit }) => {
      if (!UUID.test(id) || things.length === 0) return [];
      return db
        .selectFrom('bill_row')
        .innerJoin('bill', 'bill.id', 'bill_row.bill_id')
        .select([
          'thing',
          'line',
          'day',
          'list',
          'contracted',
          'bill_row.billed',
          'bill_row.effective',
          'quantity',
        ])
        .where('workspace_id', '=', workspace)
        .where('bill_id', '=', id)
        .where('thing', '=', sql<number>`any(${[...things]}::int[])`)
        .where('line', '>', after)
        .orderBy('line')
        .limit(limit)
        .execute();
    },
    take: (workspace, { name, at, newId }, work) =>
      inTransaction(db, async (trx, client) => {
        const writer = new BillWriter(trx, client, workspace, newId);
        try {
          return await writer.end(await work(writer), name, at);
        } catch (error) {
          await writer.abandon();
          throw error;
        }
      }),
    remove: async (workspace, id) => {
      if (!UUID.test(id)) return false;
      return inTransaction(db, async (trx, client) => {
        const gone = await trx
          .deleteFrom('bill')
          .where('workspace_id', '=', workspace)
          .where('id', '=', id)
          .returning('revision')
          .executeTakeFirst();
        if (gone) await client.query(`drop table ${billPartition(id, gone.revision)}`);
        return gone !== undefined;
      });
    },
    close: async (workspace, id, closing) => {
      if (!UUID.test(id)) return false;
      const row = await db
        .updateTable('bill')
        .set({ closing: closing && JSON.stringify(closing) })
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .returning('id')
        .executeTakeFirst();
      return row !== undefined;
    },
    designOf: async (workspace, { provider, account }) => {
      const row = await db
        .selectFrom('bill_design')
        .select('design_id')
        .where('workspace_id', '=', workspace)
        .where('provider', '=', provider)
        .where('account', '=', account)
        .executeTakeFirst();
      return row?.design_id ?? null;
    },
    linkDesign: async (workspace, { provider, account }, design) => {
      if (design === null) {
        await db
          .deleteFrom('bill_design')
          .where('workspace_id', '=', workspace)
          .where('provider', '=', provider)
          .where('account', '=', account)
          .execute();
        return;
      }
      await db
        .insertInto('bill_design')
        .values({ workspace_id: workspace, provider, account, design_id: design })
        .onConflict((conflict) =>
          conflict.columns(['workspace_id', 'provider', 'account']).doUpdateSet({ design_id: design }),
        )
        .execute();
    },
  };
}

function listingOf(row: Row): BillListing {
  const { id, provider, account, currency, revision, newest, billed, effective, changed, closing } = row;
  return {
    ...{ id, provider, account, currency, revision, newest, billed, effective, changed, closing },
    ...{ from: row.period_from, to: row.period_to, rows: row.row_count, things: row.thing_count },
    ...{ fileName: row.file_name, importedAt: row.imported_at.toISOString() },
  };
}
