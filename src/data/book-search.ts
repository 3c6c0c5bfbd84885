/** Search over the offers of the newest revisions: by trigram for words, by plain columns for the rest. */
import { type Kysely, sql } from 'kysely';
import type { FoundOffer, OfferQuery } from '@/operations';
import type { Database } from './schema';

const like = (word: string): string => `%${word.replace(/[\\%_]/g, '\\$&')}%`;

export async function searchOffers(
  db: Kysely<Database>,
  workspace: string,
  query: OfferQuery,
): Promise<FoundOffer[]> {
  const newest = db
    .selectFrom('book_revision as revision')
    .innerJoin('price_book as book', 'book.id', 'revision.book_id')
    .distinctOn('revision.book_id')
    .select(['revision.id', 'book.key', 'revision.title', 'revision.currency', 'revision.number'])
    .where('book.workspace_id', '=', workspace)
    .where('revision.published_at', 'is not', null)
    .$if(query.book !== undefined, (rows) => rows.where('book.key', '=', query.book!))
    .orderBy('revision.book_id')
    .orderBy('revision.number', 'desc');
  const price =
    query.region === undefined ? sql<string | null>`offer.price` : sql<string | null>`place.price`;
  let found = db
    .with('newest', () => newest)
    .selectFrom('newest')
    .innerJoin('book_offer as offer', 'offer.revision_id', 'newest.id')
    .$if(query.region !== undefined, (rows) =>
      rows.innerJoin('book_place as place', (join) =>
        join
          .onRef('place.revision_id', '=', 'newest.id')
          .onRef('place.sku', '=', 'offer.sku')
          .on('place.region', '=', query.region!),
      ),
    )
    .select([
      'newest.key as book',
      'newest.title as bookTitle',
      'newest.currency',
      'newest.number as revision',
      'offer.sku',
      'offer.name',
      'offer.kind',
      'offer.family',
      'offer.vcpu',
      'offer.memory',
      'offer.regions',
      sql<FoundOffer['lifecycle']>`offer.detail->>'lifecycle'`.as('lifecycle'),
      price.as('price'),
    ]);
  for (const word of query.words) found = found.where('offer.words', 'like', like(word));
  if (query.kind) found = found.where('offer.kind', '=', query.kind);
  if (query.family) found = found.where('offer.family', '=', query.family);
  if (query.vcpu) found = found.where('offer.vcpu', '>=', query.vcpu);
  if (query.memory) found = found.where('offer.memory', '>=', query.memory);
  if (query.gpu) found = found.where('offer.gpu', '>=', query.gpu);
  if (query.capability) {
    found = found.where(sql<boolean>`offer.capabilities @> array[${query.capability}]::text[]`);
  }
  if (query.priceFrom) found = found.where(price, '>=', query.priceFrom);
  if (query.priceTo) found = found.where(price, '<=', query.priceTo);
  const rows = await found
    .orderBy(price, (order) => order.asc().nullsLast())
    .orderBy('newest.key')
    .orderBy(sql`offer.sku collate "C"`)
    .limit(query.limit)
    .execute();
  return rows as FoundOffer[];
}
