/** A fresh, migrated database for each test, cloned from a template. */
import { randomUUID } from 'node:crypto';
import { type Kysely, sql } from 'kysely';
import { connect } from '@/platform/data/connect';
import { type Database } from '@/stores/schema';
import { ensureWorkspace } from '@/platform/data/workspace-repository';
import { migrate } from '@/platform/data/migrate';
import { ELSEWHERE, HERE } from './store-contract';

let template: Promise<string> | null = null;

async function makeTemplate(admin: Kysely<Database>, url: string): Promise<string> {
  const name = `template_${randomUUID().slice(0, 8)}`;
  await sql`create database ${sql.id(name)}`.execute(admin);
  const db = connect(withDatabase(url, name));
  await migrate(db);
  await ensureWorkspace(db, HERE, 'Here');
  await ensureWorkspace(db, ELSEWHERE, 'Elsewhere');
  await db.destroy();
  return name;
}

function withDatabase(url: string, name: string): string {
  const changed = new URL(url);
  changed.pathname = `/${name}`;
  return changed.toString();
}

/** An empty database without any tables. */
export async function bareDatabase(): Promise<Kysely<Database>> {
  const url = process.env.TEST_DATABASE_URL;
  if (!url) throw new Error('TEST_DATABASE_URL is not set; run the integration project of vitest');
  const admin = connect(url);
  try {
    const name = `bare_${randomUUID().slice(0, 8)}`;
    await sql`create database ${sql.id(name)}`.execute(admin);
    return connect(withDatabase(url, name));
  } finally {
    await admin.destroy();
  }
}

const urls = new WeakMap<Kysely<Database>, string>();

/** Where another process finds a fresh database. */
export const urlOf = (db: Kysely<Database>): string => urls.get(db)!;

export async function freshDatabase(): Promise<Kysely<Database>> {
  const url = process.env.TEST_DATABASE_URL;
  if (!url) throw new Error('TEST_DATABASE_URL is not set; run the integration project of vitest');
  const admin = connect(url);
  try {
    template ??= makeTemplate(admin, url);
    const name = `test_${randomUUID().slice(0, 8)}`;
    await sql`create database ${sql.id(name)} template ${sql.id(await template)}`.execute(admin);
    const own = withDatabase(url, name);
    const db = connect(own);
    urls.set(db, own);
    return db;
  } finally {
    await admin.destroy();
  }
}
