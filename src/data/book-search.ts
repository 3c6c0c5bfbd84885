/**
 * Search over the offers of the newest revisions: by trigram for words, by plain columns for the rest. Each book gives
 * its own cheapest by an index that is in order of price; only those few are then sorted together, by their worth.
 */
import { type Kysely, type RawBuilder, sql } from 'kysely';
import type { FoundOffer, OfferQuery } from '@/operations';
import type { Database } from './schema';

const like = (word: string): string => `%${word.replace(/[\\%_]/g, '\\$&')}%`;

export async function searchOffers(
  db: Kysely<Database>,
  workspace: string,
  query: OfferQuery,
): Promise<FoundOffer[]> {
  const ofBook = query.book === undefined ? sql`true` : sql`book.key = ${query.book}`;
  const { rows } = await sql<FoundOffer>`
    with newest as (
      select distinct on (revision.book_id)
        revision.id, book.key, revision.title, revision.currency, revision.number
      from book_revision revision join price_book book on book.id = revision.book_id
      where book.workspace_id = ${workspace}::uuid and revision.published_at is not null and ${ofBook}
      order by revision.book_id, revision.number desc
    )
    select newest.key as book, newest.title as "bookTitle", newest.currency, newest.number as revision,
      found.sku, offer.name, offer.kind, offer.family, offer.vcpu, offer.memory, offer.lifecycle, offer.regions,
      found.price
    from newest
    cross join lateral (${cheapest(query)}) found
    join book_offer offer on offer.revision_id = newest.id and offer.sku = found.sku
    order by found.price * coalesce((${JSON.stringify(query.worth ?? {})}::jsonb->>newest.currency)::numeric, 1)
      nulls last, newest.key, found.sku
    limit ${query.limit}
  `.execute(db);
  return rows;
}

/** The SKUs and prices of one book, cheapest first. */
function cheapest(query: OfferQuery): RawBuilder<unknown> {
  if (query.region === undefined) {
    return sql`
      select offer.sku, offer.price from book_offer offer
      where offer.revision_id = newest.id and ${conditions(query, 'offer')}
      order by offer.price nulls last, offer.sku limit ${query.limit}
    `;
  }
  return sql`
    select place.sku, place.price from book_place place
    join book_offer offer on offer.revision_id = newest.id and offer.sku = place.sku
    where place.revision_id = newest.id and place.region = ${query.region}
      and ${conditions(query, 'place')}
    order by place.price nulls last, place.sku limit ${query.limit}
  `;
}

/** Kind, size and price stand beside the place too, so that those in a region are found without their offers. */
function conditions(query: OfferQuery, side: 'offer' | 'place'): RawBuilder<unknown> {
  const own = sql.raw(side);
  const all = query.words.map((word) => sql`offer.words like ${like(word)}`);
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
