/** Long work in PostgreSQL: one row each, which every process reads and whoever works on it keeps warm. */
import { type Kysely, type Selectable, sql } from 'kysely';
import type { AppErrorCode } from '@/platform/use/app-error';
import type {
  JobEnd,
  JobLane,
  JobProgress,
  JobRow,
  JobStore,
  TakenJob,
  WantedJob,
} from '@/platform/use/job-ports';
import { UUID } from '@/features/design/store/design-repository';
import type { Database } from './schema';

const SHOWN = ['id', 'state', 'asked_by', 'done', 'steps', 'words', 'code', 'message'] as const;

export function jobRepository(db: Kysely<Database>): JobStore {
  const open = (workspace: string, id: string) =>
    db.selectFrom('job').where('workspace_id', '=', workspace).where('id', '=', id);
  return {
    ask: (wanted, most) => ask(db, wanted, most),
    find: async (workspace, id) => {
      if (!UUID.test(id)) return null;
      const row = await open(workspace, id).select(SHOWN).executeTakeFirst();
      return row ? shown(row) : null;
    },
    file: async (workspace, id) => {
      if (!UUID.test(id)) return null;
      const row = await open(workspace, id)
        .select(['file_name', 'file_type', 'file'])
        .where('state', '=', 'done')
        .executeTakeFirst();
      return row ? { name: row.file_name!, type: row.file_type!, bytes: new Uint8Array(row.file!) } : null;
    },
    cancel: async (workspace, id) => {
      if (!UUID.test(id)) return false;
      const row = await db
        .updateTable('job')
        .set({
          cancel_asked: true,
          state: sql`case when state = 'waiting' then 'cancelled' else state end`,
        })
        .where('workspace_id', '=', workspace)
        .where('id', '=', id)
        .where('state', 'in', ['waiting', 'running'])
        .returning('id')
        .executeTakeFirst();
      return row !== undefined;
    },
    take: async (id) => {
      const row = await db
        .updateTable('job')
        .set({ state: 'running', tries: sql`tries + 1`, seen_at: sql`now()` })
        .where('id', '=', id)
        .where('state', '=', 'waiting')
        .returning(['id', 'work', 'tries'])
        .executeTakeFirst();
      return row ?? null;
    },
    beat: (taken, progress) => beat(db, taken, progress),
    end: async (taken, end) => {
      await running(db, taken)
        .set({ ...endOf(end), seen_at: sql`now()` })
        .execute();
    },
    again: async (taken) => {
      await running(db, taken)
        .set({ state: 'waiting', seen_at: sql`now()` })
        .execute();
    },
    recover: (silentSeconds, mostTries) => recover(db, silentSeconds, mostTries),
    forget: async (hours, keep) => {
      await db
        .deleteFrom('job')
        .where('asked_at', '<', sql<never>`now() - make_interval(hours => ${hours})`)
        .execute();
      await sql`delete from job where id in (
        select id from job where state = 'done' order by asked_at desc offset ${keep})`.execute(db);
    },
  };
}

/** The row as long as it is this very taking of it: who was taken for dead writes nothing any more. */
const running = (db: Kysely<Database>, { id, tries }: TakenJob) =>
  db.updateTable('job').where('id', '=', id).where('state', '=', 'running').where('tries', '=', tries);

async function ask(db: Kysely<Database>, wanted: WantedJob, most: number): ReturnType<JobStore['ask']> {
  const { id, workspace, lane, key, work, askedBy } = wanted;
  const same = () =>
    db
      .selectFrom('job')
      .select(SHOWN)
      .where('workspace_id', '=', workspace)
      .where('key', '=', key)
      .where('state', 'in', ['waiting', 'running', 'done'])
      .executeTakeFirst();
  // Twice: the one that was in the way may have ended in between.
  for (let turn = 0; turn < 3; turn += 1) {
    const known = await same();
    if (known) return { job: shown(known), isNew: false };
    const waiting = await db
      .selectFrom('job')
      .select(sql<number>`count(*)::int`.as('count'))
      .where('state', '=', 'waiting')
      .where('lane', '=', lane)
      .executeTakeFirstOrThrow();
    if (waiting.count >= most) return null;
    const made = await db
      .insertInto('job')
      .values({
        id,
        workspace_id: workspace,
        lane,
        key,
        work: JSON.stringify(work),
        asked_by: askedBy,
        state: 'waiting',
      })
      .onConflict((conflict) => conflict.doNothing())
      .returning(SHOWN)
      .executeTakeFirst();
    if (made) return { job: shown(made), isNew: true };
  }
  return null;
}

async function beat(db: Kysely<Database>, taken: TakenJob, progress: JobProgress | null): Promise<boolean> {
  const row = await running(db, taken)
    .set({ ...progress, seen_at: sql`now()` })
    .returning('cancel_asked')
    .executeTakeFirst();
  return row?.cancel_asked ?? true;
}

function endOf(end: JobEnd) {
  switch (end.state) {
    case 'done': {
      const { name, type, bytes } = end.file;
      return { state: end.state, file_name: name, file_type: type, file: Buffer.from(bytes) };
    }
    case 'refused':
      return { state: end.state, code: end.code, message: end.message };
    case 'cancelled':
      return { state: end.state };
  }
}

const BROKEN = 'This was broken off several times, and nothing was made. Try again.';

async function recover(
  db: Kysely<Database>,
  silentSeconds: number,
  mostTries: number,
): ReturnType<JobStore['recover']> {
  const silent = sql<never>`now() - make_interval(secs => ${silentSeconds})`;
  await db
    .updateTable('job')
    .set({
      state: sql`case when cancel_asked then 'cancelled' when tries < ${mostTries} then 'waiting' else 'refused' end`,
      code: sql`case when not cancel_asked and tries >= ${mostTries} then 'unavailable' end`,
      message: sql`case when not cancel_asked and tries >= ${mostTries} then ${BROKEN} end`,
    })
    .where('state', '=', 'running')
    .where('seen_at', '<', silent)
    .execute();
  return db
    .selectFrom('job')
    .select(['id', 'lane'])
    .where('state', '=', 'waiting')
    .where('seen_at', '<', silent)
    .orderBy('asked_at')
    .limit(100)
    .execute() as Promise<{ id: string; lane: JobLane }[]>;
}

function shown(row: Pick<Selectable<Database['job']>, (typeof SHOWN)[number]>): JobRow {
  const { id, state, done, steps, words, asked_by: askedBy, code, message } = row;
  const refusal = code === null ? null : { code: code as AppErrorCode, message: message ?? '' };
  return { id, state, done, steps, words, askedBy, refusal };
}
