/** Both changed the same thing: shows both values and asks which to keep. Nothing is overwritten unasked. */
'use client';
import type { Design } from '@/engine/design';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { editSubject, editValue } from '@/features/design/words';
import type { Conflict } from './session/design-session';

interface ConflictsProps {
  readonly conflicts: readonly Conflict[];
  readonly design: Design;
  readonly onSettle: (id: string, keep: 'mine' | 'theirs') => void;
}

export function Conflicts({ conflicts, design, onSettle }: ConflictsProps) {
  const conflict = conflicts[0];
  const close = (): void => conflict && onSettle(conflict.id, 'theirs');
  return (
    <Dialog
      open={conflict !== undefined}
      title="The same thing was changed elsewhere"
      onClose={() => close()}
    >
      {conflict && (
        <div className="px-4 py-3 text-sm">
          <p>
            {conflict.theirs
              ? `${editSubject(conflict.mine, design)} was changed in another window while you changed it here.`
              : `${editSubject(conflict.mine, design)} was removed in another window, so your change has nothing to apply to.`}
          </p>
          <dl className="mt-3 grid grid-cols-2 gap-3">
            <div className="rounded border border-line p-2">
              <dt className="text-xs text-soft">Yours</dt>
              <dd className="break-words">{editValue(conflict.mine)}</dd>
            </div>
            <div className="rounded border border-line p-2">
              <dt className="text-xs text-soft">Theirs, saved already</dt>
              <dd className="break-words">{conflict.theirs ? editValue(conflict.theirs) : 'removed'}</dd>
            </div>
          </dl>
          <div className="mt-4 flex justify-end gap-2">
            <Button onClick={() => onSettle(conflict.id, 'theirs')}>
              {conflict.theirs ? 'Keep theirs' : 'Understood'}
            </Button>
            {conflict.theirs && (
              <Button tone="strong" onClick={() => onSettle(conflict.id, 'mine')}>
                Use mine
              </Button>
            )}
          </div>
          {conflicts.length > 1 && (
            <p className="mt-2 text-xs text-soft">and {conflicts.length - 1} more after this</p>
          )}
        </div>
      )}
    </Dialog>
  );
}
