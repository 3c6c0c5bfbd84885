/** The session's outside in a browser: the edits route, local storage for what is not saved yet, timers. */
import { type KeptPlace, thisWindow, writeKept } from './unsaved-edits';
import type { Outside, PendingBatch, SendResult, Since } from './session-types';

/** So busy or so far away that it is tried again later: nothing was said of the edit itself. */
const AWAY: ReadonlySet<number> = new Set([408, 425, 429, 502, 503, 504, 507]);

export function browserOutside(place: KeptPlace): Outside {
  const { design: id } = place;
  let tab: string | null = null;
  let waiting: readonly PendingBatch[] | null = null;
  // The page is also drawn on the server, where there is no window.
  if (typeof window !== 'undefined') {
    void thisWindow().then((mine) => {
      tab = mine;
      if (waiting) writeKept(place, mine, waiting);
    });
  }
  return {
    send: async (body): Promise<SendResult> => {
      let response: Response;
      try {
        response = await fetch(`/api/designs/${id}/edits`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
          keepalive: JSON.stringify(body).length < 20_000,
        });
      } catch {
        return { result: 'unreachable' };
      }
      const answer = (await response.json().catch(() => null)) as Answer | null;
      if (response.ok && answer && 'revision' in answer) return { result: 'saved', ...answer };
      if (AWAY.has(response.status)) {
        const message = answer && 'error' in answer ? answer.error.message : undefined;
        return { result: 'unreachable', ...(message && { message }) };
      }
      if (!answer || !('error' in answer)) {
        return { result: 'failed', message: `The server did not take the edit (${response.status}).` };
      }
      const { since, message, faults } = answer.error;
      if (since) return { result: 'stale', ...since };
      if (response.status >= 500) return { result: 'failed', message };
      const where = faults?.map((fault) => `${fault.path} ${fault.message}`).join('; ');
      return { result: 'refused', message: where ? `${message} ${where}` : message };
    },
    keep: (pending) => {
      if (tab !== null) return writeKept(place, tab, pending);
      waiting = pending;
      return true;
    },
    newId: () => crypto.randomUUID(),
    later: (milliseconds, action) => void setTimeout(action, milliseconds),
  };
}

type Answer =
  | { readonly revision: number; readonly savedAt: string }
  | {
      readonly error: {
        readonly message: string;
        readonly faults?: readonly { readonly path: string; readonly message: string }[];
        readonly since?: Since;
      };
    };
