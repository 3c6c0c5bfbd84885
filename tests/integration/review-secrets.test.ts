/** What plans mark as sensitive, and what no rule reads, is in no table: the demo's reviews, loaded into PostgreSQL. */
import { sql } from 'kysely';
import { beforeAll, describe, expect, it } from 'vitest';
import { freshDatabase } from '@tests/support/database';
import { testContext } from '@tests/support/store-contract';
import { repositories } from '@/stores/repositories';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { DEMO_CHANGES } from '@/demo/forge';
import { loadReviews } from '@/demo/load-reviews';
import { DEMO_PROFILES } from '@/demo/profiles';
import { reviewMarkdown } from '@/features/review/file/review-markdown';
import { type Context } from '@/stores/ports';
import { listReviews } from '@/features/review/use/reviews';
import { publishBook } from '@/features/price-books/use/import-book';

/** In the plans of the demo: a script that no rule reads, and a password that is marked. */
const CANARIES = ['SECRET-START-73c1', 'SECRET-PASSWORD-91fe'];

let context: Context;
let everything = '';
let listed: Awaited<ReturnType<typeof listReviews>> = [];

beforeAll(async () => {
  const db = await freshDatabase();
  context = { ...testContext(repositories(db)) };
  for (const profile of DEMO_PROFILES.filter(({ key }) => key === 'norvane' || key === 'osmere'))
    await publishBook(context, generateBook(profile, DEMO_REVISIONS.at(-1)!));
  await loadReviews({ ...context, actor: { ...context.actor, role: 'admin' } }, reviewMarkdown);
  const tables = await sql<{ name: string }>`
    select quote_ident(table_name) as name from information_schema.tables
    where table_schema = 'public' and table_name not like 'rate%' and table_name not like 'offer%'
  `.execute(db);
  for (const { name } of tables.rows) {
    const rows = await sql<{ text: string }>`select t::text as text from ${sql.raw(name)} t`.execute(db);
    everything += rows.rows.map(({ text }) => text).join('\n');
  }
  listed = await listReviews(context);
  await db.destroy();
}, 120_000);

describe('secrets of plans', () => {
  it('are in the plans of the demo', () => {
    const plans = DEMO_CHANGES.flatMap(({ commits }) => commits.map(({ plan }) => plan())).join('\n');
    for (const canary of CANARIES) expect(plans).toContain(canary);
  });

  it('are in no row of the database, though the reviews are', () => {
    expect(everything).toContain('norvane_database.bookings');
    expect(everything).toContain('skerrow/live-map');
    for (const canary of CANARIES) expect(everything).not.toContain(canary);
  });
});

describe('the demo', () => {
  it('has a review of every change, held against its limits', () => {
    const states = Object.fromEntries(
      listed.map(({ repository, change, summary }) => [`${repository} ${change}`, summary?.limits]),
    );
    expect(states).toEqual({
      'skerrow/booking 31': 'kept',
      'skerrow/booking 34': 'kept',
      'skerrow/booking 41': 'kept',
      'skerrow/booking 42': 'failed',
      'skerrow/booking 43': 'kept',
      'skerrow/live-map 9': 'kept',
      'skerrow/live-map 12': 'failed',
      'skerrow/live-map 13': 'kept',
      'skerrow/live-map 14': 'kept',
    });
  });
});
