/**
 * Searches that go through a book in order of price read what they filter by from the index itself, and a family is
 * found by one of its own. Nobody asks for places by SKU alone.
 */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    drop index book_place_by_sku;
    drop index book_place_by_kind;
    create index book_place_by_kind on book_place (revision_id, region, kind, price, sku) include (vcpu, memory);
    drop index book_offer_by_kind;
    create index book_offer_by_kind on book_offer (revision_id, kind, price, sku) include (vcpu, memory);
    create index book_offer_by_family on book_offer (revision_id, family, price, sku) include (vcpu, memory, gpu);
  `.execute(db);
}
