/**
 * Publishes a price book from a stream, in one transaction: head, regions and offers by insert, rates by COPY into a
 * table of their own that becomes the revision's partition once it is whole and indexed. What search needs beside an
 * offer (where it is sold, what its lot costs) is gathered on the way.
 */
import { type Kysely, sql } from 'kysely';
import type pg from 'pg';
import { kindOf, mainMeter } from '@/engine/books';
import { type OfferRow, type RateRow, type RegionRow } from '@/features/price-books/format/price-book-schema';
import type { BookHeadRow, BookSink } from '@/features/price-books/format/stream';
import { AppError } from '@/platform/use/app-error';
import { requireSameBook } from '@/features/price-books/use/same-book';
import { cell, CopyRows } from '@/platform/data/copy-rows';
import { OfferPlaces } from './offer-places';
import type { Database } from '@/stores/schema';

/** The revision is the same in all of them: it is the default of the table that is filled. */
const RATE_COLUMNS = [
  'sku',
  'region',
  'meter',
  'term',
  'unit',
  'charge',
  'upfront',
  'allowance',
  'pool',
  'rest',
];
const ROWS_AT_ONCE = 5000;

/** The partition that holds a revision's rates; only ever made of an id of ours. */
export function partitionOf(revisionId: string): string {
  return `book_rate_${revisionId.replaceAll('-', '')}`;
}

export class BookWriter implements BookSink {
  private revisionId = '';
  private provider = '';
  private readonly rows: OfferRow[] = [];
  private readonly mainMeters = new Map<string, string>();
  /** By SKU: what its lot costs by region; null where the structure has no such price. */
  private readonly places = new OfferPlaces();
  private counts = { regions: 0, rates: 0 };
  private copy: CopyRows | null = null;
  private hasTable = false;

  constructor(
    private readonly db: Kysely<Database>,
    private readonly client: pg.PoolClient,
    private readonly workspace: string,
  ) {}

  async head({ book, revision }: BookHeadRow): Promise<void> {
    const { key, title, provider, currency, monthHours } = book;
    const values = { title, provider, currency, month_hours: monthHours };
    this.provider = provider;
    const known = await this.db
      .selectFrom('price_book')
      .select(['provider', 'currency', 'month_hours'])
      .where('workspace_id', '=', this.workspace)
      .where('key', '=', key)
      .executeTakeFirst();
    if (known) requireSameBook({ ...known, monthHours: known.month_hours }, book);
    const { id } = await this.db
      .insertInto('price_book')
      .values({ workspace_id: this.workspace, key, ...values })
      .onConflict((conflict) => conflict.columns(['workspace_id', 'key']).doUpdateSet(values))
      .returning('id')
      .executeTakeFirstOrThrow();
    const row = await this.db
      .insertInto('book_revision')
      .values({
        book_id: id,
        number: revision.number,
        title,
        currency,
        month_hours: monthHours,
        effective: revision.effective,
        source: revision.source,
        offer_count: 0,
        rate_count: 0,
        region_count: 0,
        published_at: null,
      })
      .onConflict((conflict) => conflict.columns(['book_id', 'number']).doNothing())
      .returning('id')
      .executeTakeFirst();
    if (!row) throw existsAlready(title, revision.number);
    this.revisionId = row.id;
  }

  async regions(rows: readonly RegionRow[]): Promise<void> {
    await this.endCopy();
    this.counts.regions += rows.length;
    await this.db
      .insertInto('book_region')
      .values(
        rows.map(({ bands, area, ...region }) => ({
          revision_id: this.revisionId,
          ...region,
          area: area ?? null,
          bands: bands ? JSON.stringify(bands) : null,
        })),
      )
      .execute();
  }

  /** Kept until the rates are known: where an offer is sold and what it costs is written with it, once. */
  async offers(rows: readonly OfferRow[]): Promise<void> {
    for (const offer of rows) {
      this.rows.push(offer);
      this.mainMeters.set(offer.sku, mainMeter(offer.kind)?.meter ?? '');
    }
  }

  private async copyPlaces(): Promise<void> {
    const columns = ['revision_id', 'sku', 'region', 'kind', 'vcpu', 'memory', 'price'];
    const copy = new CopyRows(this.client, 'book_place', columns);
    for (const { sku, kind, vcpu, memory } of this.rows) {
      const rows = [...this.places.of(sku)].map(([region, price]) => [
        ...[this.revisionId, sku, region, kind, vcpu, memory],
        price?.toString() ?? null,
      ]);
      await copy.write(rows);
    }
    await copy.end();
  }

