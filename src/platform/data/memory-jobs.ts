/** Long work in memory: the twin of the rows in PostgreSQL. Its clock can be moved. */
import type { JobEnd, JobRow, JobStore, TakenJob, WantedJob, WrittenFile } from '@/platform/use/job-ports';

interface Kept {
  readonly wanted: WantedJob;
  row: JobRow;
  file: WrittenFile | null;
  tries: number;
  cancelAsked: boolean;
  seen: number;
  readonly asked: number;
}

/** `now` in milliseconds. */
export function memoryJobStore(now: () => number = Date.now): JobStore {
  const kept = new Map<string, Kept>();
  const of = (workspace: string, id: string): Kept | null => {
    const found = kept.get(id);
    return found?.wanted.workspace === workspace ? found : null;
  };
  const set = (each: Kept, part: Partial<JobRow>): void => void (each.row = { ...each.row, ...part });
  const running = ({ id, tries }: TakenJob): Kept | null => {
    const found = kept.get(id);
    return found?.row.state === 'running' && found.tries === tries ? found : null;
  };
  return {
    ask: async (wanted, most) => {
      const all = [...kept.values()];
      const known = all.find(
        ({ wanted: other, row }) =>
          other.workspace === wanted.workspace &&
          other.key === wanted.key &&
          ['waiting', 'running', 'done'].includes(row.state),
      );
      if (known) return { job: known.row, isNew: false };
      const waiting = all.filter(
        ({ wanted: other, row }) => other.lane === wanted.lane && row.state === 'waiting',
      );
      if (waiting.length >= most) return null;
      const row: JobRow = {
        id: wanted.id,
        state: 'waiting',
        askedBy: wanted.askedBy,
        done: 0,
        steps: 0,
        words: '',
        refusal: null,
      };
      kept.set(wanted.id, {
        wanted,
        row,
        file: null,
        tries: 0,
        cancelAsked: false,
        seen: now(),
        asked: now(),
      });
      return { job: row, isNew: true };
    },
    find: async (workspace, id) => of(workspace, id)?.row ?? null,
    file: async (workspace, id) => of(workspace, id)?.file ?? null,
    cancel: async (workspace, id) => {
      const found = of(workspace, id);
      if (!found || !['waiting', 'running'].includes(found.row.state)) return false;
      found.cancelAsked = true;
      if (found.row.state === 'waiting') set(found, { state: 'cancelled' });
      return true;
    },
    take: async (id): Promise<TakenJob | null> => {
      const found = kept.get(id);
      if (found?.row.state !== 'waiting') return null;
      found.tries += 1;
      found.seen = now();
      set(found, { state: 'running' });
      return { id, work: found.wanted.work, tries: found.tries };
    },
    beat: async (taken, progress) => {
      const found = running(taken);
      if (!found) return true;
      found.seen = now();
      if (progress) set(found, progress);
      return found.cancelAsked;
    },
    end: async (taken, end) => {
      const found = running(taken);
      if (found) settle(found, end);
    },
    again: async (taken) => {
      const found = running(taken);
      if (found) set(found, { state: 'waiting' });
    },
    recover: async (silentSeconds, mostTries) => {
      const silent = [...kept.values()].filter(({ seen }) => seen < now() - silentSeconds * 1000);
      for (const each of silent.filter(({ row }) => row.state === 'running')) {
        if (each.cancelAsked) set(each, { state: 'cancelled' });
        else if (each.tries < mostTries) set(each, { state: 'waiting' });
        else {
          const message = 'This was broken off several times, and nothing was made. Try again.';
          set(each, { state: 'refused', refusal: { code: 'unavailable', message } });
        }
      }
      return silent
        .filter(({ row }) => row.state === 'waiting')
        .map(({ wanted }) => ({ id: wanted.id, lane: wanted.lane }));
    },
    forget: async (hours, keep) => {
      for (const [id, { asked }] of kept) if (asked < now() - hours * 3_600_000) kept.delete(id);
      const done = [...kept.values()].filter(({ row }) => row.state === 'done').reverse();
      for (const { wanted } of done.slice(keep)) kept.delete(wanted.id);
    },
  };
}

function settle(found: Kept, end: JobEnd): void {
  const { state } = end;
  const refusal = end.state === 'refused' ? { code: end.code, message: end.message } : null;
  found.row = { ...found.row, state, refusal };
  if (end.state === 'done') found.file = end.file;
}
