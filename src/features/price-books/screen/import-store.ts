/**
 * The file that is being sent, a price book or a bill. Kept beside the pages, so that an import goes on while one works elsewhere in
 * the application; closing the window ends it, and asks first.
 */
'use client';
import { useSyncExternalStore } from 'react';
import { writeNumber } from '@/platform/words';
import { tell } from '@/platform/ui/toast';
import type { FileTrouble } from '@/platform/shell/file-faults';
import { ApiError, callApi } from '@/platform/screen/call-api';

export interface Imported {
  readonly key: string;
  readonly title: string;
  readonly revision: number;
  readonly rates: number;
}

/** What is brought in: where it is sent, where its list is, and what is said when it is there. */
export interface ImportKind<Done = unknown> {
  readonly base: string;
  readonly place: string;
  readonly title: string;
  readonly counted: string;
  readonly words: (done: Done) => string;
}

export const BOOK_IMPORT: ImportKind<Imported> = {
  base: '/api/books/import',
  place: '/books',
  title: 'a price book',
  counted: 'rates',
  words: ({ title, revision, rates }) =>
    `${title}, revision ${revision}: ${writeNumber(String(rates))} rates are published.`,
};

export interface Uploading {
  readonly id: string;
  readonly kind: ImportKind<never>;
  readonly name: string;
  readonly bytes: number;
  readonly read: number;
  readonly rates: number;
}

export interface ImportState {
  readonly uploading: Uploading | null;
  readonly trouble: FileTrouble | null;
  /** The last one that is there, and of which kind. */
  readonly done: { readonly base: string; readonly result: unknown } | null;
}

const ASK_EVERY = 400;
const NOTHING: ImportState = { uploading: null, trouble: null, done: null };

let state = NOTHING;
let sending: AbortController | null = null;
const listeners = new Set<() => void>();

function change(part: Partial<ImportState>): void {
  state = { ...state, ...part };
  for (const listener of listeners) listener();
}

export function useImports(): ImportState {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => state,
    () => NOTHING,
  );
}

/** The last one of a kind that is there. */
export function doneOf<Done>({ done }: ImportState, kind: ImportKind<Done>): Done | null {
  return done?.base === kind.base ? (done.result as Done) : null;
}

const askFirst = (event: BeforeUnloadEvent): void => event.preventDefault();

/** One at a time; a second one waits for nothing and is not begun. */
export async function startImport<Done>(file: File, kind: ImportKind<Done>): Promise<void> {
  if (state.uploading) return;
  const id = crypto.randomUUID();
  const controller = new AbortController();
  sending = controller;
  change({ trouble: null, uploading: { id, kind, name: file.name, bytes: file.size, read: 0, rates: 0 } });
  window.addEventListener('beforeunload', askFirst);
  const timer = setInterval(() => void ask(id), ASK_EVERY);
  try {
    const path = `${kind.base}/${id}?name=${encodeURIComponent(file.name)}`;
    const done = await callApi<Done>(path, { method: 'PUT', body: file, signal: controller.signal });
    tell(kind.words(done));
    change({ done: { base: kind.base, result: done } });
  } catch (error) {
    if (!(error instanceof ApiError)) throw error;
    if (!controller.signal.aborted) {
      const { message, faults, more } = error;
      change({ trouble: { file: file.name, message, faults, more } });
      // Where they are listed the faults themselves are shown.
      if (location.pathname !== kind.place) tell(`${file.name} was not brought in: ${message}`);
    }
  } finally {
    clearInterval(timer);
    window.removeEventListener('beforeunload', askFirst);
    change({ uploading: null });
  }
}

async function ask(id: string): Promise<void> {
  const path = `${state.uploading?.kind.base}/${id}`;
  const progress = await callApi<{ bytes: number; rates: number }>(path).catch(() => null);
  if (!progress || state.uploading?.id !== id) return;
  change({ uploading: { ...state.uploading, read: progress.bytes, rates: progress.rates } });
}

export function cancelImport(): void {
  if (!state.uploading) return;
  // The server is told first; giving up the upload alone would stop it too, only later.
  void callApi(`${state.uploading.kind.base}/${state.uploading.id}`, { method: 'DELETE' })
    .catch(() => undefined)
    .then(() => sending?.abort());
}

export function forgetTrouble(): void {
  change({ trouble: null });
}

/** How much of the file is read, in whole per cent. */
export function percentOf({ bytes, read }: Uploading): number {
  return bytes === 0 ? 0 : Math.floor(Math.min(1, read / bytes) * 100);
}
