/** Estates in PostgreSQL. Machines are replaced as a whole, by COPY into a table that lasts as long as the transaction. */
import { type Kysely, sql } from 'kysely';
import type { FleetPlan, Machine } from '@/features/fleet/calc';
import type { Brought, FleetStore, WantedFleet } from '@/features/fleet/use/fleet-ports';
import { inTransaction } from '@/platform/data/connect';
import { CopyRows } from '@/platform/data/copy-rows';
import { UUID } from '@/features/design/store/design-repository';
import type { Database } from '@/stores/schema';

/** Mappings that are remembered, by the last use. */
const MOST_MAPPINGS = 500;

export function fleetRepository(db: Kysely<Database>): FleetStore {
  return {
    list: async (workspace) => {
      const rows = await db
        .selectFrom('fleet')
        .select(['id', 'machines', 'updated_at'])
        .select([
          sql<string>`plan->>'title'`.as('title'),
          sql<string>`plan->>'origin'`.as('origin'),
          sql<number>`jsonb_array_length(plan->'groups')`.as('groups'),
          sql<number>`jsonb_array_length(plan->'placements')`.as('placements'),
        ])
        .where('workspace_id', '=', workspace)
        .where('deleted_at', 'is', null)
        .orderBy('updated_at', 'desc')
        .execute();
      return rows.map(({ updated_at, ...row }) => ({ ...row, updatedAt: updated_at.toISOString() }));
    },
    find: async (workspace, id) => {
      const row = UUID.test(id) ? await live(db, workspace, id).executeTakeFirst() : undefined;
      if (!row) return null;
      const { revision, plan, machines, updated_at } = row;
      return { id, revision, plan, machines, updatedAt: updated_at.toISOString() };
    },
    machines: async (workspace, id, after, limit) => {
      if (!UUID.test(id) || !(await live(db, workspace, id).executeTakeFirst())) return null;
      const rows = await db
        .selectFrom('fleet_machine')
        .select('detail')
        .where('fleet_id', '=', id)
        .where('at', '>=', after)
        .where('at', '<', after + limit)
        .orderBy('at')
        .execute();
      return rows.map(({ detail }) => detail);
    },
    bring: (workspace, wanted, work) => bring(db, workspace, wanted, work),
    savePlan: async (workspace, id, baseRevision, plan, at) => {
      if (!UUID.test(id)) return null;
      const saved = await db
        .updateTable('fleet')
        .set({ plan: JSON.stringify(plan), revision: baseRevision + 1, updated_at: at })
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .where('deleted_at', 'is', null)
        .where('revision', '=', baseRevision)
        .returning('revision')
        .executeTakeFirst();
      if (saved) return saved.revision;
      return (await live(db, workspace, id).executeTakeFirst()) ? 'stale' : null;
    },
    remove: (workspace, id, at) => marked(db, workspace, id, at),
    restore: (workspace, id) => marked(db, workspace, id, null),
    mapping: async (workspace, headings) => {
      const row = await db
        .selectFrom('fleet_mapping')
        .select('mapping')
        .where('workspace_id', '=', workspace)
        .where('headings', '=', headings)
        .executeTakeFirst();
      return row?.mapping ?? null;
    },
    keepMapping: async (workspace, headings, mapping, at) => {
      const kept = { mapping: JSON.stringify(mapping), used_at: at };
      await db
        .insertInto('fleet_mapping')
        .values({ workspace_id: workspace, headings, ...kept })
        .onConflict((conflict) => conflict.columns(['workspace_id', 'headings']).doUpdateSet(kept))
        .execute();
      await sql`delete from fleet_mapping where workspace_id = ${workspace} and headings in (
        select headings from fleet_mapping where workspace_id = ${workspace} order by used_at desc offset ${MOST_MAPPINGS})`.execute(
        db,
      );
    },
  };
}

const live = (db: Kysely<Database>, workspace: string, id: string) =>
  db
    .selectFrom('fleet')
    .select(['revision', 'plan', 'machines', 'updated_at'])
    .where('workspace_id', '=', workspace)
    .where('id', '=', id)
    .where('deleted_at', 'is', null);

async function marked(
  db: Kysely<Database>,
  workspace: string,
  id: string,
  deleted_at: Date | null,
): Promise<boolean> {
  if (!UUID.test(id)) return false;
  const row = await db
    .updateTable('fleet')
    .set({ deleted_at })
    .where('workspace_id', '=', workspace)
    .where('id', '=', id)
    .where('deleted_at', deleted_at ? 'is' : 'is not', null)
    .returning('id')
    .executeTakeFirst();
  return row !== undefined;
}

interface Counts {
  readonly added: number;
  readonly gone: number;
  readonly changed: number;
}

function bring(
  db: Kysely<Database>,
  workspace: string,
  { id, plan, origin, at }: WantedFleet,
  work: (put: (machines: readonly Machine[]) => Promise<void>) => Promise<void>,
): Promise<Brought | null> {
  return inTransaction(db, async (trx, client) => {
    const known = await trx
      .selectFrom('fleet')
      .select(['workspace_id', 'plan', 'deleted_at'])
      .where('id', '=', id)
      .forUpdate()
      .executeTakeFirst();
    if (known && (known.workspace_id !== workspace || known.deleted_at)) return null;
    await sql`create temp table fleet_coming (at int not null, key text not null, detail jsonb not null) on commit drop`.execute(
      trx,
    );
    const copy = new CopyRows(client, 'fleet_coming', ['at', 'key', 'detail']);
    let machines = 0;
    try {
      await work(async (some) => {
        const from = machines;
        machines += some.length;
        await copy.write(
          some.map((machine, index) => [
            String(from + index),
            machine.id.toLowerCase(),
            JSON.stringify(machine),
          ]),
        );
      });
    } finally {
      await copy.end().catch(() => undefined);
    }
    await keepHead(trx, { workspace, id, known: known?.plan ?? null, plan, origin, at, machines });
    const { rows } = await sql<Counts>`
      select count(*) filter (where m.key is null)::int as added,
             count(*) filter (where c.key is null)::int as gone,
             count(*) filter (where m.detail <> c.detail)::int as changed
      from (select key, detail from fleet_machine where fleet_id = ${id}) m
      full join fleet_coming c on c.key = m.key`.execute(trx);
    await trx.deleteFrom('fleet_machine').where('fleet_id', '=', id).execute();
    await sql`insert into fleet_machine (fleet_id, at, key, detail) select ${id}, at, key, detail from fleet_coming`.execute(
      trx,
    );
    return { id, isNew: !known, machines, ...rows[0]! };
  });
}

async function keepHead(
  trx: Kysely<Database>,
  head: {
    readonly workspace: string;
    readonly id: string;
    readonly known: FleetPlan | null;
    readonly plan: FleetPlan;
    readonly origin: string;
    readonly at: Date;
    readonly machines: number;
  },
): Promise<void> {
  const { workspace, id, known, plan, origin, at, machines } = head;
  if (known) {
    await trx
      .updateTable('fleet')
      .set({
        plan: JSON.stringify({ ...known, origin }),
        machines,
        updated_at: at,
        revision: sql`revision + 1`,
      })
      .where('id', '=', id)
      .execute();
    return;
  }
  await trx
    .insertInto('fleet')
    .values({
      id,
      workspace_id: workspace,
      revision: 0,
      plan: JSON.stringify(plan),
      machines,
      created_at: at,
      updated_at: at,
      deleted_at: null,
    })
    .execute();
}
