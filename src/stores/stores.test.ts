import { sql } from 'kysely';
import type { Kysely } from 'kysely';
import { afterEach, describe, expect, it } from 'vitest';
import { billContract } from '@tests/support/bill-contract';
import { billYearContract } from '@tests/support/bill-year-contract';
import { watchContract } from '@tests/support/watch-contract';
import { bookContract } from '@tests/support/book-contract';
import { offerSearchContract } from '@tests/support/offer-search-contract';
import { smallBookFile } from '@tests/support/books';
import { freshDatabase } from '@tests/support/database';
import { fleetContract } from '@tests/support/fleet-contract';
import { jobContract } from '@tests/support/job-contract';
import { libraryContract } from '@tests/support/library-contract';
import { linkContract } from '@tests/support/link-contract';
import { studyLinkContract } from '@tests/support/study-link-contract';
import { HERE, storeContract, testContext } from '@tests/support/store-contract';
import { reviewContract } from '@tests/support/review-contract';
import { studyContract } from '@tests/support/study-contract';
import { uploadOf } from '@tests/support/upload';
import { designOf, serverOf } from '@tests/support/designs';
import { editDesign } from '@/features/design/use/edit-design';
import { importBook } from '@/features/price-books/use/import-book';
import { listDesigns, openDesign, storeDesign } from '@/features/design/use/designs';
import { type Database } from './schema';
import { migrate } from '@/platform/data/migrate';
import { repositories } from './repositories';

const open: Kysely<Database>[] = [];

async function freshStores() {
  const db = await freshDatabase();
  open.push(db);
  return {
    db,
    ...repositories(db),
  };
}

afterEach(async () => {
  await Promise.all(open.splice(0).map((db) => db.destroy()));
});

storeContract('in PostgreSQL', freshStores);
bookContract('in PostgreSQL', freshStores);
offerSearchContract('in PostgreSQL', freshStores);
linkContract('in PostgreSQL', freshStores);
studyLinkContract('in PostgreSQL', freshStores);
libraryContract('in PostgreSQL', freshStores);
fleetContract('in PostgreSQL', freshStores);
jobContract('in PostgreSQL', freshStores);
studyContract('in PostgreSQL', freshStores);
reviewContract('in PostgreSQL', freshStores);
billContract('in PostgreSQL', freshStores);
watchContract('in PostgreSQL', freshStores);
billYearContract('in PostgreSQL', freshStores);

describe('the database itself', () => {
  it('can be migrated again without harm', async () => {
    const { db } = await freshStores();
    await expect(migrate(db)).resolves.toBeUndefined();
  });

  it.each([
    ['a rate', sql`update book_rate set unit = 'second'`],
    ['a rate away', sql`delete from book_rate`],
    ['an offer', sql`update book_offer set name = 'x'`],
    ['a region', sql`delete from book_region`],
    ['the revision', sql`update book_revision set source = 'x'`],
    ['the revision back to a draft', sql`update book_revision set published_at = null`],
  ])('refuses to change %s of a published revision', async (_, statement) => {
    const { db, ...stores } = await freshStores();
    await importBook(testContext(stores), uploadOf(smallBookFile()));
    await expect(statement.execute(db)).rejects.toThrow(/published revision never changes/);
  });

  it('refuses to add to a published revision', async () => {
    const { db, ...stores } = await freshStores();
    await importBook(testContext(stores), uploadOf(smallBookFile()));
    const insert = sql`insert into book_rate select revision_id, 'A-2', 'elbe', meter, term, unit, charge, upfront, allowance, pool, rest from book_rate where sku = 'A-2'`;
    await expect(insert.execute(db)).rejects.toThrow(/published revision never changes/);
  });

  it('works amounts of an older calculation out anew, and says what they were until somebody edits', async () => {
    const { db, ...stores } = await freshStores();
    const context = testContext(stores);
    await importBook(context, uploadOf(smallBookFile()));
    const server = serverOf('a', { place: { book: 'small', region: 'severn' } });
    const pins = [{ book: 'small', revision: 3 }];
    const id = await storeDesign(context, designOf([server], { books: pins }));
    expect(await openDesign(context, id)).toMatchObject({ before: null });
    await sql`update design set totals_calculation = 1, monthly = 70.5, line_amounts = '{"a": "70.5"}'`.execute(
      db,
    );
    const before = { monthly: '70.5', lines: { a: '70.5' } };
    expect(await openDesign(context, id)).toMatchObject({ before });
    expect(await openDesign(context, id)).toMatchObject({ before });
    expect((await listDesigns(context))[0]?.totals?.monthly).toBe('73');
    const edits = [{ edit: 'set-design', field: 'title', value: 'Another' }] as const;
    await editDesign(context, id, { baseRevision: 0, batch: context.newId(), edits });
    expect(await openDesign(context, id)).toMatchObject({ before: null });
    // A version that kept the total only.
    await sql`update design set totals_calculation = 1, totals_revision = revision, monthly = 70.5, line_amounts = null`.execute(
      db,
    );
    expect(await openDesign(context, id)).toMatchObject({ before: { monthly: '70.5', lines: null } });
    expect((await sql<{ line_amounts: unknown }>`select line_amounts from design`.execute(db)).rows).toEqual([
      { line_amounts: { a: '73' } },
    ]);
  });

  it('keeps prices to the last digit', async () => {
    const { db: _, ...stores } = await freshStores();
    const file = smallBookFile();
    file.rates[0]!.charge = { structure: 'per-unit', price: '0.000000000000000001' };
    file.rates[10]!.upfront = '123456789012345.5';
    await importBook(testContext(stores), uploadOf(file));
    const rates = await stores.books.rates(HERE, 'small', 3, [
      { region: 'severn', skus: [], kinds: ['server'] },
    ]);
    expect(rates?.find((rate) => rate.sku === 'A-2')?.charge).toEqual({
      structure: 'per-unit',
      price: '0.000000000000000001',
    });
    expect(rates?.find((rate) => rate.term === '12-part')?.upfront).toBe('123456789012345.5');
  });

  it('looks rates up by an index', async () => {
    const { db, ...stores } = await freshStores();
    await importBook(testContext(stores), uploadOf(smallBookFile()));
    await sql`set enable_seqscan = off`.execute(db);
    const plan = await sql<{
      'QUERY PLAN': string;
    }>`explain select * from book_rate where revision_id = (select id from book_revision) and region = 'severn' and sku = any('{A-4,A-8}')`.execute(
      db,
    );
    expect(plan.rows.map((row) => row['QUERY PLAN']).join('\n')).toMatch(
      /Index.*book_rate_[0-9a-f]{32}_pkey/s,
    );
  });
});
