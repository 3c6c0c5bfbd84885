/** In-memory twin of the store of watches. */
import type { SaidStep, Watch } from '@/features/alerts/calc';
import type { AlertMessage, NewAlert, StoredWatch, WatchStore } from '@/stores/ports';

interface Kept {
  readonly workspace: string;
  stored: StoredWatch;
  isRemoved: boolean;
}

interface KeptAlert extends NewAlert {
  readonly workspace: string;
  isSeen: boolean;
}

interface KeptMessage {
  readonly workspace: string;
  readonly alert: string;
  message: AlertMessage;
  next: number;
}

export function memoryWatchStore(): WatchStore {
  const watches = new Map<string, Kept>();
  const said = new Map<string, SaidStep[]>();
  const alerts: KeptAlert[] = [];
  const messages: KeptMessage[] = [];
  const days = new Set<string>();
  const secrets = new Map<string, string>();
  const open = (workspace: string, id: string, isRemoved = false): Kept | undefined => {
    const kept = watches.get(id);
    return kept?.workspace === workspace && kept.isRemoved === isRemoved ? kept : undefined;
  };
  const periodKey = (watch: string, { from, to }: { from: string; to: string }): string =>
    `${watch} ${from} ${to}`;
  const setRemoved = (workspace: string, id: string, isRemoved: boolean): boolean => {
    const kept = open(workspace, id, !isRemoved);
    if (kept) kept.isRemoved = isRemoved;
    return kept !== undefined;
  };
  const keep = (workspace: string, id: string, revision: number, watch: Watch, at: Date): number => {
    const stored = { id, revision, watch, changedAt: at.toISOString() };
    watches.set(id, { workspace, stored, isRemoved: false });
    return revision;
  };
  return {
    list: async (workspace) =>
      [...watches.values()]
        .filter((each) => each.workspace === workspace && !each.isRemoved)
        .map(({ stored }) => stored)
        .sort((a, b) => (a.watch.name < b.watch.name ? -1 : a.watch.name > b.watch.name ? 1 : 0)),
    find: async (workspace, id) => open(workspace, id)?.stored ?? null,
    save: async (workspace, id, { baseRevision, watch, anew, at }) => {
      if (baseRevision === 0) return watches.has(id) ? 'stale' : keep(workspace, id, 1, watch, at);
      if (open(workspace, id)?.stored.revision !== baseRevision) return 'stale';
      if (anew) for (const key of [...said.keys()]) if (key.startsWith(`${id} `)) said.delete(key);
      return keep(workspace, id, baseRevision + 1, watch, at);
    },
    remove: async (workspace, id) => setRemoved(workspace, id, true),
    restore: async (workspace, id) => setRemoved(workspace, id, false),
    said: async (watch, period) => [...(said.get(periodKey(watch, period)) ?? [])],
    say: async (workspace, alert) => {
      const key = periodKey(alert.watch, alert.known);
      const known = said.get(key) ?? [];
      const { kind } = alert.known;
      const isKnown = (step: string): boolean =>
        known.some((each) => each.kind === kind && each.step === step);
      if (isKnown(alert.known.step)) return false;
      const fresh = alert.with.filter((step) => !isKnown(step)).map((step) => ({ kind, step }));
      said.set(key, [...known, ...fresh]);
      alerts.push({ ...alert, workspace, isSeen: false });
      for (const each of alert.messages)
        messages.push({
          ...{ workspace, alert: alert.id, next: alert.at.getTime() },
          message: { ...each, state: 'waiting', tries: 0, answer: null, sentAt: null },
        });
      return true;
    },
    alerts: async (workspace, most, bill) =>
      alerts
        .filter((each) => each.workspace === workspace && (bill === undefined || each.known.bill === bill))
        .sort((a, b) => b.at.getTime() - a.at.getTime() || (a.id < b.id ? -1 : 1))
        .slice(0, most)
        .map(({ id, watch, known, at, isSeen }) => ({
          ...{ id, watch, known, at: at.toISOString(), isSeen },
          messages: messages
            .flatMap((each) => (each.alert === id ? [each.message] : []))
            .sort((a, b) => (`${a.channel} ${a.address}` < `${b.channel} ${b.address}` ? -1 : 1)),
        })),
    unseen: async (workspace) => alerts.filter((each) => each.workspace === workspace && !each.isSeen).length,
    seeAll: async (workspace) => {
      for (const each of alerts) if (each.workspace === workspace) each.isSeen = true;
    },
    takeDue: async (now, again, most) =>
      messages
        .filter(({ message, next }) => message.state === 'waiting' && next <= now.getTime())
        .slice(0, most)
        .map((each) => {
          each.next = again.getTime();
          each.message = { ...each.message, tries: each.message.tries + 1 };
          const { id, channel, address, subject, body, tries } = each.message;
          return { id, channel, address, subject, body, tries, workspace: each.workspace };
        }),
    settle: async (id, outcome) => {
      const kept = messages.find(({ message }) => message.id === id);
      if (!kept) return;
      const { state, answer } = outcome;
      const sentAt = outcome.state === 'sent' ? outcome.at.toISOString() : null;
      kept.message = { ...kept.message, state, answer, sentAt };
      if (outcome.state === 'waiting') kept.next = outcome.next.getTime();
    },
    takeDay: async (day) => {
      if (days.has(day)) return false;
      days.add(day);
      return true;
    },
    workspaces: async () => [
      ...new Set([...watches.values()].flatMap((each) => (each.isRemoved ? [] : [each.workspace]))),
    ],
    secret: async (workspace, fresh) => {
      if (!secrets.has(workspace)) secrets.set(workspace, fresh);
      return secrets.get(workspace)!;
    },
  };
}
