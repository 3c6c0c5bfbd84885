/** A refused file: its name, what is wrong and where. */
'use client';
import { Dialog } from '@/platform/ui/dialog';
import { ErrorNote, type FaultLine } from '@/platform/ui/error-note';

export interface FileTrouble {
  readonly file: string;
  readonly message: string;
  readonly faults: readonly FaultLine[];
  readonly more: number;
}

export function FileFaults({
  trouble,
  onClose,
}: {
  readonly trouble: FileTrouble | null;
  readonly onClose: () => void;
}) {
  return (
    <Dialog
      open={trouble !== null}
      title={`“${trouble?.file.slice(0, 80) ?? ''}” was refused`}
      onClose={onClose}
      width={620}
    >
      {trouble && (
        <div className="overflow-y-auto px-4 py-3" tabIndex={0} role="region" aria-label="Faults">
          <ErrorNote message={trouble.message} faults={trouble.faults} more={trouble.more} />
        </div>
      )}
    </Dialog>
  );
}
