/** The session's outside in a browser: the edits route, local storage for what is not saved yet, timers. */
import type { Kept, Outside, RemoteBatch, SendResult } from './design-session';

const keyOf = (id: string): string => `wick-tally/pending/${id}`;

export function readKept(id: string): Kept | null {
  try {
    const text = localStorage.getItem(keyOf(id));
    return text ? (JSON.parse(text) as Kept) : null;
  } catch {
    return null;
  }
}

export function browserOutside(id: string): Outside {
  return {
    send: async (body): Promise<SendResult> => {
      let response: Response;
      try {
        response = await fetch(`/api/designs/${id}/edits`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
          keepalive: JSON.stringify(body).length < 60_000,
        });
      } catch {
        return { result: 'unreachable' };
      }
      const answer = (await response.json().catch(() => null)) as Answer | null;
      if (response.ok && answer && 'revision' in answer) return { result: 'saved', ...answer };
      if (!answer || !('error' in answer) || response.status >= 500) return { result: 'unreachable' };
      const { since, message, faults } = answer.error;
      if (since) return { result: 'stale', ...since };
      const where = faults?.map((fault) => `${fault.path} ${fault.message}`).join('; ');
      return { result: 'refused', message: where ? `${message} ${where}` : message };
    },
    keep: (kept) => {
      try {
        if (kept) localStorage.setItem(keyOf(id), JSON.stringify(kept));
        else localStorage.removeItem(keyOf(id));
      } catch {
        // A full or forbidden store only means that unsaved edits do not outlive the page.
      }
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
        readonly since?: { readonly revision: number; readonly batches: readonly RemoteBatch[] };
      };
    };
