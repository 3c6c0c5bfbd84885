/** What is about to be pasted: columns as they were recognised, every fault, and nothing changed before one says so. */
'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Component, Design, Place } from '@/engine/design';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { callApi } from '@/platform/screen/call-api';
import { hoursInMonth, type BookInfo } from '../book-list';
import { type PasteBook, pastedLines, type PastedLine } from './pasted-lines';
import { type Field, FIELDS, type PastedTable, readPasted } from './pasted-table';

const SHOWN = 60;

interface PasteDialogProps {
  readonly text: string | null;
  readonly design: Design;
  readonly bookList: readonly BookInfo[];
  readonly section: string;
  readonly place: Place | null;
  readonly onPaste: (components: readonly Component[]) => void;
  readonly onClose: () => void;
}

export function PasteDialog(props: PasteDialogProps) {
  return (
    <Dialog
      open={props.text !== null}
      title="Paste rows"
      description={`They are added at the end of “${props.section}”. Nothing is changed yet.`}
      width={900}
      quiet
      onClose={props.onClose}
    >
      {props.text !== null && <Pasted {...props} text={props.text} />}
    </Dialog>
  );
}

function usePasteBooks(bookList: readonly BookInfo[]): readonly PasteBook[] | null {
  const [books, setBooks] = useState<readonly PasteBook[] | null>(null);
  useEffect(() => {
    let current = true;
    Promise.all(
      bookList.map(async ({ key, title, revision, regions }) => {
        const { offers } = await callApi<Pick<PasteBook, 'offers'>>(
          `/api/books/${encodeURIComponent(key)}/${revision}`,
        );
        return { key, title, regions, offers };
      }),
    ).then(
      (all) => current && setBooks(all),
      () => current && setBooks([]),
    );
    return () => {
      current = false;
    };
  }, [bookList]);
  return books;
}

function Pasted({
  text,
  design,
  bookList,
  place,
  onPaste,
  onClose,
}: PasteDialogProps & { readonly text: string }) {
  const table = useMemo(() => readPasted(text), [text]);
  const books = usePasteBooks(bookList);
  const [changed, setChanged] = useState<readonly Field[] | null>(null);
  if (typeof table === 'string') return <p className="px-4 py-3 text-sm">{table}</p>;
  const fields = changed ?? table.fields;
  const lines = books
    ? pastedLines(table, fields, {
        books,
        place,
        newId: () => crypto.randomUUID(),
        monthHours: (component) => hoursInMonth(design, component, bookList),
      })
    : [];
  const good = lines.flatMap((line) => (line.component ? [line.component] : []));
  const faulty = lines.length - good.length;
  return (
    <>
      <div className="min-h-0 flex-1 overflow-auto">
        <PastedRows
          table={table}
          fields={fields}
          lines={lines}
          onField={(at, field) => setChanged(fields.map((each, index) => (index === at ? field : each)))}
        />
      </div>
      <div className="flex items-center gap-2 border-t border-line px-4 py-2.5">
        <p role="status" className="mr-auto text-sm">
          {books === null
            ? 'Reading the price books …'
            : `${good.length} of ${table.rows.length} rows can be added${faulty > 0 ? `; ${faulty} with faults` : ''}.`}
        </p>
        <Button onClick={onClose}>Cancel</Button>
        <Button tone="strong" disabled={good.length === 0} onClick={() => onPaste(good)}>
          {faulty > 0 ? `Add ${good.length}, leave out ${faulty}` : `Add ${good.length}`}
        </Button>
      </div>
    </>
  );
}

function PastedRows({
  table,
  fields,
  lines,
  onField,
}: {
  readonly table: PastedTable;
  readonly fields: readonly Field[];
  readonly lines: readonly PastedLine[];
  readonly onField: (at: number, field: Field) => void;
}) {
  // Faults first: they are what one looks for.
  const order = table.rows
    .map((_, index) => index)
    .sort((a, b) => Number((lines[b]?.faults.length ?? 0) > 0) - Number((lines[a]?.faults.length ?? 0) > 0))
    .slice(0, SHOWN);
  return (
    <table className="w-full text-sm">
      <thead>
        <tr>
          <th scope="col" className="border-b border-ink px-2 py-1.5 text-left text-xs font-normal text-soft">
            Row
          </th>
          {fields.map((field, at) => (
            <th key={at} scope="col" className="border-b border-ink px-1.5 py-1.5 text-left font-normal">
              <select
                aria-label={`What column ${at + 1}${table.head ? `, “${table.head[at]}”,` : ''} is`}
                value={field}
                onChange={(event) => onField(at, event.target.value as Field)}
                className="h-7 rounded border border-edge bg-surface px-1 text-sm"
              >
                {FIELDS.map(([value, label]) => (
                  <option key={value} value={value}>
                    {label}
                  </option>
                ))}
              </select>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {order.map((index) => {
          const faults = lines[index]?.faults ?? [];
          return (
            <tr key={index} className="border-b border-line align-top">
              <th scope="row" className="px-2 py-1 text-left text-xs font-normal text-soft">
                {index + 1 + (table.head ? 1 : 0)}
              </th>
              {fields.map((field, at) => {
                const own = faults.filter((each) => (each.column ?? 0) === at);
                return (
                  <td key={at} className={`px-2 py-1 ${field === 'ignore' ? 'text-soft' : ''}`}>
                    <span className="block max-w-[200px] truncate">{table.rows[index]![at]}</span>
                    {own.map((each) => (
                      <span key={each.message} className="block text-xs text-ember-ink">
                        {each.message}
                      </span>
                    ))}
                  </td>
                );
              })}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
