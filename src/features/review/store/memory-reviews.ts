/** In-memory twins of the stores of change reviews. */
import type {
  PipelineToken,
  RepositoryLink,
  RepositoryLinkStore,
  ReviewListing,
  ReviewStore,
  StandInStore,
  StoredReview,
  TeamFile,
  TeamFileKind,
  TeamFileStore,
  TokenStore,
} from '@/stores/ports';

interface Kept {
  readonly workspace: string;
  review: StoredReview;
  summaryRevision: number | null;
  /** As it came in; people may have said more since. */
  sentLoad: string | null;
  deleted: boolean;
}

export function memoryReviewStore(): ReviewStore {
  const kept: Kept[] = [];
  const live = (workspace: string): Kept[] =>
    kept.filter((each) => each.workspace === workspace && !each.deleted);
  const find = (workspace: string, id: string): Kept | undefined =>
    live(workspace).find(({ review }) => review.id === id);
  const seen = ({ review, summaryRevision }: Kept): StoredReview => ({
    ...review,
    summary: summaryRevision === review.revision ? review.summary : null,
  });
  const listing = (each: Kept, commits: number): ReviewListing => {
    const { extract: _, load: __, limits: ___, pins: ____, ...rest } = seen(each);
    return { ...rest, commits };
  };
  const newestFirst = (a: Kept, b: Kept): number => (a.review.createdAt < b.review.createdAt ? 1 : -1);
  return {
    list: async (workspace) => {
      const changes = new Map<string, Kept[]>();
      for (const each of live(workspace).sort(newestFirst)) {
        const key = JSON.stringify([each.review.repository, each.review.change]);
        changes.set(key, [...(changes.get(key) ?? []), each]);
      }
      return [...changes.values()].map((all) => listing(all[0]!, all.length));
    },
    find: async (workspace, id) => {
      const found = find(workspace, id);
      return found ? seen(found) : null;
    },
    put: async (workspace, id, review, at) => {
      const known = kept.find(
        (each) =>
          each.workspace === workspace &&
          each.review.repository === review.repository &&
          each.review.change === review.change &&
          each.review.commit === review.commit,
      );
      const mergedAt = review.phase === 'merged' ? at.toISOString() : null;
      if (!known) {
        const made = { ...review, id, revision: 0, summary: null, createdAt: at.toISOString(), mergedAt };
        kept.push({ workspace, review: made, summaryRevision: null, sentLoad: review.load, deleted: false });
        return { id, isNew: true };
      }
      const content = ({ extract, limits }: StoredReview | typeof review, load: string | null): string =>
        JSON.stringify([extract, load, limits]);
      const isSame = content(known.review, known.sentLoad) === content(review, review.load);
      known.sentLoad = review.load;
      known.review = {
        ...known.review,
        ...review,
        load: isSame ? known.review.load : review.load,
        pins: isSame ? known.review.pins : review.pins,
        revision: known.review.revision + (isSame ? 0 : 1),
        mergedAt: mergedAt && (known.review.mergedAt ?? mergedAt),
      };
      known.deleted = false;
      return { id: known.review.id, isNew: false };
    },
    saveSummary: async (workspace, id, revision, summary) => {
      const found = find(workspace, id);
      if (!found || found.review.revision !== revision) return;
      found.review = { ...found.review, summary };
      found.summaryRevision = revision;
    },
    saveLoad: async (workspace, id, baseRevision, load) => {
      const found = find(workspace, id);
      if (!found) return null;
      if (found.review.revision !== baseRevision) return 'stale';
      found.review = { ...found.review, load, revision: baseRevision + 1 };
      return baseRevision + 1;
    },
    commits: async (workspace, repository, change) => {
      const all = live(workspace)
        .filter(({ review }) => review.repository === repository && review.change === change)
        .sort(newestFirst);
      return all.map((each) => listing(each, all.length));
    },
    merged: async (workspace, repository) =>
      live(workspace)
        .filter(({ review }) => review.repository === repository && review.phase === 'merged')
        .sort((a, b) => ((a.review.mergedAt ?? '') < (b.review.mergedAt ?? '') ? -1 : 1))
        .map((each) => listing(each, 1)),
    outdate: async (workspace) => {
      for (const each of live(workspace)) if (each.review.phase === 'open') each.summaryRevision = null;
    },
    remove: async (workspace, id) => {
      const found = find(workspace, id);
      if (found) found.deleted = true;
      return found !== undefined;
    },
    restore: async (workspace, id) => {
      const found = kept.find(
        (each) => each.workspace === workspace && each.review.id === id && each.deleted,
      );
      if (found) found.deleted = false;
      return found !== undefined;
    },
  };
}

export function memoryTokenStore(): TokenStore {
  let kept: PipelineToken[] = [];
  const change = (id: string, fields: Partial<PipelineToken>): void => {
    kept = kept.map((each) => (each.id === id ? { ...each, ...fields } : each));
  };
  return {
    create: async (token) => void (kept = [token, ...kept]),
    list: async (workspace) => kept.filter((each) => each.workspace === workspace),
    withdraw: async (workspace, id, at) => {
      const found = kept.find((each) => each.workspace === workspace && each.id === id && !each.withdrawnAt);
      if (found) change(id, { withdrawnAt: at.toISOString() });
      return found !== undefined;
    },
    byHash: async (hash) => kept.find(({ tokenHash }) => tokenHash === hash) ?? null,
    used: async (id, at) => change(id, { lastUsedAt: at.toISOString() }),
    forget: async (workspace, id) => {
      kept = kept.filter((each) => each.workspace !== workspace || each.id !== id);
    },
  };
}

export function memoryTeamFileStore(): TeamFileStore {
  const kept: (TeamFile & { readonly workspace: string; readonly kind: TeamFileKind })[] = [];
  const revisions = (workspace: string, kind: TeamFileKind, name: string): TeamFile[] =>
    kept
      .filter((each) => each.workspace === workspace && each.kind === kind && each.name === name)
      .map(({ workspace: _, kind: __, ...file }) => file)
      .sort((a, b) => b.revision - a.revision);
  return {
    list: async (workspace, kind) => {
      const own = kept.filter((each) => each.workspace === workspace && each.kind === kind);
      const names = [...new Set(own.map(({ name }) => name))].sort();
      return names.map((name) => revisions(workspace, kind, name)[0]!);
    },
    history: async (workspace, kind, name) => revisions(workspace, kind, name),
    save: async (workspace, kind, { name, baseRevision, text }, at) => {
      const newest = revisions(workspace, kind, name)[0]?.revision ?? 0;
      if (newest !== baseRevision) return 'stale';
      kept.push({ workspace, kind, name, revision: newest + 1, text, at: at.toISOString() });
      return newest + 1;
    },
  };
}

export function memoryRepositoryLinkStore(): RepositoryLinkStore {
  const kept = new Map<string, RepositoryLink>();
  return {
    find: async (workspace, repository) => kept.get(`${workspace}\n${repository}`) ?? null,
    put: async (workspace, repository, link) => {
      const key = `${workspace}\n${repository}`;
      if (link) kept.set(key, { repository, ...link });
      else kept.delete(key);
    },
  };
}

export function memoryStandInStore(): StandInStore {
  const kept = new Map<string, object>();
  return {
    get: async (workspace, key) => kept.get(`${workspace}\n${key}`) ?? null,
    put: async (workspace, key, state) => void kept.set(`${workspace}\n${key}`, state),
  };
}
