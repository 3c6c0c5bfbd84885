/** The design's revisions: who, when, what; what going back to one would change, and the going back, which can be undone. */
'use client';
import { useEffect, useState } from 'react';
import { type Design, type Edit, editsBetween } from '@/engine/design';
import type { HistoryRow } from '@/stores/ports';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { callApi } from '@/platform/screen/call-api';
import { writeWhen } from '@/platform/screen/time';
import { describeEdits } from './describe-edits';

interface HistoryDialogProps {
  readonly id: string;
  readonly open: boolean;
  readonly design: Design;
  readonly revision: number;
  readonly onRestore: (edits: readonly Edit[], revision: number) => void;
  readonly onClose: () => void;
}

export function HistoryDialog(props: HistoryDialogProps) {
  return (
    <Dialog
      open={props.open}
      title="Revisions"
      description="Going back is a change like any other: it can be undone, and nothing is lost."
      width={860}
      onClose={props.onClose}
    >
      {props.open && <History {...props} />}
    </Dialog>
  );
}

/** The first revision is 1. */
const goesOn = (rows: readonly HistoryRow[]): boolean => (rows.at(-1)?.revision ?? 1) > 1;

const wordsOf = ({ edits }: HistoryRow, design: Design): string[] =>
  edits ? describeEdits(edits, design) : ['Many changes at once'];

function History({ id, design, revision, onRestore }: HistoryDialogProps) {
  const [rows, setRows] = useState<readonly HistoryRow[] | null>(null);
  const [more, setMore] = useState(true);
  const [fault, setFault] = useState<string | null>(null);
  const [chosen, setChosen] = useState<{ revision: number; design: Design } | null>(null);
  const said = (error: unknown): void => setFault(error instanceof Error ? error.message : 'Try again.');
  const address = `/api/designs/${id}/history`;
  useEffect(() => {
    let current = true;
    callApi<readonly HistoryRow[]>(address).then(
      (found) => {
        if (!current) return;
        setRows(found);
        setMore(goesOn(found));
      },
      (error: unknown) => current && said(error),
    );
    return () => {
      current = false;
    };
  }, [address]);
  const readMore = async (): Promise<void> => {
    const last = rows?.at(-1)?.revision ?? 0;
    const older = await callApi<readonly HistoryRow[]>(`${address}?before=${last}`);
    setRows([...(rows ?? []), ...older]);
    setMore(goesOn(older));
  };
  const choose = (number: number): void => {
    setFault(null);
    callApi<Design>(`${address}/${number}`).then(
      (found) => setChosen({ revision: number, design: found }),
      said,
    );
  };
  const numbers = rows ? [...rows.map((row) => row.revision), ...(more ? [] : [0])] : [];
  return (
    <div className="grid min-h-[320px] flex-1 grid-cols-[minmax(0,1fr)_minmax(0,1fr)] overflow-hidden">
      <div className="overflow-y-auto border-r border-line">
        {!rows && !fault && <p className="p-4 text-sm text-soft">Reading the revisions …</p>}
        <ul aria-label="Revisions">
          {numbers.map((number) => {
            const row = rows!.find((each) => each.revision === number);
            const words = row ? wordsOf(row, design) : ['The design was made'];
            return (
              <li key={number}>
                <button
                  type="button"
                  aria-pressed={chosen?.revision === number}
                  onClick={() => choose(number)}
                  className={`w-full border-b border-line px-4 py-1.5 text-left hover:bg-wash ${chosen?.revision === number ? 'bg-wash' : ''}`}
                >
                  <span className="block text-xs text-soft">
                    Revision {number}
                    {number === revision && ', as it is now'}
                    {row && ` · ${writeWhen(row.at)} · ${row.user}`}
                  </span>
                  <span className="line-clamp-2 text-sm break-words">{words.join('; ')}</span>
                </button>
              </li>
            );
          })}
        </ul>
        {rows && more && (
          <Button tone="bare" className="m-2" onClick={() => void readMore().catch(said)}>
            Earlier revisions
          </Button>
        )}
      </div>
      <div className="overflow-y-auto px-4 py-3">
        {fault && (
          <p role="alert" className="text-sm text-ember-ink">
            {fault}
          </p>
        )}
        {!chosen && !fault && (
          <p className="text-sm text-soft">Choose a revision to see what going back to it would change.</p>
        )}
        {chosen && <Difference chosen={chosen} design={design} onRestore={onRestore} />}
      </div>
    </div>
  );
}

function Difference({
  chosen,
  design,
  onRestore,
}: {
  readonly chosen: { readonly revision: number; readonly design: Design };
  readonly design: Design;
  readonly onRestore: HistoryDialogProps['onRestore'];
}) {
  const edits = editsBetween(design, chosen.design);
  if (edits.length === 0) return <p className="text-sm">Nothing differs from how it is now.</p>;
  return (
    <>
      <h3 className="text-sm font-semibold">Going back to revision {chosen.revision} would change</h3>
      <ul className="mt-1.5">
        {describeEdits(edits, design).map((line, index) => (
          <li key={index} className="border-b border-line py-1 text-sm break-words">
            {line}
          </li>
        ))}
      </ul>
      <Button tone="strong" className="mt-3" onClick={() => onRestore(edits, chosen.revision)}>
        Go back to revision {chosen.revision}
      </Button>
    </>
  );
}
