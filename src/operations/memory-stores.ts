/** The in-memory twins of the stores: for tests of operations, and for the command line, which needs no database. */
import { allComponents } from '@/core/design';
import type { PriceBookFile } from '@/formats';
import type {
  BookListing,
  BookStore,
  DesignChange,
  DesignListing,
  DesignStore,
  LockedDesign,
  LoggedBatch,
  StoredDesign,
  Totals,
} from './ports';

interface KeptBook {
  readonly workspace: string;
  readonly file: PriceBookFile;
  readonly at: string;
}

export function memoryBookStore(): BookStore {
  const kept: KeptBook[] = [];
  const find = (workspace: string, book: string, revision: number): PriceBookFile | undefined =>
    kept.find(
      (each) =>
        each.workspace === workspace && each.file.book.key === book && each.file.revision.number === revision,
    )?.file;
  return {
    list: async (workspace) => listBooks(kept.filter((each) => each.workspace === workspace)),
    publish: async (workspace, file, at) => {
      if (find(workspace, file.book.key, file.revision.number)) return false;
      kept.push({ workspace, file, at: at.toISOString() });
      return true;
    },
    catalogue: async (workspace, book, revision) => {
      const file = find(workspace, book, revision);
      if (!file) return null;
      const availability: Record<string, string[]> = {};
      for (const rate of file.rates) {
        const codes = (availability[rate.sku] ??= []);
        if (!codes.includes(rate.region)) codes.push(rate.region);
      }
      return {
        book: file.book,
        revision: file.revision,
        regions: file.regions,
        offers: file.offers,
        availability,
      };
    },
    findOffers: async (workspace, words, limit) => {
      const own = kept.filter((each) => each.workspace === workspace);
      const newest = listBooks(own).map((book) => find(workspace, book.key, book.revisions[0]!.number)!);
      const found = newest.flatMap((file) =>
        file.offers
          .filter((offer) => words.every((word) => textOf(offer).includes(word.toLowerCase())))
          .sort((a, b) => (a.sku < b.sku ? -1 : 1))
          .map(({ sku, name, kind }) => ({
            book: file.book.key,
            bookTitle: file.book.title,
            sku,
            name,
            kind,
          })),
      );
      return found.slice(0, limit);
    },
    rates: async (workspace, book, revision, region) =>
      find(workspace, book, revision)?.rates.filter((rate) => rate.region === region) ?? null,
  };
}

function textOf(offer: PriceBookFile['offers'][number]): string {
  return `${offer.name} ${offer.sku} ${offer.family}`.toLowerCase();
}

function listBooks(kept: readonly KeptBook[]): BookListing[] {
  const keys = [...new Set(kept.map((each) => each.file.book.key))].sort();
  return keys.map((key) => {
    const own = kept
      .filter((each) => each.file.book.key === key)
      .sort((a, b) => b.file.revision.number - a.file.revision.number);
    const { title, provider, currency } = own[0]!.file.book;
    const revisions = own.map(({ file, at }) => ({
      ...file.revision,
      regions: file.regions.length,
      offers: file.offers.length,
      rates: file.rates.length,
      publishedAt: at,
    }));
    return { key, title, provider, currency, revisions };
  });
}

type Work<T> = (locked: LockedDesign) => Promise<{ readonly write: DesignChange | null; readonly result: T }>;

interface KeptDesign {
  readonly workspace: string;
  stored: StoredDesign;
  readonly log: LoggedBatch[];
  deleted: boolean;
  /** Ends when the change before has ended: one at a time, like a row lock. */
  turn: Promise<unknown>;
  totals: (Totals & { readonly revision: number }) | null;
}

export function memoryDesignStore(): DesignStore {
  const kept: KeptDesign[] = [];
  const find = (workspace: string, id: string): KeptDesign | undefined =>
    kept.find((each) => each.workspace === workspace && each.stored.id === id && !each.deleted);
  return {
    list: async (workspace) =>
      kept
        .filter((each) => each.workspace === workspace && !each.deleted)
        .map(listingOf)
        .sort((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1)),
    find: async (workspace, id) => find(workspace, id)?.stored ?? null,
    create: async (workspace, id, design, at) => {
      kept.push({
        workspace,
        stored: { id, revision: 0, design, updatedAt: at.toISOString() },
        log: [],
        deleted: false,
        turn: Promise.resolve(),
        totals: null,
      });
    },
    change: async (workspace, id, work) => {
      const entry = find(workspace, id);
      if (!entry) return null;
      const mine = entry.turn.then(() => changeNow(entry, id, work));
      entry.turn = mine.catch(() => undefined);
      return mine;
    },
    saveTotals: async (workspace, id, revision, totals) => {
      const entry = find(workspace, id);
      if (entry && entry.stored.revision === revision) entry.totals = { ...totals, revision };
    },
    remove: async (workspace, id) => {
      const entry = find(workspace, id);
      if (entry) entry.deleted = true;
      return entry !== undefined;
    },
    restore: async (workspace, id) => {
      const entry = kept.find(
        (each) => each.workspace === workspace && each.stored.id === id && each.deleted,
      );
      if (entry) entry.deleted = false;
      return entry !== undefined;
    },
  };
}

async function changeNow<T>(entry: KeptDesign, id: string, work: Work<T>): Promise<T> {
  const { write, result } = await work({
    current: entry.stored,
    batch: async (batch) => entry.log.find((each) => each.batch === batch) ?? null,
    since: async (revision) => entry.log.filter((each) => each.revision > revision),
  });
  if (!write) return result;
  const revision = entry.stored.revision + 1;
  const at = write.at.toISOString();
  entry.stored = { id, revision, design: write.design, updatedAt: at };
  entry.log.push({ batch: write.batch, revision, edits: write.edits, user: write.user, at });
  return result;
}

function listingOf({ stored, totals }: KeptDesign): DesignListing {
  const { design, id, revision, updatedAt } = stored;
  return {
    id,
    revision,
    updatedAt,
    title: design.title,
    description: design.description,
    currency: design.currency,
    components: allComponents(design).length,
    totals: totals?.revision === revision ? totals : null,
  };
}
