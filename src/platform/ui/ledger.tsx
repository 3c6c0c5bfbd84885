/**
 * The ledger: rows and columns that add up, driven by the keyboard like a good spreadsheet. One focusable grid whose
 * active cell is named by aria-activedescendant, so that long lists can be virtual. Arrows move, Enter or F2 edits in
 * place, typing replaces, Esc takes back, Tab commits and moves on.
 */
'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, useEffect, useId, useRef } from 'react';
import { LedgerDrag } from './ledger-drag';
import { fittingColumns, leastWidth, tracksOf, useWidth, type Widths } from './ledger-fit';
import { LedgerHead } from './ledger-head';
import { LedgerRowView } from './ledger-row';
import type { LedgerColumn, LedgerCursor, LedgerRow, Reach, RowDrag } from './ledger-types';

export type * from './ledger-types';

interface LedgerProps<Row> {
  readonly label: string;
  readonly columns: readonly LedgerColumn<Row>[];
  readonly rows: readonly LedgerRow<Row>[];
  readonly cursor: LedgerCursor | null;
  /** `reach`: with Shift (up to there) or Ctrl (that one too), for whoever keeps a selection. */
  readonly onCursor: (cursor: LedgerCursor, reach?: Reach) => void;
  /** Keys of selected rows. */
  readonly selected?: ReadonlySet<string>;
  readonly drag?: RowDrag<Row>;
  /** Keys the ledger does not use itself; true if taken. */
  readonly onKey?: (event: KeyboardEvent, row: LedgerRow<Row> | undefined) => boolean;
  readonly autoFocus?: boolean;
  /** Column widths that were drawn, and what is told when another is; null: its own. */
  readonly widths?: Widths;
  readonly onWidth?: (key: string, width: number | null) => void;
  /** Told which columns have no room. */
  readonly onFit?: (gone: readonly string[]) => void;
}

const NO_WIDTHS: Widths = {};

const HEIGHTS = { head: 33, line: 29, flat: 29, blank: 29 } as const;

/** Whoever has begun to use the page before it was awake keeps the focus; a link of the top line has done its work. */
function isFocusFree(): boolean {
  const active = document.activeElement;
  return !active || active === document.body || active.closest('header') !== null;
}

