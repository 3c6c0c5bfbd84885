/** Price books in PostgreSQL. A revision is written in one transaction and published at its end; then it is final. */
import { type Kysely, sql } from 'kysely';
import type { RateRow } from '@/features/price-books/format/price-book-schema';
import type { BookCatalogue, BookListing, BookStore, RateQuery } from '@/features/price-books/use/book-ports';
import { differenceOf } from './book-difference';
import { searchOffers } from './book-search';
import { BookWriter } from './book-writer';
import { inTransaction } from '@/platform/data/connect';
import type { Database } from '@/stores/schema';

const RATES_AT_ONCE = 5000;
const RATE_FIELDS = ['sku', 'region', 'meter', 'term', 'unit', 'upfront', 'allowance', 'pool'] as const;

/** Published revisions never change, so the catalogues asked for last are kept. */
const CATALOGUES_KEPT = 24;

function remembered<T>(kept: Map<string, Promise<T>>, id: string, read: () => Promise<T>): Promise<T> {
  const known = kept.get(id);
  if (known) return known;
  const reading = read();
  reading.catch(() => kept.delete(id));
  kept.set(id, reading);
  if (kept.size > CATALOGUES_KEPT) kept.delete(kept.keys().next().value!);
  return reading;
}

export function bookRepository(db: Kysely<Database>): BookStore {
  const catalogues = new Map<string, Promise<BookCatalogue>>();
  return {
    list: (workspace) => list(db, workspace),
    publish: (workspace, at, work) =>
      inTransaction(db, async (trx, client) => {
        const writer = new BookWriter(trx, client, workspace);
        try {
          await work(writer);
          await writer.publish(at);
        } catch (error) {
          await writer.abandon();
          throw error;
        }
      }),
    catalogue: async (workspace, book, number) => {
      const revision = await findRevision(db, workspace, book, number);
      return revision ? remembered(catalogues, revision.id, () => catalogueOf(db, book, revision)) : null;
    },
    search: (workspace, query) => searchOffers(db, workspace, query),
    rates: async (workspace, book, number, wanted) => {
      const revision = await findRevision(db, workspace, book, number);
      if (!revision) return null;
      const [pairs, kinds] = [pairsOf(wanted), kindsOf(wanted)];
      const rows = await ratesFrom(db, revision.id)
        .where(({ eb, refTuple }) =>
          eb(
            refTuple('region', 'sku'),
            'in',
            sql<never>`(
              select pair.region, pair.sku
              from unnest(${pairs.regions}::text[], ${pairs.skus}::text[]) as pair (region, sku)
              union
              select kind.region, offer.sku
              from unnest(${kinds.regions}::text[], ${kinds.kinds}::text[]) as kind (region, kind)
              join book_offer offer on offer.revision_id = ${revision.id}::uuid and offer.kind = kind.kind
            )`,
          ),
        )
        .execute();
      return rows.map(asRow);
    },
    ratesOf: async (workspace, book, number, sku) => {
      const revision = await findRevision(db, workspace, book, number);
      if (!revision) return null;
      const rows = await inOrder(ratesFrom(db, revision.id).where('sku', '=', sku)).execute();
      return rows.map(asRow);
    },
    allRates: async (workspace, book, number) => {
      const revision = await findRevision(db, workspace, book, number);
      return revision ? allRates(db, revision.id) : null;
    },
    difference: async (workspace, book, before, after, limit) => {
      const [from, to] = await Promise.all([
        findRevision(db, workspace, book, before),
        findRevision(db, workspace, book, after),
      ]);
      return from && to ? differenceOf(db, from.id, to.id, limit) : null;
    },
  };
}

function pairsOf(wanted: readonly RateQuery[]): { regions: string[]; skus: string[] } {
  const pairs = wanted.flatMap(({ region, skus }) => skus.map((sku) => [region, sku] as const));
  return { regions: pairs.map(([region]) => region), skus: pairs.map(([, sku]) => sku) };
}

function kindsOf(wanted: readonly RateQuery[]): { regions: string[]; kinds: string[] } {
  const pairs = wanted.flatMap(({ region, kinds }) => kinds.map((kind) => [region, kind] as const));
  return { regions: pairs.map(([region]) => region), kinds: pairs.map(([, kind]) => kind) };
}

type Revision = NonNullable<Awaited<ReturnType<typeof findRevision>>>;

async function catalogueOf(db: Kysely<Database>, book: string, revision: Revision): Promise<BookCatalogue> {
  const [regions, offers] = await Promise.all([
    db.selectFrom('book_region').selectAll().where('revision_id', '=', revision.id).orderBy('code').execute(),
    db
      .selectFrom('book_offer')
      .select(['sku', 'detail', 'regions'])
      .where('revision_id', '=', revision.id)
      .orderBy('sku')
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
    revision: { number: revision.number, effective: revision.effective, source: revision.source },
    regions: regions.map(({ revision_id: _, bands, area, ...region }) => ({
      ...region,
      ...(area === null ? {} : { area }),
      ...(bands ? { bands } : {}),
    })),
    offers: offers.map((row) => row.detail),
    availability: Object.fromEntries(
      offers.filter((row) => row.regions.length > 0).map((row) => [row.sku, row.regions]),
    ),
  };
}

function ratesFrom(db: Kysely<Database>, revisionId: string) {
  return db
    .selectFrom('book_rate')
    .select(RATE_FIELDS)
    .select([sql<string>`charge::text`.as('charge'), sql<string | null>`rest::text`.as('rest')])
    .where('revision_id', '=', revisionId);
}

function inOrder(rates: ReturnType<typeof ratesFrom>) {
  return rates.orderBy('sku').orderBy('region').orderBy('meter').orderBy('term');
}

type Selected = Awaited<ReturnType<ReturnType<typeof ratesFrom>['execute']>>[number];

/**
 * As the file has it: what few rates have stands beside the rest. Thousands are read at once, so the JSON columns come
 * as text (the driver takes twice as long over them) and the fields are named (spreading takes four times as long).
 */
function asRow(read: Selected): RateRow {
  const { sku, region, meter, term, unit, upfront, allowance, pool, rest } = read;
  const charge = JSON.parse(read.charge) as RateRow['charge'];
  const row = { sku, region, meter, term, unit, charge, upfront, allowance, pool };
  return (rest === null ? row : Object.assign(row, JSON.parse(rest))) as RateRow;
}

/** Page by page along the key, so that a book of any size needs little memory. */
async function* allRates(db: Kysely<Database>, revisionId: string): AsyncGenerator<readonly RateRow[]> {
  let last: Selected | undefined;
  for (;;) {
    let page = inOrder(ratesFrom(db, revisionId)).limit(RATES_AT_ONCE);
    if (last) {
      const { sku, region, meter, term } = last;
      page = page.where(({ eb, refTuple, tuple }) =>
        eb(refTuple('sku', 'region', 'meter', 'term'), '>', tuple(sku, region, meter, term)),
      );
    }
    const rows = await page.execute();
    if (rows.length > 0) yield rows.map(asRow);
    if (rows.length < RATES_AT_ONCE) return;
    last = rows[rows.length - 1];
  }
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
