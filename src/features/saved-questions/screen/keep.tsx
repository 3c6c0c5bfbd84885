/** Keeps what is looked at with the design, so that it is answered anew in its report; and the list of what is kept. */
'use client';
import Link from 'next/link';
import { useState } from 'react';
import { isSame, type Kept, type KeptAsk, MOST_KEPT } from '@/engine/design';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { INPUT } from '@/platform/ui/field';
import { tell } from '@/platform/ui/toast';
import { useRoom } from '@/features/design/screen/room';
import { addressOfKept } from './kept-address';

interface KeepProps {
  /** Null: there is nothing to keep here; the list is shown all the same. */
  readonly ask: KeptAsk | null;
  /** What it is called in the report, until somebody calls it otherwise. */
  readonly name: string;
}

export function Keep({ ask, name }: KeepProps) {
  const { state, apply, undo, side } = useRoom();
  const [open, setOpen] = useState(false);
  const { kept = [] } = state.design.assumptions;
  // An alternative has no report of its own.
  if (side !== null) return null;
  const there = kept.find((each) => isSame(each.ask, ask));
  const put = (next: readonly Kept[]): boolean =>
    apply([{ edit: 'set-assumption', field: 'kept', value: next.length === 0 ? null : next }]);
  const keep = (): void => {
    if (!ask) return;
    if (kept.length >= MOST_KEPT) {
      tell(`A design keeps at most ${MOST_KEPT} questions. Remove one first.`);
      return;
    }
    if (put([...kept, { id: crypto.randomUUID(), name, ask }])) tell('Kept: it stands in the report.', undo);
  };
  return (
    <div className="flex items-center gap-1.5">
      {ask && (
        <Button
          aria-pressed={there !== undefined}
          onClick={() => (there ? put(kept.filter((each) => each !== there)) : keep())}
        >
          {there ? 'Kept ✓' : 'Keep for the report'}
        </Button>
      )}
      {kept.length > 0 && (
        <Button tone="bare" onClick={() => setOpen(true)}>
          {kept.length} kept …
        </Button>
      )}
      <KeptDialog {...{ open, kept, put }} onClose={() => setOpen(false)} />
    </div>
  );
}

interface KeptDialogProps {
  readonly open: boolean;
  readonly kept: readonly Kept[];
  readonly put: (next: readonly Kept[]) => boolean;
  readonly onClose: () => void;
}

function KeptDialog({ open, kept, put, onClose }: KeptDialogProps) {
  const { id } = useRoom();
  const rename = (which: Kept, name: string): void => {
    if (name === '' || name === which.name) return;
    put(kept.map((each) => (each === which ? { ...each, name } : each)));
  };
  return (
    <Dialog
      {...{ open, onClose }}
      title="Kept with this design"
      description="Each is answered anew from the design as it stands, here and in the report, in this order."
      width={640}
      quiet
    >
      <ol className="min-h-0 overflow-y-auto px-4 py-2">
        {kept.map((each, at) => (
          <li key={each.id} className="flex items-center gap-2 border-b border-line py-1.5">
            <input
              key={each.name}
              defaultValue={each.name}
              maxLength={200}
              aria-label={`Name of number ${at + 1}`}
              onBlur={(event) => rename(each, event.target.value.trim())}
              onKeyDown={(event) => {
                if (event.key === 'Enter') event.currentTarget.blur();
              }}
              className={`min-w-0 flex-1 ${INPUT}`}
            />
            <Link
              href={addressOfKept(id, each.ask)}
              prefetch={false}
              onClick={onClose}
              className="text-sm text-brand hover:underline"
              aria-label={`Open “${each.name}”`}
            >
              Open
            </Link>
            <Button
              tone="bare"
              disabled={at === 0}
              aria-label={`“${each.name}” further up`}
              onClick={() => put([...kept.slice(0, at - 1), each, kept[at - 1]!, ...kept.slice(at + 1)])}
            >
              Up
            </Button>
            <Button
              tone="bare"
              aria-label={`Remove “${each.name}”`}
              onClick={() => put(kept.filter((other) => other !== each)) && kept.length === 1 && onClose()}
            >
              Remove
            </Button>
          </li>
        ))}
      </ol>
    </Dialog>
  );
}