export function Ledger<Row>(props: LedgerProps<Row>) {
  const { label, rows, cursor, onCursor, selected, drag, onKey, autoFocus, onWidth, onFit } = props;
  const id = useId();
  const scroller = useRef<HTMLDivElement>(null);
  const width = useWidth(scroller);
  const widths = props.widths ?? NO_WIDTHS;
  const columns = fittingColumns(props.columns, width, widths);
  const tracks = tracksOf(columns, widths);
  const least = leastWidth(columns, widths);
  const gone = props.columns.filter((each) => !columns.includes(each)).map(({ key }) => key);
  const goneKeys = gone.join(' ');
  useEffect(() => {
    onFit?.(goneKeys === '' ? [] : goneKeys.split(' '));
  }, [onFit, goneKeys]);
  // eslint-disable-next-line react-hooks/incompatible-library -- the list is virtual on purpose
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => HEIGHTS[rows[index]!.level],
    getItemKey: (index) => rows[index]!.key,
    overscan: 12,
    initialRect: { width: 900, height: 640 },
  });
  const rowAt = Math.max(
    0,
    rows.findIndex((row) => row.key === cursor?.row),
  );
  const columnAt = Math.max(
    0,
    columns.findIndex((column) => column.key === cursor?.column),
  );
  const editing = cursor?.editing;

  useEffect(() => {
    if (autoFocus && isFocusFree()) scroller.current?.focus();
  }, [autoFocus]);
  // A row under the mouse is in sight; moving it away would put the second press of two on another row.
  const pressed = useRef(false);
  const onPress = (next: LedgerCursor, reach?: Reach): void => {
    pressed.current = true;
    onCursor(next, reach);
  };
  useEffect(() => {
    if (cursor && (editing || !pressed.current)) virtual.scrollToIndex(rowAt);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only a move of the cursor scrolls
  }, [cursor?.row, editing]);

  const moveTo = (row: number, column: number, reach?: Reach): void => {
    pressed.current = false;
    const nextRow = rows[Math.max(0, Math.min(rows.length - 1, row))];
    const nextColumn = columns[Math.max(0, Math.min(columns.length - 1, column))];
    if (nextRow && nextColumn) onCursor({ row: nextRow.key, column: nextColumn.key }, reach);
  };
  const begin = (row: number, column: number, typed: string | null): void => {
    const edit = columns[column]?.edit?.(rows[row]!.data);
    if (!edit) return;
    if (edit.by === 'open') edit.open(typed ?? '');
    else onCursor({ row: rows[row]!.key, column: columns[column]!.key, editing: { text: typed } });
  };
  const finish = (dRow: number, dColumn: number): void => {
    moveTo(rowAt + dRow, columnAt + dColumn);
    scroller.current?.focus();
  };

  const onKeyDown = (event: KeyboardEvent): void => {
    if (editing || event.target !== scroller.current || rows.length === 0) return;
    if (onKey?.(event, rows[rowAt])) return event.preventDefault();
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 300) / HEIGHTS.line) - 2);
    const far = event.ctrlKey || event.metaKey;
    const reach = event.shiftKey ? 'range' : undefined;
    const moves: Record<string, () => void> = {
      ArrowDown: () => moveTo(rowAt + 1, columnAt, reach),
      ArrowUp: () => moveTo(rowAt - 1, columnAt, reach),
      ArrowRight: () => moveTo(rowAt, columnAt + 1),
      ArrowLeft: () => moveTo(rowAt, columnAt - 1),
      PageDown: () => moveTo(rowAt + page, columnAt, reach),
      PageUp: () => moveTo(rowAt - page, columnAt, reach),
      Home: () => moveTo(far ? 0 : rowAt, 0),
      End: () => moveTo(far ? rows.length - 1 : rowAt, columns.length - 1),
      Enter: () => begin(rowAt, columnAt, null),
      F2: () => begin(rowAt, columnAt, null),
    };
    const move = moves[event.key];
    if (move) {
      event.preventDefault();
      move();
    } else if (event.key.length === 1 && !far && !event.altKey && event.key !== ' ') {
      event.preventDefault();
      begin(rowAt, columnAt, event.key);
    }
  };

  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col bg-surface">
      <LedgerDrag rows={rows} drag={drag}>
        <div
          ref={scroller}
          role="grid"
          aria-label={label}
          aria-rowcount={rows.length + 1}
          aria-colcount={columns.length}
          aria-multiselectable={selected ? true : undefined}
          aria-activedescendant={cursor && rows.length > 0 ? `${id}-${rowAt}-${columnAt}` : undefined}
          tabIndex={0}
          onKeyDown={onKeyDown}
          className="group min-h-0 flex-1 overflow-auto outline-none"
        >
          <div role="rowgroup" style={{ minWidth: least }} className="sticky top-0 z-10 bg-surface">
            <LedgerHead columns={columns} tracks={tracks} widths={widths} onWidth={onWidth} />
          </div>
          <div
            role="rowgroup"
            style={{ height: virtual.getTotalSize(), minWidth: least }}
            className="relative"
          >
            {virtual.getVirtualItems().map((item) => {
              const row = rows[item.index]!;
              const active = cursor !== null && item.index === rowAt;
              return (
                <LedgerRowView
                  key={item.key}
                  id={id}
                  row={row}
                  index={item.index}
                  place={item}
                  columns={columns}
                  tracks={tracks}
                  activeColumn={active ? columnAt : null}
                  editing={active ? editing : undefined}
                  selected={selected?.has(row.key) ?? false}
                  drag={drag?.canDrag(row.data) ?? false}
                  onCursor={onPress}
                  onBegin={begin}
                  onFinish={finish}
                />
              );
            })}
          </div>
        </div>
      </LedgerDrag>
    </div>
  );
}
