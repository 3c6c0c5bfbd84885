/** A document that is one whole: changed with undo and redo, and saved as it is changed, each save based on the one before. */
'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ApiError, callApi } from './call-api';

export interface Saving {
  readonly state: 'saved' | 'saving' | 'refused' | 'overtaken';
  readonly words: string;
  /** What helps where it was not saved. */
  readonly remedy: { readonly label: string; readonly run: () => void } | null;
}

export interface KeptDocument<T> {
  readonly document: T;
  readonly saving: Saving;
  readonly change: (document: T) => void;
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
}

interface KeptWhere<T> {
  /** Takes it by PUT, as `{ baseRevision, [field]: document }`. */
  readonly url: string;
  readonly field: string;
  readonly initial: { readonly document: T; readonly revision: number };
}

const MOST_UNDO = 100;

export function useKeptDocument<T>({ url, field, initial }: KeptWhere<T>): KeptDocument<T> {
  const [history, setHistory] = useState({ past: [] as T[], document: initial.document, next: [] as T[] });
  const { document, past, next } = history;
  const saving = useSaving(url, field, document, initial);
  const change = useCallback((changed: T) => {
    setHistory(({ past: all, document: before }) => ({
      past: [...all, before].slice(-MOST_UNDO),
      document: changed,
      next: [],
    }));
  }, []);
  const undo = useCallback(() => {
    setHistory((all) =>
      all.past.length === 0
        ? all
        : { past: all.past.slice(0, -1), document: all.past.at(-1)!, next: [all.document, ...all.next] },
    );
  }, []);
  const redo = useCallback(() => {
    setHistory((all) =>
      all.next.length === 0
        ? all
        : { past: [...all.past, all.document], document: all.next[0]!, next: all.next.slice(1) },
    );
  }, []);
  return {
    document,
    saving,
    change,
    undo: past.length > 0 ? undo : null,
    redo: next.length > 0 ? redo : null,
  };
}

const CONFLICT = 409;

/** One after the other; only the newest that waits is sent. */
function useSaving<T>(url: string, field: string, document: T, initial: KeptWhere<T>['initial']): Saving {
  const router = useRouter();
  const [turn, setTurn] = useState(0);
  const [saving, setSaving] = useState<Omit<Saving, 'remedy'>>({ state: 'saved', words: 'Saved' });
  const kept = useRef({
    document: initial.document,
    revision: initial.revision,
    isBusy: false,
    wanted: document,
  });
  useEffect(() => {
    const all = kept.current;
    all.wanted = document;
    if (all.isBusy || all.document === document) return;
    const send = async (): Promise<void> => {
      all.isBusy = true;
      try {
        while (all.document !== all.wanted) {
          const wanted = all.wanted;
          setSaving({ state: 'saving', words: 'Saving …' });
          const { revision } = await callApi<{ revision: number }>(url, {
            method: 'PUT',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ baseRevision: all.revision, [field]: wanted }),
          });
          all.revision = revision;
          all.document = wanted;
          setSaving({ state: 'saved', words: `Saved · revision ${revision}` });
        }
      } catch (error) {
        setSaving({
          state: error instanceof ApiError && error.status === CONFLICT ? 'overtaken' : 'refused',
          words: error instanceof Error ? error.message : 'Not saved.',
        });
      } finally {
        all.isBusy = false;
      }
    };
    void send();
  }, [url, field, document, turn]);
  return useMemo(() => {
    const remedies: Readonly<Record<Saving['state'], Saving['remedy']>> = {
      saved: null,
      saving: null,
      refused: { label: 'Save again', run: () => setTurn((before) => before + 1) },
      // The room begins anew with the newest.
      overtaken: { label: 'Load the newest', run: () => router.refresh() },
    };
    return { ...saving, remedy: remedies[saving.state] };
  }, [saving, router]);
}