  private async insertOffers(): Promise<void> {
    for (let from = 0; from < this.rows.length; from += ROWS_AT_ONCE) {
      const table = JSON.stringify(
        this.rows.slice(from, from + ROWS_AT_ONCE).map((offer) => {
          return {
            sku: offer.sku,
            words: this.wordsOf(offer),
            capabilities: offer.capabilities ?? [],
            regions: [...this.places.of(offer.sku).keys()].sort(),
            ...this.places.cheapest(offer.sku),
            detail: offer,
          };
        }),
      );
      await sql`
        insert into book_offer (revision_id, sku, kind, name, family, lifecycle, detail, words, vcpu, memory, gpu,
          capabilities, regions, price, cheapest_in)
        select ${this.revisionId}::uuid, row->>'sku', row->'detail'->>'kind', row->'detail'->>'name',
          row->'detail'->>'family', row->'detail'->>'lifecycle', row->'detail', row->>'words',
          (row->'detail'->>'vcpu')::numeric, (row->'detail'->>'memory')::numeric, (row->'detail'->>'gpu')::numeric,
          array(select jsonb_array_elements_text(row->'capabilities')),
          array(select jsonb_array_elements_text(row->'regions')), (row->>'price')::numeric, row->>'cheapestIn'
        from jsonb_array_elements(${table}::jsonb) as row
      `.execute(this.db);
    }
  }

  private wordsOf({ name, sku, family, service, kind, processor }: OfferRow): string {
    return [name, sku, family, service, kindOf(kind).label, processor, this.provider]
      .filter(Boolean)
      .join(' ')
      .toLowerCase();
  }

  async rates(rows: readonly RateRow[]): Promise<void> {
    this.copy ??= await this.beginCopy();
    this.counts.rates += rows.length;
    let lines = '';
    for (const rate of rows) {
      this.notePlace(rate);
      lines += this.lineOf(rate);
    }
    await this.copy.writeText(lines);
  }

  private async beginCopy(): Promise<CopyRows> {
    const table = partitionOf(this.revisionId);
    if (!this.hasTable) await this.createTable(table);
    this.hasTable = true;
    return new CopyRows(this.client, table, RATE_COLUMNS);
  }

  /**
   * The key is there from the beginning: the database keeps it while the next rows are still being read and checked,
   * so that nothing waits for it at the end. The check lets the partition be attached without being read again.
   */
  private async createTable(table: string): Promise<void> {
    const id = this.revisionId;
    await this.client.query(`
      create table ${table} (
        like book_rate,
        primary key (sku, region, meter, term),
        constraint ${table}_is_one check (revision_id = '${id}')
      );
      alter table ${table} alter column revision_id set default '${id}';
    `);
  }

  /** In a flat file offers come between rates, and nothing else can be asked while a copy runs. */
  private async endCopy(): Promise<void> {
    const { copy } = this;
    this.copy = null;
    await copy?.end();
  }

  private lineOf(rate: RateRow): string {
    const { charge } = rate;
    const money =
      charge.structure === 'per-unit'
        ? `{"price":"${charge.price}","structure":"per-unit"}`
        : cell(JSON.stringify(charge));
    const ahead = `${rate.upfront ?? '\\N'}\t${rate.allowance ?? '\\N'}`;
    return `${rate.sku}\t${rate.region}\t${rate.meter}\t${rate.term}\t${rate.unit}\t${money}\t${ahead}\t${rate.pool}\t${rareCell(rate)}\n`;
  }

  private notePlace(rate: RateRow): void {
    this.places.note(rate, rate.term === 'on-demand' && rate.meter === this.mainMeters.get(rate.sku));
  }

  /** Ends the copy whatever became of it, so that the client can roll back. */
  async abandon(): Promise<void> {
    await this.endCopy().catch(() => undefined);
  }

  async publish(at: Date): Promise<void> {
    await this.endCopy();
    const table = partitionOf(this.revisionId);
    await this.client.query(`analyze ${table} (sku, region)`);
    this.places.countFees();
    await this.copyPlaces();
    await this.insertOffers();
    // Searches right after a large import must not be planned on what was known before it.
    await this.client.query('analyze book_offer, book_place');
    await this.client.query(
      `alter table book_rate attach partition ${table} for values in ('${this.revisionId}');
       alter table ${table} drop constraint ${table}_is_one`,
    );
    await this.client.query(
      `create trigger published_is_final before insert or update or delete on ${table}
       for each row execute function refuse_change_of_published()`,
    );
    const { regions, rates } = this.counts;
    await this.db
      .updateTable('book_revision')
      .set({ published_at: at, region_count: regions, offer_count: this.rows.length, rate_count: rates })
      .where('id', '=', this.revisionId)
      .execute();
  }
}

const COLUMNS: ReadonlySet<string> = new Set(RATE_COLUMNS.filter((column) => column !== 'rest'));

/** The fields that have no column of their own. */
function rareCell(rate: RateRow): string {
  const fields = Object.keys(rate);
  // A checked rate has all the fields that have columns.
  if (fields.length === COLUMNS.size) return '\\N';
  const rare = fields.filter((field) => !COLUMNS.has(field));
  return cell(JSON.stringify(Object.fromEntries(rare.map((field) => [field, rate[field as keyof RateRow]]))));
}

function existsAlready(title: string, revision: number): AppError {
  const message = `Revision ${revision} of “${title}” is here already, and a published revision never changes. Give the file a higher revision number.`;
  return new AppError('conflict', message, {
    faults: [{ path: 'revision.number', message: 'exists already' }],
  });
}
