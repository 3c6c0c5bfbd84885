/**
 * Files that no table owns. A server that is killed while a price book comes in leaves the files of the table that was
 * being filled: its transaction never ended, so the server does not know of them any more, and does not look for them.
 */
import fs from 'node:fs';
import path from 'node:path';
import { sql } from 'kysely';
import { connect } from '@/platform/data/connect';

/** The number that a table's files begin with: "16499", "16499.1", "16499_fsm". */
const FILE = /^(\d+)(?:_(?:fsm|vm|init))?(?:\.\d+)?$/;
/** Below are the server's own. */
const FIRST_OF_OURS = 16384;

/**
 * Removes them from the folder of the database, to be called after the server was started. What was written after the
 * start is left alone: it may belong to a transaction that goes on. Answers with the bytes that were freed.
 */
export async function removeOrphans(folder: string, url: string): Promise<number> {
  const db = connect(url);
  try {
    const { rows: places } = await sql<{ oid: string; since: Date }>`
      select oid::text, pg_postmaster_start_time() as since from pg_database where datname = current_database()
    `.execute(db);
    const { rows } = await sql<{ file: string | null }>`
      select pg_relation_filenode(oid)::text as file from pg_class
    `.execute(db);
    const owned = new Set(rows.map(({ file }) => file));
    const { oid, since } = places[0]!;
    const place = path.join(folder, 'base', oid);
    let freed = 0;
    for (const name of fs.readdirSync(place)) {
      const number = FILE.exec(name)?.[1];
      if (number === undefined || Number(number) < FIRST_OF_OURS || owned.has(number)) continue;
      const { size, mtimeMs } = fs.statSync(path.join(place, name));
      if (mtimeMs >= since.getTime()) continue;
      fs.rmSync(path.join(place, name));
      freed += size;
    }
    return freed;
  } finally {
    await db.destroy();
  }
}
