/** One row of the ledger: its cells, the editor in the active one, and the grip by which it is dragged. */
'use client';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { GripVertical } from 'lucide-react';
import type { MouseEvent } from 'react';
import { CellEditor } from './ledger-cell-editor';
import type { LedgerColumn, LedgerCursor, LedgerRow, Reach } from './ledger-types';

interface LedgerRowProps<Row> {
  readonly id: string;
  readonly row: LedgerRow<Row>;
  readonly index: number;
  readonly place: { readonly start: number; readonly size: number };
  readonly columns: readonly LedgerColumn<Row>[];
  readonly tracks: string;
  /** Of the active row: the active column. */
  readonly activeColumn: number | null;
  readonly editing: LedgerCursor['editing'];
  readonly selected: boolean;
  readonly drag: boolean;
  readonly onCursor: (cursor: LedgerCursor, reach?: Reach) => void;
  readonly onBegin: (row: number, column: number, typed: string | null) => void;
  readonly onFinish: (dRow: number, dColumn: number) => void;
}

export function LedgerRowView<Row>(props: LedgerRowProps<Row>) {
  const { id, row, index, place, columns, tracks, activeColumn, editing, selected } = props;
  const active = activeColumn !== null;
  const { setNodeRef: setRow, isOver } = useDroppable({ id: row.key });
  const {
    setNodeRef: setGrip,
    listeners,
    isDragging,
  } = useDraggable({
    id: row.key,
    disabled: !props.drag,
  });
  const level = row.level === 'head' ? 'border-ink font-semibold' : 'border-line';
  const marks = [
    active || selected ? 'bg-wash' : '',
    isOver && !isDragging ? 'shadow-[inset_0_2px_0_var(--ink)]' : '',
    isDragging ? 'opacity-50' : '',
  ];
  return (
    <div
      ref={setRow}
      role="row"
      aria-rowindex={index + 2}
      aria-selected={active || selected}
      data-level={row.level}
      style={{
        gridTemplateColumns: tracks,
        height: place.size,
        transform: `translateY(${place.start}px)`,
        // What an edited cell has to say lies over the rows below.
        zIndex: active && editing ? 5 : undefined,
      }}
      className={`group/row absolute inset-x-0 top-0 grid border-b ${level} ${marks.join(' ')}`}
    >
      {props.drag && (
        <span
          ref={setGrip}
          {...listeners}
          // The keyboard moves rows with Alt and an arrow; the grip is for the hand on the mouse.
          aria-hidden="true"
          className="absolute top-1/2 left-[16px] z-[1] -translate-y-1/2 cursor-grab touch-none text-soft opacity-0 group-hover/row:opacity-100"
        >
          <GripVertical size={14} />
        </span>
      )}
      {columns.map((column, at) => (
        <Cell key={column.key} {...props} id={`${id}-${index}-${at}`} column={column} at={at} />
      ))}
    </div>
  );
}

function Cell<Row>({
  id,
  row,
  index,
  column,
  at,
  activeColumn,
  editing,
  onCursor,
  onBegin,
  onFinish,
}: LedgerRowProps<Row> & { readonly column: LedgerColumn<Row>; readonly at: number }) {
  const here = at === activeColumn;
  const edit = here && editing ? column.edit?.(row.data) : null;
  const cursor = { row: row.key, column: column.key };
  const onMouseDown = (event: MouseEvent): void => {
    if (edit) return;
    if (event.detail > 1 || event.shiftKey) event.preventDefault();
    const reach = event.shiftKey ? 'range' : event.ctrlKey || event.metaKey ? 'toggle' : undefined;
    onCursor(cursor, reach);
  };
  const indent = row.level === 'line' ? 'first-of-type:pl-[34px]' : 'first-of-type:pl-[18px]';
  const focus = here
    ? 'group-focus-within:outline-2 group-focus-within:-outline-offset-2 group-focus-within:outline-brand'
    : '';
  return (
    <div
      id={id}
      role="gridcell"
      aria-colindex={at + 1}
      aria-selected={here}
      data-cell={`${row.key}/${column.key}`}
      onMouseDown={onMouseDown}
      onClick={() => here && !edit && row.level === 'blank' && onBegin(index, at, null)}
      onDoubleClick={() => !edit && onBegin(index, at, null)}
      className={`relative flex min-w-0 items-center px-2 text-sm ${indent} ${column.end ? 'justify-end' : ''} ${column.ruled ? 'border-l border-line' : ''} ${focus}`}
    >
      {edit?.by === 'text' ? (
        <CellEditor
          edit={edit}
          begin={editing!.text}
          end={column.end ?? false}
          onFinish={onFinish}
          onLeft={() => onCursor(cursor)}
        />
      ) : (
        column.cell(row.data)
      )}
    </div>
  );
}
