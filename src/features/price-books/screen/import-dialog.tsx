/** An import under way: how far it is, and a way to stop it or to leave it to itself. */
'use client';
import { writeNumber } from '@/platform/words';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { cancelImport, percentOf, type Uploading } from './import-store';

interface ImportDialogProps {
  readonly uploading: Uploading | null;
  /** It goes on unseen. */
  readonly onLeave: () => void;
}

export function ImportDialog({ uploading, onLeave }: ImportDialogProps) {
  return (
    <Dialog
      open={uploading !== null}
      title={`Bringing in ${uploading?.kind.title ?? ''}`}
      quiet
      onClose={onLeave}
    >
      {uploading && <Under uploading={uploading} onLeave={onLeave} />}
    </Dialog>
  );
}

function Under({ uploading, onLeave }: { readonly uploading: Uploading; readonly onLeave: () => void }) {
  const percent = percentOf(uploading);
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
        {percent} % read, {writeNumber(String(uploading.rates))} {uploading.kind.counted} checked. Nothing is
        taken before all of it is sound.
      </p>
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={cancelImport}>Cancel the import</Button>
        <Button tone="strong" onClick={onLeave}>
          Go on working
        </Button>
      </div>
    </div>
  );
}
