import { type Kysely, Migrator, sql } from 'kysely';
import { afterEach, describe, expect, it } from 'vitest';
import { bareDatabase } from '@tests/support/database';
import { HERE, testContext } from '@tests/support/store-contract';
import { importBook } from '@/features/price-books/use/import-book';
import { openLink } from '@/features/report/use/links';
import { readCatalogue, readRates, searchOffers } from '@/features/price-books/use/books';
import { designOf } from '@tests/support/designs';
import { uploadOf } from '@tests/support/upload';
import { wideBookFile } from '@tests/support/wide-book';
import { type Database } from '@/stores/schema';
import { migrate } from '@/platform/data/migrate';
import { repositories } from '@/stores/repositories';
import * as firstTables from './m001-first-tables';
import * as largeBooks from './m002-large-books';
import * as coveringIndexes from './m003-covering-indexes';
import * as handingOver from './m004-handing-over';

let open: Kysely<Database> | null = null;
afterEach(async () => {
  await open?.destroy();
  open = null;
});

const DESIGN = '00000000-0000-4000-8000-0000000000d1';

/** A database as version 0.1.0 left it, with one published book. */
async function ofFirstVersion(): Promise<Kysely<Database>> {
  const db = await bareDatabase();
  open = db;
  const provider = { getMigrations: async () => ({ '001-first-tables': firstTables }) };
  const { error } = await new Migrator({ db, provider }).migrateToLatest();
  if (error) throw error;
  const offer = JSON.stringify({
    sku: 'A-4',
    kind: 'server',
    name: 'a-4',
    family: 'Balanced',
    processor: 'Halden',
    vcpu: '4',
    memory: '16',
    burstable: false,
    lifecycle: 'current',
    retires: null,
    replacedBy: null,
    note: '',
  });
  await sql`
    insert into workspace (id, name) values (${HERE}::uuid, 'Here');
  `.execute(db);
  await sql`
    with book as (
      insert into price_book (workspace_id, key, title, provider, currency, month_hours)
      values (${HERE}::uuid, 'old', 'Old', 'Old', 'USD', 730) returning id
    )
    insert into book_revision (book_id, number, title, currency, month_hours, effective, source, offer_count,
      rate_count, region_count)
    select id, 3, 'Old', 'USD', 730, '2026-05-01', 'list', 1, 2, 1 from book
  `.execute(db);
  await sql`
    insert into book_region select id, 'severn', 'Severn', 'United Kingdom', 51.5, -2.7, 182 from book_revision
  `.execute(db);
  await sql`
    insert into book_offer select id, 'A-4', 'server', 'a-4', 'Balanced', ${offer}::jsonb from book_revision
  `.execute(db);
  await sql`
    insert into book_rate select id, 'A-4', 'severn', 'running', term, 'hour',
      '{"structure": "per-unit", "price": "0.1"}'::jsonb, upfront, null, 'component'
    from book_revision, (values ('on-demand', null::numeric), ('12-all', 600.50)) as rate (term, upfront)
  `.execute(db);
  await sql`update book_revision set published_at = now()`.execute(db);
  return db;
}

describe('a database of the first version', () => {
  it('is brought along: its books are read, searched and final, and others come in beside them', async () => {
    const db = await ofFirstVersion();
    await migrate(db);
    const context = testContext({
      ...repositories(db),
    });
    const catalogue = await readCatalogue(context, 'old', 3);
    expect(catalogue.availability).toEqual({ 'A-4': ['severn'] });
    const rates = await readRates(context, 'old', 3, [{ region: 'severn', skus: ['A-4'], kinds: [] }]);
    expect(rates.map((rate) => [rate.term, rate.upfront])).toEqual([
      ['12-all', '600.50'],
      ['on-demand', null],
    ]);
    expect(await searchOffers(context, { text: 'balanced', vcpu: '4', region: 'severn' })).toMatchObject([
      { sku: 'A-4', price: null },
    ]);
    await expect(sql`update book_rate set unit = 'second'`.execute(db)).rejects.toThrow(/never changes/);
    await importBook(context, uploadOf(wideBookFile()));
    expect((await searchOffers(context, { kind: 'server' })).length).toBeGreaterThan(5);
  });
});

describe('a link of a version that kept its key', () => {
  it('opens as before with the address that was given out, and its key is kept no more', async () => {
    const db = await bareDatabase();
    open = db;
    const before = {
      '001-first-tables': firstTables,
      '002-large-books': largeBooks,
      '003-covering-indexes': coveringIndexes,
      '004-handing-over': handingOver,
    };
    await new Migrator({ db, provider: { getMigrations: async () => before } }).migrateToLatest();
    const token = 'k'.repeat(32);
    const design = JSON.stringify({ ...designOf([]), title: 'Shown' });
    await sql`insert into workspace (id, name) values (${HERE}::uuid, 'Here')`.execute(db);
    await sql`
      insert into design (id, workspace_id, document, created_at, updated_at)
      values (${DESIGN}::uuid, ${HERE}::uuid, ${design}::jsonb, now(), now())
    `.execute(db);
    await sql`
      insert into design_link (id, workspace_id, design_id, token, options, created_by, created_at)
      values (gen_random_uuid(), ${HERE}::uuid, ${DESIGN}::uuid, ${token},
        '{"variant": "full", "validUntil": null, "withAgreements": false}', 'local', now())
    `.execute(db);
    await migrate(db);
    const opened = await openLink(testContext(repositories(db)), token);
    expect(opened.report.title).toBe('Shown');
    const { rows } = await sql`select * from design_link`.execute(db);
    expect(JSON.stringify(rows)).not.toContain(token);
  });
});
