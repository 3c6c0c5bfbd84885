/** The input inside an edited cell. */
'use client';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import type { TextEdit } from './ledger-types';

interface CellEditorProps {
  readonly edit: TextEdit;
  /** The text it begins with; null: the cell's own, selected. */
  readonly begin: string | null;
  readonly end: boolean;
  /** Ends editing and moves the cursor by so many rows and columns. */
  readonly onFinish: (rows: number, columns: number) => void;
  /** Ends editing where it is, without taking the focus back: the person went elsewhere by mouse. */
  readonly onLeft: () => void;
}

export function CellEditor({ edit, begin, end, onFinish, onLeft }: CellEditorProps) {
  // The cell's own text follows the preview while one types; what it was at the beginning decides what is a change.
  const [original] = useState(edit.text);
  const [text, setText] = useState(begin ?? edit.text);
  const [fault, setFault] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const finished = useRef(false);

  useEffect(() => {
    input.current?.focus();
    if (begin === null) input.current?.select();
    else edit.preview(begin);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when editing begins
  }, []);

  const leave = (rows: number, columns: number): void => {
    finished.current = true;
    onFinish(rows, columns);
  };
  const commit = (rows: number, columns: number): void => {
    if (text === original) {
      edit.cancel();
      return leave(rows, columns);
    }
    const refused = edit.preview(text);
    if (refused) return setFault(refused);
    finished.current = true;
    edit.commit(text);
    onFinish(rows, columns);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const ways: Record<string, () => void> = {
      Enter: () => commit(event.shiftKey ? -1 : 1, 0),
      Tab: () => commit(0, event.shiftKey ? -1 : 1),
      Escape: () => {
        edit.cancel();
        leave(0, 0);
      },
    };
    const way = ways[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    way();
  };
  /** Leaving by mouse keeps a good value and takes back a refused one. */
  const settle = (): void => {
    if (finished.current) return;
    finished.current = true;
    if (text !== original && edit.preview(text) === null) edit.commit(text);
    else edit.cancel();
  };
  const latest = useRef(settle);
  useEffect(() => {
    latest.current = settle;
  });
  useEffect(() => {
    const node = input.current;
    // Pressing another cell takes the editor away before it can blur.
    return () => {
      if (!node?.isConnected) latest.current();
    };
  }, []);
  return (
    <>
      <input
        ref={input}
        value={text}
        aria-label={edit.label}
        aria-invalid={fault ? true : undefined}
        aria-describedby={fault ? 'cell-fault' : undefined}
        autoComplete="off"
        spellCheck={false}
        onChange={(event) => {
          setText(event.target.value);
          setFault(edit.preview(event.target.value));
        }}
        onKeyDown={onKeyDown}
        onBlur={() => {
          if (finished.current) return;
          settle();
          onLeft();
        }}
        className={`absolute inset-0 w-full bg-surface px-2 text-sm outline-2 -outline-offset-2 outline-brand aria-invalid:outline-ember ${end ? 'text-right' : ''}`}
      />
      {fault && (
        <span
          id="cell-fault"
          role="alert"
          className={`absolute top-full z-20 mt-0.5 w-[280px] rounded border border-ember bg-surface px-2.5 py-1.5 text-left text-xs font-normal whitespace-normal text-ember-ink ${end ? 'right-0' : 'left-0'}`}
        >
          {fault}
        </span>
      )}
    </>
  );
}
