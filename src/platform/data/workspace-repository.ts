/** The workspace that a local installation works in, and whether the demo was loaded into it. */
import type { Kysely } from 'kysely';
import type { Database } from '@/stores/schema';

export const LOCAL_WORKSPACE = '00000000-0000-4000-8000-000000000001';

/** What tells this installation from every other, whatever address it answers at. */
export async function installationOf(db: Kysely<Database>): Promise<string> {
  return (await db.selectFrom('installation').select('id').executeTakeFirstOrThrow()).id;
}

export async function ensureWorkspace(db: Kysely<Database>, id: string, name: string): Promise<void> {
  await db
    .insertInto('workspace')
    .values({ id, name, demo_loaded_at: null })
    .onConflict((conflict) => conflict.column('id').doNothing())
    .execute();
}

export async function isDemoLoaded(db: Kysely<Database>, id: string): Promise<boolean> {
  const row = await db
    .selectFrom('workspace')
    .select('demo_loaded_at')
    .where('id', '=', id)
    .executeTakeFirst();
  return row?.demo_loaded_at != null;
}

export async function markDemoLoaded(db: Kysely<Database>, id: string, at: Date): Promise<void> {
  await db.updateTable('workspace').set({ demo_loaded_at: at }).where('id', '=', id).execute();
}
