/**
 * Reads a price book of any size from a stream, checks it as it comes, and hands it on in batches. Everything is
 * checked to the end, so that all faults are told at once; nothing is handed on after the first.
 */
import { z } from 'zod';
import { check, type Fault, faultsOf } from '@/platform/formats/faults';
import { LIMITS } from '@/platform/formats/fields';
import { BookChecker } from '../price-book-checks';
import {
  bookSchema,
  MOST_OFFERS,
  MOST_REGIONS,
  type OfferRow,
  offerSchema,
  type PriceBookFile,
  type RateRow,
  rateSchema,
  type RegionRow,
  regionSchema,
  revisionSchema,
} from '../price-book-schema';
import { FaultList } from './fault-list';

export interface BookHeadRow {
  readonly book: PriceBookFile['book'];
  readonly revision: PriceBookFile['revision'];
}

/** Where a checked book goes, in this order: head, regions, offers, rates. */
export interface BookSink {
  head(head: BookHeadRow): Promise<void>;
  regions(rows: readonly RegionRow[]): Promise<void>;
  offers(rows: readonly OfferRow[]): Promise<void>;
  rates(rows: readonly RateRow[]): Promise<void>;
  /** Rates of other offers are passed over unchecked; absent: all are wanted. */
  wants?(sku: string): boolean;
}

export interface BookCounts {
  regions: number;
  offers: number;
  rates: number;
}

/** A row with where it stands; `at` finds the place of a field in it. */
export interface Placed {
  readonly row: unknown;
  readonly path: string;
  at(field: string): { readonly line: number; readonly column: number };
}

function isOther(row: unknown, wants: (sku: string) => boolean): boolean {
  const sku: unknown = typeof row === 'object' && row !== null ? (row as Partial<RateRow>).sku : null;
  return typeof sku === 'string' && !wants(sku);
}

type Place = { readonly line: number; readonly column: number };

/** What every form of a price book is read through: it gets rows, in order, and gives the sink what is sound. */
export class BookReader {
  readonly faults = new FaultList();
  readonly counts: BookCounts = { regions: 0, offers: 0, rates: 0 };
  private readonly checker = new BookChecker();
  private readonly offerPaths = new Map<string, string>();
  /** Of offers and shares of spend: what the last checks may find fault with. */
  private readonly places = new Map<string, Place>();
  private headRow: BookHeadRow | null = null;

  constructor(private readonly sink: BookSink) {}

  get head(): BookHeadRow | null {
    return this.headRow;
  }

  async takeHead(book: Placed | undefined, revision: Placed | undefined): Promise<void> {
    const parsedBook = this.parsed(bookSchema, book, 'book');
    const parsedRevision = this.parsed(revisionSchema, revision, 'revision');
    if (!parsedBook || !parsedRevision) return;
    this.headRow = { book: parsedBook, revision: parsedRevision };
    if (this.faults.isEmpty) await this.sink.head(this.headRow);
  }

  async takeRegions(rows: readonly Placed[]): Promise<void> {
    const good = rows.flatMap((placed) => {
      const row = this.parsed(regionSchema, placed, placed.path);
      if (row) this.tell(placed, this.checker.addRegion(row, placed.path));
      return row ? [row] : [];
    });
    this.counts.regions += rows.length;
    this.bound('regions', this.counts.regions, MOST_REGIONS, rows);
    if (this.faults.isEmpty && good.length > 0) await this.sink.regions(good);
  }

  async takeOffers(rows: readonly Placed[]): Promise<void> {
    const good = rows.flatMap((placed) => {
      const row = this.parsed(offerSchema, placed, placed.path);
      if (row) {
        this.tell(placed, this.checker.addOffer(row, placed.path));
        this.offerPaths.set(row.sku, placed.path);
        this.places.set(placed.path, placed.at(''));
      }
      return row ? [row] : [];
    });
    this.counts.offers += rows.length;
    this.bound('offers', this.counts.offers, MOST_OFFERS, rows);
    if (this.faults.isEmpty && good.length > 0) await this.sink.offers(good);
  }

  async takeRates(rows: readonly Placed[]): Promise<void> {
    const good: RateRow[] = [];
    for (const placed of rows) {
      const index = this.counts.rates;
      this.counts.rates += 1;
      if (this.sink.wants && isOther(placed.row, this.sink.wants)) continue;
      if (this.checker.addPlainRate(placed.row, index)) {
        good.push(placed.row as RateRow);
        continue;
      }
      const row = this.parsed(rateSchema, placed, placed.path);
      if (!row) continue;
      this.tell(placed, this.checker.addRate(row, index, placed.path));
      if (row.charge.structure === 'share-of-spend') this.places.set(placed.path, placed.at('charge'));
      good.push(row);
    }
    this.bound('rates', this.counts.rates, LIMITS.rates, rows);
    if (this.faults.isEmpty && good.length > 0) await this.sink.rates(good);
  }

  /** What only shows at the end. */
  finish(): void {
    for (const list of ['regions', 'offers', 'rates'] as const) {
      if (this.counts[list] === 0) this.faults.add({ path: list, message: 'must have at least 1 entries' });
    }
    for (const fault of this.checker.end((sku) => this.offerPaths.get(sku) ?? '')) {
      this.faults.add({ ...fault, ...this.places.get(fault.path.replace(/\..*$/, '')) });
    }
  }

  fault(fault: Fault): void {
    this.faults.add(fault);
  }

  private bound(list: string, count: number, most: number, rows: readonly Placed[]): void {
    if (count <= most || count - rows.length > most) return;
    this.faults.add({ path: list, message: `must have at most ${most} entries`, ...rows[0]?.at('') });
  }

  private parsed<T>(schema: z.ZodType<T>, placed: Placed | undefined, path: string): T | null {
    if (!placed) {
      this.faults.add({ path, message: 'is missing' });
      return null;
    }
    const parsed = schema.safeParse(placed.row);
    if (parsed.success) return parsed.data;
    this.tell(
      placed,
      faultsOf(parsed.error).map((fault) => ({
        ...fault,
        path: fault.path ? `${path}.${fault.path}` : path,
      })),
    );
    return null;
  }

  private tell(placed: Placed, faults: readonly Fault[]): void {
    for (const fault of faults) {
      const field = fault.path.slice(placed.path.length).replace(/^\./, '');
      this.faults.add(this.faults.takesMore ? { ...fault, ...placed.at(field) } : fault);
    }
  }
}

const marks = z.object({ format: z.literal('wick-price-book'), version: z.literal(1) });

/** The two marks that say what the file is. */
export function markFaults(format: unknown, version: unknown): readonly Fault[] {
  const checked = check(marks, { format, version });
  return checked.ok ? [] : checked.faults;
}
