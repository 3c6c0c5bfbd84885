/** What differs between two revisions of a book, worked out by the database from their two partitions. */
import { type Kysely, sql } from 'kysely';
import type { OfferRow, RateRow } from '@/features/price-books/format/price-book-schema';
import type { RateDifference, RevisionDifference } from '@/features/price-books/use/book-ports';
import type { Database } from '@/stores/schema';

export async function differenceOf(
  db: Kysely<Database>,
  before: string,
  after: string,
  limit: number,
): Promise<RevisionDifference> {
  const [offers, rates, counts] = await Promise.all([
    sql<{ before: OfferRow | null; after: OfferRow | null }>`
      select a.detail as before, b.detail as after
      from (select sku, detail from book_offer where revision_id = ${before}::uuid) a
      full join (select sku, detail from book_offer where revision_id = ${after}::uuid) b using (sku)
      where a.detail is distinct from b.detail
      order by sku collate "C"
    `.execute(db),
    sql<RateDifference>`
      select ${rowOf('a')} as before, ${rowOf('b')} as after
      from ${joined(before, after)}
      where ${DIFFERS}
      order by sku collate "C", region collate "C", meter collate "C", term collate "C"
      limit ${limit}
    `.execute(db),
    sql<{ added: number; gone: number; changed: number }>`
      select
        count(*) filter (where a.unit is null)::int as added,
        count(*) filter (where b.unit is null)::int as gone,
        count(*) filter (where a.unit is not null and b.unit is not null)::int as changed
      from ${joined(before, after)}
      where ${DIFFERS}
    `.execute(db),
  ]);
  const { added, gone, changed } = counts.rows[0]!;
  return {
    offersAdded: offers.rows.flatMap((row) => (row.before === null && row.after ? [row.after] : [])),
    offersGone: offers.rows.flatMap((row) => (row.after === null && row.before ? [row.before] : [])),
    offersChanged: offers.rows.flatMap((row) =>
      row.before && row.after ? [{ before: row.before, after: row.after }] : [],
    ),
    ratesAdded: added,
    ratesGone: gone,
    ratesChanged: changed,
    rates: rates.rows.map((row) => ({ before: withRest(row.before), after: withRest(row.after) })),
  };
}

function joined(before: string, after: string) {
  return sql`
    (select * from book_rate where revision_id = ${before}::uuid) a
    full join (select * from book_rate where revision_id = ${after}::uuid) b using (sku, region, meter, term)
  `;
}

const DIFFERS = sql`
  (a.unit, a.charge, a.upfront, a.allowance, a.pool, a.rest)
  is distinct from (b.unit, b.charge, b.upfront, b.allowance, b.pool, b.rest)
`;

/** The rate as a file has it; null where that side has none. */
function rowOf(side: 'a' | 'b') {
  const at = sql.raw(side);
  return sql`case when ${at}.unit is null then null else jsonb_build_object(
    'sku', sku, 'region', region, 'meter', meter, 'term', term, 'unit', ${at}.unit, 'charge', ${at}.charge,
    'upfront', ${at}.upfront::text, 'allowance', ${at}.allowance::text, 'pool', ${at}.pool, 'rest', ${at}.rest) end`;
}

function withRest(row: RateRow | null): RateRow | null {
  if (!row) return null;
  const { rest, ...plain } = row as RateRow & { rest: Partial<RateRow> | null };
  return { ...plain, ...rest };
}
