/**
 * Search over the offers of the newest revisions: by trigram for words, by plain columns for the rest. Each book gives
 * its own cheapest by an index that is in order of price; only those few are then sorted together, by their worth.
 */
import { type Kysely, type RawBuilder, sql } from 'kysely';
import { KIND_CODES } from '@/engine/books';
import type { FoundOffer, OfferQuery } from '@/features/price-books/use/book-ports';
import type { Database } from '@/stores/schema';

const like = (word: string): string => `%${word.replace(/[\\%_]/g, '\\$&')}%`;

export async function searchOffers(
  db: Kysely<Database>,
  workspace: string,
  query: OfferQuery,
): Promise<FoundOffer[]> {
  const ofBook = query.book === undefined ? sql`true` : sql`book.key = ${query.book}`;
  const region = query.region === undefined ? sql`offer.cheapest_in` : sql`${query.region}`;
  const worth = sql`found.price * coalesce((${JSON.stringify(query.worth ?? {})}::jsonb->>newest.currency)::numeric, 1)`;
  const some = query.perKind !== undefined;
  const kinds = sql`cross join unnest(${KIND_CODES}::text[]) with ordinality as each(kind, rank)`;
  // Few are found; only of those is anything else read, one by one by their keys.
  const { rows } = await sql<FoundOffer>`
    with newest as (
      select distinct on (revision.book_id)
        revision.id, book.key, revision.title, revision.currency, revision.number
      from book_revision revision join price_book book on book.id = revision.book_id
      where book.workspace_id = ${workspace}::uuid and revision.published_at is not null and ${ofBook}
      order by revision.book_id, revision.number desc
    ),
    hits as materialized (
      select newest.*, found.sku, found.price,
        row_number() over (order by ${some ? sql`each.rank,` : sql``} ${worth} nulls last, newest.key, found.sku) as turn
      from newest ${some ? kinds : sql``} cross join lateral (${cheapest(query)}) found
      order by turn limit ${some ? null : query.limit}
    )
    select hits.key as book, hits.title as "bookTitle", hits.currency, hits.number as revision,
      hits.sku, offer.name, offer.kind, offer.family, offer.vcpu, offer.memory, offer.lifecycle, offer.regions,
      hits.price, ${region} as region, place.name as "regionName"
    from hits
    cross join lateral (
      select * from book_offer where revision_id = hits.id and sku = hits.sku offset 0
    ) offer
    cross join lateral (
      select name from book_region where revision_id = hits.id and code = ${region} offset 0
    ) place
    order by hits.turn
  `.execute(db);
  return query.perKind === undefined ? rows : fewOfEach(rows, query.perKind).slice(0, query.limit);
}

/** Each book has given its own cheapest of each kind. */
function fewOfEach(rows: readonly FoundOffer[], most: number): FoundOffer[] {
  const counts = new Map<string, number>();
  return rows.filter(({ kind }) => {
    const count = (counts.get(kind) ?? 0) + 1;
    counts.set(kind, count);
    return count <= most;
  });
}

/** The SKUs and prices of one book, cheapest first; of one kind where some of each are wanted. */
function cheapest(query: OfferQuery): RawBuilder<unknown> {
  const limit = query.perKind ?? query.limit;
  if (query.region === undefined) {
    return sql`
      select offer.sku, offer.price from book_offer offer
      where offer.revision_id = newest.id and ${conditions(query, 'offer')}
      order by offer.price nulls last, offer.sku limit ${limit}
    `;
  }
  return sql`
    select place.sku, place.price from book_place place
    join book_offer offer on offer.revision_id = newest.id and offer.sku = place.sku
    where place.revision_id = newest.id and place.region = ${query.region}
      and ${conditions(query, 'place')}
    order by place.price nulls last, place.sku limit ${limit}
  `;
}

/** Kind, size and price stand beside the place too, so that those in a region are found without their offers. */
function conditions(query: OfferQuery, side: 'offer' | 'place'): RawBuilder<unknown> {
  const own = sql.raw(side);
  const all = query.words.map((word) => sql`offer.words like ${like(word)}`);
  if (query.perKind !== undefined) all.push(sql`${own}.kind = each.kind`);
  if (query.kind) all.push(sql`${own}.kind = ${query.kind}`);
  if (query.family) all.push(sql`offer.family = ${query.family}`);
  if (query.vcpu) all.push(sql`${own}.vcpu >= ${query.vcpu}::numeric`);
  if (query.memory) all.push(sql`${own}.memory >= ${query.memory}::numeric`);
  if (query.gpu) all.push(sql`offer.gpu >= ${query.gpu}::numeric`);
  if (query.capability) all.push(sql`offer.capabilities @> array[${query.capability}]::text[]`);
  if (query.priceFrom) all.push(sql`${own}.price >= ${query.priceFrom}::numeric`);
  if (query.priceTo) all.push(sql`${own}.price <= ${query.priceTo}::numeric`);
  return all.length === 0 ? sql`true` : sql.join(all, sql` and `);
}
