/** Price books in PostgreSQL. A revision is written in one transaction and published at its end; then it is final. */
import { type Kysely, sql, type Transaction } from 'kysely';
import type { PriceBookFile, RateRow } from '@/formats';
import type { BookListing, BookStore, FoundOffer } from '@/operations';
import type { Database } from './schema';

const ROWS_AT_ONCE = 5000;

export function bookRepository(db: Kysely<Database>): BookStore {
  return {
    list: (workspace) => list(db, workspace),
    publish: (workspace, file, at) => db.transaction().execute((trx) => publish(trx, workspace, file, at)),
    catalogue: async (workspace, book, number) => {
      const revision = await findRevision(db, workspace, book, number);
      if (!revision) return null;
      const [regions, offers, sold] = await Promise.all([
        db
          .selectFrom('book_region')
          .selectAll()
          .where('revision_id', '=', revision.id)
          .orderBy('code')
          .execute(),
        db
          .selectFrom('book_offer')
          .select('detail')
          .where('revision_id', '=', revision.id)
          .orderBy('sku')
          .execute(),
        db
          .selectFrom('book_rate')
          .select(['sku', sql<string[]>`array_agg(distinct region order by region)`.as('regions')])
          .where('revision_id', '=', revision.id)
          .groupBy('sku')
          .execute(),
      ]);
      return {
        book: {
          key: book,
          title: revision.title,
          provider: revision.provider,
          currency: revision.currency,
          monthHours: revision.month_hours,
        },
        revision: { number, effective: revision.effective, source: revision.source },
        regions: regions.map(({ revision_id: _, ...region }) => region),
        offers: offers.map((row) => row.detail),
        availability: Object.fromEntries(sold.map((row) => [row.sku, row.regions])),
      };
    },
    findOffers: (workspace, words, limit) => findOffers(db, workspace, words, limit),
    rates: async (workspace, book, number, region) => {
      const revision = await findRevision(db, workspace, book, number);
      if (!revision) return null;
      const rows = await db
        .selectFrom('book_rate')
        .select(['sku', 'region', 'meter', 'term', 'unit', 'charge', 'upfront', 'allowance', 'pool'])
        .where('revision_id', '=', revision.id)
        .where('region', '=', region)
        .orderBy('sku')
        .orderBy('meter')
        .orderBy('term')
        .execute();
      return rows as readonly RateRow[];
    },
  };
}

async function list(db: Kysely<Database>, workspace: string): Promise<BookListing[]> {
  const rows = await db
    .selectFrom('price_book as book')
    .innerJoin('book_revision as revision', 'revision.book_id', 'book.id')
    .selectAll('revision')
    .select(['book.key', 'book.provider'])
    .where('book.workspace_id', '=', workspace)
    .where('revision.published_at', 'is not', null)
    .orderBy('book.key')
    .orderBy('revision.number', 'desc')
    .execute();
  const books = new Map<string, BookListing & { revisions: BookListing['revisions'][number][] }>();
  for (const row of rows) {
    const book = books.get(row.key) ?? {
      key: row.key,
      title: row.title,
      provider: row.provider,
      currency: row.currency,
      revisions: [],
    };
    books.set(row.key, book);
    book.revisions.push({
      number: row.number,
      effective: row.effective,
      source: row.source,
      regions: row.region_count,
      offers: row.offer_count,
      rates: row.rate_count,
      publishedAt: row.published_at!.toISOString(),
    });
  }
  return [...books.values()];
}

async function findRevision(db: Kysely<Database>, workspace: string, book: string, number: number) {
  return db
    .selectFrom('book_revision as revision')
    .innerJoin('price_book as book', 'book.id', 'revision.book_id')
    .selectAll('revision')
    .select('book.provider')
    .where('book.workspace_id', '=', workspace)
    .where('book.key', '=', book)
    .where('revision.number', '=', number)
    .where('revision.published_at', 'is not', null)
    .executeTakeFirst();
}

