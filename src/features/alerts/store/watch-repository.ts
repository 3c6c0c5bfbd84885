/** Watches in PostgreSQL. What is said once in a period is a row of its own, so that two processes cannot say it twice. */
import { type Kysely, type Selectable, sql } from 'kysely';
import type { AlertMessage, DueMessage, StoredWatch, WatchStore } from '@/features/alerts/use/watch-ports';
import { inTransaction } from '@/platform/data/connect';
import { UUID } from '@/features/design/store/design-repository';
import type { Database } from '@/stores/schema';

export function watchRepository(db: Kysely<Database>): WatchStore {
  const own = (workspace: string) =>
    db.selectFrom('watch').selectAll().where('workspace_id', '=', workspace).where('removed_at', 'is', null);
  return {
    list: async (workspace) =>
      (
        await own(workspace)
          .orderBy(sql`body->>'name'`)
          .orderBy('id')
          .execute()
      ).map(storedOf),
    find: async (workspace, id) => {
      if (!UUID.test(id)) return null;
      const row = await own(workspace).where('id', '=', id).executeTakeFirst();
      return row ? storedOf(row) : null;
    },
    save: (workspace, id, { baseRevision, watch, anew, at }) =>
      inTransaction(db, async (trx) => {
        const body = JSON.stringify(watch);
        if (baseRevision === 0) {
          const made = await trx
            .insertInto('watch')
            .values({ id, workspace_id: workspace, revision: 1, body, changed_at: at, removed_at: null })
            .onConflict((conflict) => conflict.column('id').doNothing())
            .returning('revision')
            .executeTakeFirst();
          return made?.revision ?? 'stale';
        }
        const row = await trx
          .updateTable('watch')
          .set({ body, changed_at: at, revision: baseRevision + 1 })
          .where('workspace_id', '=', workspace)
          .where('id', '=', id)
          .where('revision', '=', baseRevision)
          .where('removed_at', 'is', null)
          .returning('revision')
          .executeTakeFirst();
        if (!row) return 'stale';
        if (anew) await trx.deleteFrom('watch_said').where('watch_id', '=', id).execute();
        return row.revision;
      }),
    remove: async (workspace, id, at) => setRemoved(db, workspace, id, at),
    restore: async (workspace, id) => setRemoved(db, workspace, id, null),
    said: (watch, { from, to }) =>
      db
        .selectFrom('watch_said')
        .select(['kind', 'step'])
        .where('watch_id', '=', watch)
        .where('period_from', '=', from)
        .where('period_to', '=', to)
        .execute(),
    say: (workspace, { id, watch, known, at, with: steps, messages }) =>
      inTransaction(db, async (trx) => {
        const { from, to, kind } = known;
        const rows = await trx
          .insertInto('watch_said')
          .values(steps.map((step) => ({ watch_id: watch, period_from: from, period_to: to, kind, step })))
          .onConflict((conflict) => conflict.doNothing())
          .returning('step')
          .execute();
        if (!rows.some(({ step }) => step === known.step)) return false;
        await trx
          .insertInto('watch_alert')
          .values({
            ...{ id, workspace_id: workspace, watch_id: watch, known: JSON.stringify(known) },
            ...{ said_at: at, seen_at: null },
          })
          .execute();
        if (messages.length > 0)
          await trx
            .insertInto('watch_message')
            .values(
              messages.map((each) => ({
                ...each,
                ...{
                  alert_id: id,
                  state: 'waiting' as const,
                  tries: 0,
                  next_at: at,
                  answer: null,
                  sent_at: null,
                },
              })),
            )
            .execute();
        return true;
      }),
    alerts: async (workspace, most, bill) => {
      const alerts = await db
        .selectFrom('watch_alert')
        .selectAll()
        .where('workspace_id', '=', workspace)
        .$if(bill !== undefined, (query) => query.where(sql<string>`known->>'bill'`, '=', bill!))
        .orderBy('said_at', 'desc')
        .orderBy('id')
        .limit(most)
        .execute();
      if (alerts.length === 0) return [];
      const messages = await db
        .selectFrom('watch_message')
        .selectAll()
        .where(
          'alert_id',
          'in',
          alerts.map(({ id }) => id),
        )
        .orderBy('channel')
        .orderBy('address')
        .execute();
      return alerts.map((row) => ({
        ...{ id: row.id, watch: row.watch_id, known: row.known, at: row.said_at.toISOString() },
        isSeen: row.seen_at !== null,
        messages: messages.flatMap((each) => (each.alert_id === row.id ? [messageOf(each)] : [])),
      }));
    },
    unseen: async (workspace) => {
      const row = await db
        .selectFrom('watch_alert')
        .select(sql<number>`count(*)::int`.as('count'))
        .where('workspace_id', '=', workspace)
        .where('seen_at', 'is', null)
        .executeTakeFirstOrThrow();
      return row.count;
    },
    seeAll: async (workspace, at) => {
      await db
        .updateTable('watch_alert')
        .set({ seen_at: at })
        .where('workspace_id', '=', workspace)
        .where('seen_at', 'is', null)
        .execute();
    },
    takeDue: async (now, again, most) => {
      const { rows } = await sql<DueMessage>`
        update watch_message set tries = tries + 1, next_at = ${again}
        from watch_alert where watch_alert.id = watch_message.alert_id and watch_message.id in (
          select id from watch_message where state = 'waiting' and next_at <= ${now}
          order by next_at limit ${most} for update skip locked
        )
        returning watch_message.id, channel, address, subject, body, tries, watch_alert.workspace_id as workspace
      `.execute(db);
      return rows;
    },
    settle: async (id, outcome) => {
      await db
        .updateTable('watch_message')
        .set({
          ...{ state: outcome.state, answer: outcome.answer },
          ...(outcome.state === 'sent' && { sent_at: outcome.at }),
          ...(outcome.state === 'waiting' && { next_at: outcome.next }),
        })
        .where('id', '=', id)
        .execute();
    },
    takeDay: async (day) => {
      const row = await db
        .insertInto('watch_day')
        .values({ day })
        .onConflict((conflict) => conflict.doNothing())
        .returning('day')
        .executeTakeFirst();
      return row !== undefined;
    },
    workspaces: async () => {
      const rows = await db
        .selectFrom('watch')
        .select('workspace_id')
        .distinct()
        .where('removed_at', 'is', null)
        .execute();
      return rows.map((row) => row.workspace_id);
    },
    secret: async (workspace, fresh) => {
      await db
        .insertInto('call_secret')
        .values({ workspace_id: workspace, secret: fresh })
        .onConflict((conflict) => conflict.doNothing())
        .execute();
      const row = await db
        .selectFrom('call_secret')
        .select('secret')
        .where('workspace_id', '=', workspace)
        .executeTakeFirstOrThrow();
      return row.secret;
    },
  };
}

async function setRemoved(
  db: Kysely<Database>,
  workspace: string,
  id: string,
  at: Date | null,
): Promise<boolean> {
  if (!UUID.test(id)) return false;
  const row = await db
    .updateTable('watch')
    .set({ removed_at: at })
    .where('workspace_id', '=', workspace)
    .where('id', '=', id)
    .where('removed_at', at ? 'is' : 'is not', null)
    .returning('id')
    .executeTakeFirst();
  return row !== undefined;
}

const storedOf = ({ id, revision, body, changed_at }: Selectable<Database['watch']>): StoredWatch => ({
  ...{ id, revision, watch: body, changedAt: changed_at.toISOString() },
});

const messageOf = (row: Selectable<Database['watch_message']>): AlertMessage => ({
  ...{ id: row.id, channel: row.channel, address: row.address, subject: row.subject, body: row.body },
  ...{ state: row.state, tries: row.tries, answer: row.answer, sentAt: row.sent_at?.toISOString() ?? null },
});
