/** Both changed the same thing: shows both values and asks which to keep. Nothing is overwritten unasked. */
'use client';
import { type Edit, findComponent, type Design } from '@/core/design';
import { describeRunning, describeTerm } from '@/core/display';
import type { Cased } from '@/core/usage';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
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
              ? `${subjectOf(conflict.mine, design)} was changed in another window while you changed it here.`
              : `${subjectOf(conflict.mine, design)} was removed in another window, so your change has nothing to apply to.`}
          </p>
          <dl className="mt-3 grid grid-cols-2 gap-3">
            <div className="rounded border border-line p-2">
              <dt className="text-xs text-soft">Yours</dt>
              <dd className="break-words">{valueOf(conflict.mine)}</dd>
            </div>
            <div className="rounded border border-line p-2">
              <dt className="text-xs text-soft">Theirs, saved already</dt>
              <dd className="break-words">{conflict.theirs ? valueOf(conflict.theirs) : 'removed'}</dd>
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

const FIELDS: Readonly<Record<string, string>> = {
  name: 'The name',
  count: 'The count',
  place: 'The place',
  choice: 'The offer',
  running: 'The running hours',
  term: 'The way of paying',
  size: 'The size',
  load: 'The load',
  committed: 'The committed units',
  mayBeStopped: 'Whether it may be stopped',
  licences: 'The licences',
  months: 'The months',
  custom: 'The own charges',
  later: 'The later amounts',
  borne: 'The share borne',
  guesses: 'What is a guess',
};

function subjectOf(edit: Edit, design: Design): string {
  const named = (id: string): string =>
    findComponent(design, id)?.name ?? design.sections.find((each) => each.id === id)?.name ?? 'a component';
  switch (edit.edit) {
    case 'set-component':
      return `${FIELDS[edit.field]} of “${named(edit.id)}”`;
    case 'set-usage':
      return `The use of “${named(edit.id)}”`;
    case 'rename-section':
      return `The name of the section “${named(edit.id)}”`;
    case 'set-design':
    case 'set-assumption':
      return `The ${edit.field} of the design`;
    case 'set-agreements':
      return 'The agreements of the design';
    case 'answer-check':
      return 'The answer to a check';
    case 'pin-books':
      return 'The price books of the design';
    default:
      return 'A part of the design';
  }
}

/** Likely first; lean and heavy only where they are given. */
function casedText({ likely, lean, heavy }: Cased): string {
  return [likely, lean && `lean ${lean}`, heavy && `heavy ${heavy}`].filter(Boolean).join(', ');
}

export function valueOf(edit: Edit): string {
  switch (edit.edit) {
    case 'set-component':
      if (edit.field === 'name') return edit.value;
      if (edit.field === 'count') return casedText(edit.value);
      if (edit.field === 'term') return describeTerm(edit.value);
      if (edit.field === 'place') return edit.value ? `${edit.value.book}, ${edit.value.region}` : 'none';
      if (edit.field === 'choice') return edit.value.by === 'sku' ? edit.value.sku : edit.value.by;
      if (edit.field === 'running') return describeRunning(edit.value);
      return edit.value === null ? 'none' : JSON.stringify(edit.value);
    case 'set-usage':
      return edit.value ? `${edit.value.amount.likely} ${edit.value.unit}` : 'none';
    case 'rename-section':
      return edit.name;
    case 'set-design':
      return edit.value;
    case 'set-assumption':
      return JSON.stringify(edit.value);
    case 'set-agreements':
      return edit.agreements.map((each) => each.name).join(', ') || 'none';
    case 'answer-check':
      return edit.reason ?? 'no answer';
    case 'pin-books':
      return edit.books.map((pin) => `${pin.book} r${pin.revision}`).join(', ');
    case 'add-component':
      return edit.component.name;
    case 'add-section':
      return edit.section.name;
    case 'remove-component':
    case 'remove-section':
      return 'removed';
    case 'move-component':
      return 'moved';
  }
}
