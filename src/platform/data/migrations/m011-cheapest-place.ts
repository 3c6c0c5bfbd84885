/** Where an offer is cheapest, and a price for those whose main meter costs nothing beside a monthly fee. */
import { type Kysely, sql } from 'kysely';

export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    alter table book_offer add column cheapest_in text collate "C";
    alter table book_offer disable trigger user;
    alter table book_place disable trigger user;
    update book_place place set price = fees.fee
      from (
        select revision_id, sku, region, sum((charge->>'amount')::numeric) as fee
        from book_rate
        where term = 'on-demand' and charge->>'structure' = 'flat'
          and not coalesce((charge->>'once')::boolean, false)
        group by revision_id, sku, region
      ) fees
      where place.price = 0 and fees.fee > 0 and fees.revision_id = place.revision_id
        and fees.sku = place.sku and fees.region = place.region;
    update book_offer offer set price = cheapest.price, cheapest_in = cheapest.region
      from (
        select distinct on (revision_id, sku) revision_id, sku, region, price
        from book_place order by revision_id, sku, price nulls last, region
      ) cheapest
      where cheapest.revision_id = offer.revision_id and cheapest.sku = offer.sku;
    alter table book_offer enable trigger user;
    alter table book_place enable trigger user;
  `.execute(db);
}
