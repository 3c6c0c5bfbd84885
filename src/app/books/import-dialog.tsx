/** An import under way: how far it is, and a way to stop it. */
'use client';
import { useEffect, useState } from 'react';
import { writeNumber } from '@/core/display';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { callApi } from '../lib/call-api';

export interface Uploading {
  readonly id: string;
  readonly name: string;
  readonly bytes: number;
}

interface Progress {
  readonly bytes: number;
  readonly rates: number;
}

const ASK_EVERY = 400;

export function ImportDialog({
  uploading,
  onCancel,
}: {
  readonly uploading: Uploading | null;
  readonly onCancel: () => void;
}) {
  return (
    <Dialog open={uploading !== null} title="Bringing in a price book" quiet onClose={onCancel}>
      {uploading && <Under key={uploading.id} uploading={uploading} onCancel={onCancel} />}
    </Dialog>
  );
}

function Under({ uploading, onCancel }: { readonly uploading: Uploading; readonly onCancel: () => void }) {
  const [progress, setProgress] = useState<Progress>({ bytes: 0, rates: 0 });
  useEffect(() => {
    const timer = setInterval(() => {
      callApi<Progress>(`/api/books/import/${uploading.id}`).then(setProgress, () => undefined);
    }, ASK_EVERY);
    return () => clearInterval(timer);
  }, [uploading.id]);
  const share = uploading.bytes === 0 ? 0 : Math.min(1, progress.bytes / uploading.bytes);
  const percent = Math.floor(share * 100);
  return (
    <div className="px-4 py-3 text-sm">
      <p className="break-words">{uploading.name}</p>
      <div
        role="progressbar"
        aria-label="Read so far"
        aria-valuenow={percent}
        aria-valuemin={0}
        aria-valuemax={100}
        className="mt-3 h-1.5 rounded bg-wash"
      >
        <div className="h-full rounded bg-brand" style={{ width: `${percent}%` }} />
      </div>
      <p className="mt-2 text-soft tabular-nums" aria-live="polite">
        {percent} % read, {writeNumber(String(progress.rates))} rates checked. Nothing is published before all
        of it is sound.
      </p>
      <div className="mt-4 flex justify-end">
        <Button onClick={onCancel}>Cancel the import</Button>
      </div>
    </div>
  );
}
