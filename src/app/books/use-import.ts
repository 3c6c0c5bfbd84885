/** Sends a price-book file, shows how far it is, and tells what became of it. */
'use client';
import { useCallback, useRef, useState } from 'react';
import { ApiError, callApi } from '../lib/call-api';
import type { FileTrouble } from '../file-faults';
import type { Uploading } from './import-dialog';

export interface Imported {
  readonly key: string;
  readonly title: string;
  readonly revision: number;
  readonly rates: number;
}

export function useImport(onDone: (book: Imported) => void) {
  const [uploading, setUploading] = useState<Uploading | null>(null);
  const [trouble, setTrouble] = useState<FileTrouble | null>(null);
  const abort = useRef<AbortController | null>(null);

  const send = useCallback(
    async (file: File): Promise<void> => {
      const id = crypto.randomUUID();
      const controller = new AbortController();
      abort.current = controller;
      setTrouble(null);
      setUploading({ id, name: file.name, bytes: file.size });
      try {
        const path = `/api/books/import/${id}?name=${encodeURIComponent(file.name)}`;
        onDone(await callApi<Imported>(path, { method: 'PUT', body: file, signal: controller.signal }));
      } catch (error) {
        if (!(error instanceof ApiError)) throw error;
        if (!controller.signal.aborted) {
          setTrouble({ file: file.name, message: error.message, faults: error.faults, more: error.more });
        }
      } finally {
        setUploading(null);
      }
    },
    [onDone],
  );

  const cancel = useCallback(() => {
    if (!uploading) return;
    // The server is told first; giving up the upload alone would stop it too, only later.
    void callApi(`/api/books/import/${uploading.id}`, { method: 'DELETE' })
      .catch(() => undefined)
      .then(() => abort.current?.abort());
  }, [uploading]);

  return { uploading, trouble, send, cancel, forget: () => setTrouble(null) };
}
