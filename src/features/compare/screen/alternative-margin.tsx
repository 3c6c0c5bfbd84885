/** The margin of one side of a comparison: what it differs in, what became of its changes, what can be done with it. */
'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ComparedColumn, Comparison } from '@/features/compare/calc/comparison';
import { type Alternative, type Design, editsBetween } from '@/engine/design';
import { changeWords } from '@/features/design/words';
import { columnSentence } from '@/features/compare/words';
import { sentenceFor } from '@/platform/words';
import { writeDesign } from '@/features/design/format/design';
import { Button } from '@/platform/ui/button';
import { TextEntry } from '@/platform/ui/text-entry';
import { tell } from '@/platform/ui/toast';
import { callApi } from '@/platform/screen/call-api';
import { useRoom } from '@/features/design/screen/room';
import { CellNotes } from './cell-notes';
import { ChangeForm } from './change-form';
import type { GridCursor } from './comparison-grid';
import { added, changed } from './new-alternative';
import { placeNames } from './place-names';
import { Remarks } from './remarks';
import { WithoutFree } from './without-free';

interface AlternativeMarginProps {
  readonly comparison: Comparison | null;
  /** 0: the design itself. */
  readonly side: number;
  /** The cell under the cursor; null: sides are rows. */
  readonly cell: GridCursor | null;
  readonly onlyDiffering: boolean;
  readonly onSide: (at: number) => void;
}

export function AlternativeMargin({ comparison, side, cell, onlyDiffering, onSide }: AlternativeMarginProps) {
  const { state } = useRoom();
  const all = state.design.alternatives ?? [];
  // Sides may be shown in another order than they stand in.
  const shown = comparison ? comparison.columns[side]?.id : all[side - 1]?.id;
  const at = all.findIndex(({ id }) => id === shown);
  const alternative = all[at];
  const column = comparison?.columns.find(({ id }) => id === (alternative?.id ?? null));
  return (
    <div>
      {comparison && cell && <CellNotes {...{ comparison, cell, onlyDiffering }} />}
      {alternative ? (
        <Side key={alternative.id} {...{ alternative, column, comparison, onSide }} side={at + 1} />
      ) : (
        <>
          <h2 className="pr-8 text-base font-semibold">The design</h2>
          <p className="mt-1 text-sm text-soft">
            What everything else is held against. An alternative is this design with a list of changes; what
            no change names is equal on every side, and an edit here reaches them all.
          </p>
        </>
      )}
    </div>
  );
}

interface SideProps {
  readonly alternative: Alternative;
  readonly column: ComparedColumn | undefined;
  readonly comparison: Comparison | null;
  readonly side: number;
  readonly onSide: (at: number) => void;
}

function Side({ alternative, column, comparison, side, onSide }: SideProps) {
  const router = useRouter();
  const { id, state, client, bookList, apply, undo } = useRoom();
  const { design } = state;
  const [busy, setBusy] = useState(false);
  const names = placeNames(bookList);
  const count = design.alternatives?.length ?? 0;
  const put = (part: Partial<Alternative>): boolean => apply([changed(design, { ...alternative, ...part })]);
  const move = (by: number): void => {
    if (apply([changed(design, alternative, side - 1 + by)])) onSide(side + by);
  };
  /** The alternative as a design of its own, from the worker that knows the books. */
  const asDesign = async (act: (made: Design) => Promise<void> | void): Promise<void> => {
    if (!client) return;
    setBusy(true);
    try {
      const made = await client.ask({ ask: 'alternative', design, alternative: alternative.id });
      if (made) await act(made.design);
    } catch (error) {
      tell(error instanceof Error ? error.message : 'The alternative could not be worked out.');
    } finally {
      setBusy(false);
    }
  };
  const takeOn = (): Promise<void> =>
    asDesign((made) => {
      const { alternatives: _, ...own } = design;
      const edits = editsBetween(own, made);
      const done = apply([...edits, { edit: 'remove-alternative', id: alternative.id }]);
      if (done) tell(`The design is now “${alternative.name}”.`, undo);
      if (done) onSide(0);
    });
  const makeOwn = (): Promise<void> =>
    asDesign(async (made) => {
      const title = `${design.title}: ${alternative.name}`.slice(0, 200);
      const own = await callApi<{ id: string }>('/api/designs/import', {
        method: 'POST',
        body: writeDesign({ ...made, title }),
      });
      router.push(`/designs/${own.id}`);
    });

  return (
    <section aria-label={alternative.name}>
      <h2 className="pr-8 text-base font-semibold break-words">{alternative.name}</h2>
      {comparison && column && (
        <p className="mt-1 text-sm">
          {columnSentence(
            comparison,
            comparison.columns.findIndex(({ id }) => id === alternative.id),
          )}
        </p>
      )}
      <h3 className="mt-4 text-sm font-semibold">Differs in</h3>
      {alternative.changes.length === 0 && <p className="text-sm text-soft">Nothing yet.</p>}
      <ol className="text-sm">
        {alternative.changes.map((change, at) => {
          const why = column?.refused.find((each) => each.at === at)?.why;
          const words = changeWords(change, design, names);
          return (
            <li key={at} className="flex gap-2 border-b border-line py-1.5">
              <span className="min-w-0 flex-1 break-words">
                {words}
                {why && <span className="block text-xs text-ember-ink">{sentenceFor(why)}</span>}
              </span>
              <button
                type="button"
                aria-label={`Take back: ${words}`}
                onClick={() => put({ changes: alternative.changes.filter((_, each) => each !== at) })}
                className="h-6 shrink-0 rounded px-1.5 text-xs text-soft hover:bg-wash"
              >
                take back
              </button>
            </li>
          );
        })}
      </ol>
      <details className="mt-2" open={alternative.changes.length === 0}>
        <summary className="cursor-pointer text-sm text-brand">Another change</summary>
        <div className="mt-2">
          <ChangeForm
            {...{ design, bookList }}
            onAdd={(change) => put({ changes: [...alternative.changes, change] })}
          />
        </div>
      </details>
      {column && <Remarks column={column} />}
      <WithoutFree {...{ design, alternative, client }} />
      <div className="mt-4 flex flex-wrap gap-1.5">
        <Button onClick={() => router.push(`/designs/${id}/alternatives/${alternative.id}`)}>
          Open in the ledger
        </Button>
        <Button onClick={() => void takeOn()} disabled={busy || !column}>
          Take it on
        </Button>
        <Button onClick={() => void makeOwn()} disabled={busy || !column}>
          A design of its own
        </Button>
        <Button onClick={() => apply([added(design, alternative, crypto.randomUUID())]) && onSide(count + 1)}>
          Copy
        </Button>
        <Button onClick={() => move(-1)} disabled={side <= 1}>
          To the left
        </Button>
        <Button onClick={() => move(1)} disabled={side >= count}>
          To the right
        </Button>
        <Button
          onClick={() => {
            if (!apply([{ edit: 'remove-alternative', id: alternative.id }])) return;
            tell(`“${alternative.name}” is removed.`, undo);
            onSide(Math.max(0, side - 1));
          }}
        >
          Remove
        </Button>
      </div>
      <div className="mt-4 flex flex-col gap-2">
        <TextEntry
          label="Name"
          text={alternative.name}
          maxLength={200}
          preview={(text) => (text.trim() ? null : 'A name must not be empty.')}
          commit={(text) => put({ name: text.trim() })}
          cancel={() => undefined}
        />
        <TextEntry
          label="Note"
          text={alternative.note}
          maxLength={2000}
          preview={() => null}
          commit={(text) => put({ note: text })}
          cancel={() => undefined}
        />
      </div>
    </section>
  );
}
