import { sql } from 'kysely';
import type { Kysely } from 'kysely';
import { afterEach, describe, expect, it } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { freshDatabase } from '@tests/support/database';
import { storeContract, testContext } from '@tests/support/store-contract';
import { importBook } from '@/operations';
import { bookRepository, type Database, designRepository, migrate } from './index';

const open: Kysely<Database>[] = [];

async function freshStores() {
  const db = await freshDatabase();
  open.push(db);
  return { db, books: bookRepository(db), designs: designRepository(db) };
}

afterEach(async () => {
  await Promise.all(open.splice(0).map((db) => db.destroy()));
});

storeContract('in PostgreSQL', freshStores);

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
    await importBook(testContext(stores), JSON.stringify(smallBookFile()));
    await expect(statement.execute(db)).rejects.toThrow(/published revision never changes/);
  });

  it('refuses to add to a published revision', async () => {
    const { db, ...stores } = await freshStores();
    await importBook(testContext(stores), JSON.stringify(smallBookFile()));
    const insert = sql`insert into book_rate select revision_id, 'A-2', 'elbe', meter, term, unit, charge, upfront, allowance, pool from book_rate where sku = 'A-2'`;
    await expect(insert.execute(db)).rejects.toThrow(/published revision never changes/);
  });

  it('keeps prices to the last digit', async () => {
    const { db: _, ...stores } = await freshStores();
    const file = smallBookFile();
    file.rates[0]!.charge = { structure: 'per-unit', price: '0.000000000000000001' };
    file.rates[10]!.upfront = '123456789012345678901234.5';
    await importBook(testContext(stores), JSON.stringify(file));
    const rates = await stores.books.rates(testContext(stores).actor.workspace, 'small', 3, 'severn');
    expect(rates?.find((rate) => rate.sku === 'A-2')?.charge).toEqual({
      structure: 'per-unit',
      price: '0.000000000000000001',
    });
    expect(rates?.find((rate) => rate.term === '12-part')?.upfront).toBe('123456789012345678901234.5');
  });

  it('looks rates up by an index', async () => {
    const { db, ...stores } = await freshStores();
    await importBook(testContext(stores), JSON.stringify(smallBookFile()));
    await sql`set enable_seqscan = off`.execute(db);
    const plan = await sql<{
      'QUERY PLAN': string;
    }>`explain select * from book_rate where revision_id = ${'00000000-0000-4000-8000-000000000000'}::uuid and region = 'severn'`.execute(
      db,
    );
    expect(plan.rows.map((row) => row['QUERY PLAN']).join('\n')).toMatch(/Index Scan.*book_rate_pkey/s);
  });
});
