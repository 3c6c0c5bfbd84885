/** The in-memory twins of the stores: for tests of operations, and for the command line without a database. */
import { memoryBillStore } from '@/features/bills/store/memory-bills';
import { memoryWatchStore } from '@/features/alerts/store/memory-watches';
import { allComponents } from '@/engine/design';
import type {
  DesignChange,
  DesignLink,
  DesignListing,
  DesignStore,
  LibraryStore,
  LibraryItem,
  LockedDesign,
  LinkStore,
  LinkTerms,
  LoggedBatch,
  StoredDesign,
  Stores,
  StudyLink,
  Totals,
} from './ports';
import { memoryFleetStore } from '@/features/fleet/store/memory-fleets';
import { memoryJobStore } from '@/platform/data/memory-jobs';
import {
  memoryRepositoryLinkStore,
  memoryReviewStore,
  memoryStandInStore,
  memoryTeamFileStore,
  memoryTokenStore,
} from '@/features/review/store/memory-reviews';
import { memoryStudyStore } from '@/features/own-or-rent/store/memory-studies';
import {
  memoryBookStore,
  memoryExchangeStore,
  memoryImportStore,
} from '@/features/price-books/store/memory-books';

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

export function memoryStores(): Stores {
  return {
    books: memoryBookStore(),
    designs: memoryDesignStore(),
    imports: memoryImportStore(),
    exchange: memoryExchangeStore(),
    links: memoryLinkStore<DesignLink>(({ design }) => design),
    studyLinks: memoryLinkStore<StudyLink>(({ study }) => study),
    kept: memoryLibraryStore(),
    jobs: memoryJobStore(),
    fleets: memoryFleetStore(),
    studies: memoryStudyStore(),
    reviews: memoryReviewStore(),
    tokens: memoryTokenStore(),
    teamFiles: memoryTeamFileStore(),
    repositoryLinks: memoryRepositoryLinkStore(),
    standIn: memoryStandInStore(),
    bills: memoryBillStore(),
    watches: memoryWatchStore(),
  };
}

function memoryLibraryStore(): LibraryStore {
  let kept: { readonly workspace: string; readonly thing: LibraryItem }[] = [];
  return {
    list: async (workspace, what) =>
      kept
        .filter((each) => each.workspace === workspace && each.thing.what === what)
        .map((each) => each.thing)
        .sort((a, b) => (a.name < b.name ? -1 : 1)),
    put: async (workspace, thing) => void (kept = [...kept, { workspace, thing }]),
    remove: async (workspace, id) => {
      const before = kept.length;
      kept = kept.filter((each) => each.workspace !== workspace || each.thing.id !== id);
      return kept.length < before;
    },
  };
}

function memoryLinkStore<L extends LinkTerms>(thingOf: (link: L) => string): LinkStore<L> {
  let kept: L[] = [];
  return {
    create: async (link) => void (kept = [link, ...kept]),
    list: async (workspace, of) =>
      kept.filter((each) => each.workspace === workspace && thingOf(each) === of),
    withdraw: async (workspace, id, at) => {
      const found = kept.find((each) => each.workspace === workspace && each.id === id && !each.withdrawnAt);
      kept = kept.map((each) => (each === found ? { ...each, withdrawnAt: at.toISOString() } : each));
      return found !== undefined;
    },
    byTokenHash: async (hash) => kept.find((each) => each.tokenHash === hash) ?? null,
  };
}

function memoryDesignStore(): DesignStore {
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
    read: async (workspace, id, work) => {
      const entry = find(workspace, id);
      return entry ? work(seen(entry)) : null;
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
  const { write, result } = await work(seen(entry));
  if (!write) return result;
  const revision = entry.stored.revision + 1;
  const at = write.at.toISOString();
  entry.stored = { id, revision, design: write.design, updatedAt: at };
  entry.log.push({
    batch: write.batch,
    revision,
    edits: write.edits,
    inverse: write.inverse,
    user: write.user,
    at,
  });
  return result;
}

function seen(entry: KeptDesign): LockedDesign {
  return {
    current: entry.stored,
    batch: async (batch) => entry.log.find((each) => each.batch === batch) ?? null,
    since: async (revision) => entry.log.filter((each) => each.revision > revision),
    weightSince: async (revision) => {
      const later = entry.log.filter((each) => each.revision > revision);
      const bytes = later.reduce((sum, each) => sum + JSON.stringify(each.edits).length, 0);
      return { batches: later.length, bytes };
    },
    namesSince: async (revision, limit) =>
      entry.log
        .filter((each) => each.revision > revision)
        .map((each) => each.batch)
        .reverse()
        .slice(0, limit),
    latest: async (before, limit, bytes) =>
      entry.log
        .filter((each) => before === null || each.revision < before)
        .slice(-limit)
        .reverse()
        .map(({ revision: number, user, at: when, edits }) => ({
          revision: number,
          user,
          at: when,
          edits: JSON.stringify(edits).length <= bytes ? edits : null,
        })),
  };
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