async function findOffers(
  db: Kysely<Database>,
  workspace: string,
  words: readonly string[],
  limit: number,
): Promise<FoundOffer[]> {
  const text = sql<string>`(offer.name || ' ' || offer.sku || ' ' || offer.family)`;
  let query = db
    .selectFrom('book_offer as offer')
    .innerJoin('book_revision as revision', 'revision.id', 'offer.revision_id')
    .innerJoin('price_book as book', 'book.id', 'revision.book_id')
    .select(['book.key as book', 'revision.title as bookTitle', 'offer.sku', 'offer.name', 'offer.kind'])
    .where('book.workspace_id', '=', workspace)
    .where(
      'revision.number',
      '=',
      sql<number>`(select max(number) from book_revision where book_id = book.id and published_at is not null)`,
    );
  for (const word of words) query = query.where(text, 'ilike', `%${word.replace(/[\\%_]/g, '\\$&')}%`);
  const rows = await query
    .orderBy('book.key')
    .orderBy(sql`offer.sku collate "C"`)
    .limit(limit)
    .execute();
  return rows as FoundOffer[];
}

async function publish(
  trx: Transaction<Database>,
  workspace: string,
  file: PriceBookFile,
  at: Date,
): Promise<boolean> {
  const { key, title, provider, currency, monthHours } = file.book;
  const book = await trx
    .insertInto('price_book')
    .values({ workspace_id: workspace, key, title, provider, currency, month_hours: monthHours })
    .onConflict((conflict) =>
      conflict
        .columns(['workspace_id', 'key'])
        .doUpdateSet({ title, provider, currency, month_hours: monthHours }),
    )
    .returning('id')
    .executeTakeFirstOrThrow();
  const revision = await trx
    .insertInto('book_revision')
    .values({
      book_id: book.id,
      number: file.revision.number,
      title,
      currency,
      month_hours: monthHours,
      effective: file.revision.effective,
      source: file.revision.source,
      offer_count: file.offers.length,
      rate_count: file.rates.length,
      region_count: file.regions.length,
      published_at: null,
    })
    .onConflict((conflict) => conflict.columns(['book_id', 'number']).doNothing())
    .returning('id')
    .executeTakeFirst();
  if (!revision) return false;
  await trx
    .insertInto('book_region')
    .values(file.regions.map((region) => ({ revision_id: revision.id, ...region })))
    .execute();
  await insertOffers(trx, revision.id, file.offers);
  await insertRates(trx, revision.id, file.rates);
  await trx.updateTable('book_revision').set({ published_at: at }).where('id', '=', revision.id).execute();
  return true;
}

async function insertOffers(
  trx: Transaction<Database>,
  revision: string,
  offers: PriceBookFile['offers'],
): Promise<void> {
  for (let from = 0; from < offers.length; from += ROWS_AT_ONCE) {
    const rows = JSON.stringify(offers.slice(from, from + ROWS_AT_ONCE));
    await sql`
      insert into book_offer (revision_id, sku, kind, name, family, detail)
      select ${revision}::uuid, row->>'sku', row->>'kind', row->>'name', row->>'family', row
      from jsonb_array_elements(${rows}::jsonb) as row
    `.execute(trx);
  }
}

async function insertRates(
  trx: Transaction<Database>,
  revision: string,
  rates: PriceBookFile['rates'],
): Promise<void> {
  for (let from = 0; from < rates.length; from += ROWS_AT_ONCE) {
    const rows = JSON.stringify(rates.slice(from, from + ROWS_AT_ONCE));
    await sql`
      insert into book_rate (revision_id, sku, region, meter, term, unit, charge, upfront, allowance, pool)
      select ${revision}::uuid, row.* from jsonb_to_recordset(${rows}::jsonb) as row
        (sku text, region text, meter text, term text, unit text, charge jsonb, upfront numeric, allowance numeric, pool text)
    `.execute(trx);
  }
}
