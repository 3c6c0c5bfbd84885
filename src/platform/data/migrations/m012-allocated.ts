/** A line's share that the design pays is called "allocated", as the trade calls it; it was "borne". */
import { type Kysely, sql } from 'kysely';

/** Keys and edited fields only: within a text, quotation marks are escaped. */
const renamed = (column: string) =>
  sql.raw(
    `replace(replace(${column}::text, '"borne": ', '"allocated": '), '"field": "borne"', '"field": "allocated"')::jsonb`,
  );

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const [table, columns] of [
    ['design', ['document']],
    ['design_edit', ['edits', 'inverse']],
    ['design_link', ['pinned']],
    ['workspace_kept', ['body']],
  ] as const) {
    for (const column of columns) {
      await sql`update ${sql.table(table)} set ${sql.ref(column)} = ${renamed(column)}
        where ${sql.ref(column)}::text like '%borne%'`.execute(db);
    }
  }
}
