/**
 * A stand-in for a code forge: two repositories with their changes. What happens to them (commits that were pushed, the
 * comment, the check, what was merged) is kept by key, as another installation's own business.
 */
import type {
  CodeForge,
  ForgeChange,
  ForgeCheck,
  ForgeComment,
  StandInStore,
} from '@/features/review/use/forge-ports';
import { BOOKING_CHANGES } from './booking';
import type { DemoChange } from './demo-change';
import { LIVE_MAP_CHANGES } from './live-map';

export const DEMO_CHANGES: readonly DemoChange[] = [...BOOKING_CHANGES, ...LIVE_MAP_CHANGES];

interface State {
  readonly pushed: number;
  readonly merged: boolean;
  readonly comment: ForgeComment | null;
  readonly check: ForgeCheck;
}

const keyOf = (repository: string, change: string): string => `forge/${repository}/${change}`;

export function standInForge(store: StandInStore): CodeForge {
  const demo = (repository: string, change: string): DemoChange | null =>
    DEMO_CHANGES.find((each) => each.repository === repository && each.change === change) ?? null;
  const stateOf = async (workspace: string, of: DemoChange): Promise<State> =>
    ((await store.get(workspace, keyOf(of.repository, of.change))) as State | null) ?? {
      pushed: of.pushed,
      merged: of.mergedHoursAgo !== undefined,
      comment: null,
      check: { state: 'none', words: 'Not checked yet.' },
    };
  const put = async (
    workspace: string,
    repository: string,
    change: string,
    next: (state: State) => Partial<State>,
  ): Promise<void> => {
    const of = demo(repository, change);
    if (!of) return;
    const state = await stateOf(workspace, of);
    await store.put(workspace, keyOf(repository, change), { ...state, ...next(state) });
  };
  return {
    changes: (workspace) =>
      Promise.all(DEMO_CHANGES.map(async (each) => shownAs(each, await stateOf(workspace, each)))),
    find: async (workspace, repository, change) => {
      const of = demo(repository, change);
      return of && shownAs(of, await stateOf(workspace, of));
    },
    files: async (workspace, repository, change) => {
      const of = demo(repository, change);
      if (!of) return null;
      const { pushed } = await stateOf(workspace, of);
      return { plan: of.commits[pushed - 1]!.plan(), load: of.load, limits: of.limits };
    },
    push: (workspace, repository, change) =>
      put(workspace, repository, change, ({ pushed }) => ({
        pushed: Math.min(pushed + 1, demo(repository, change)!.commits.length),
      })),
    say: (workspace, repository, change, text, at) =>
      put(workspace, repository, change, ({ comment }) => ({
        comment: { text, at: at.toISOString(), updates: comment ? comment.updates + 1 : 0 },
      })),
    check: (workspace, repository, change, check) => put(workspace, repository, change, () => ({ check })),
    merge: (workspace, repository, change) => put(workspace, repository, change, () => ({ merged: true })),
  };
}

function shownAs(
  { repository, change, title, author, branch, text, commits }: DemoChange,
  { pushed, merged, comment, check }: State,
): ForgeChange {
  const plain = commits.map(({ plan: _, ...commit }) => commit);
  return {
    ...{ repository, change, title, author, branch, text, comment, check },
    phase: merged ? 'merged' : 'open',
    commits: plain.slice(0, pushed),
    next: plain[pushed] ?? null,
  };
}
