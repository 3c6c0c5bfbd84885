/**
 * Sides of a comparison beside one another: names and the baseline stay in sight while the others are scrolled. One
 * focusable grid, as the ledger is; the margin tells of the cell under the cursor.
 */
'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type CSSProperties, type KeyboardEvent, type ReactNode, useEffect, useId, useRef } from 'react';
import { ComparedCellView } from './compared-cell';
import type { GridRow } from './comparison-rows';

export interface GridCursor {
  readonly row: number;
  readonly column: number;
}

export interface GridHead {
  readonly key: string;
  readonly name: string;
  /** Below the name. */
  readonly detail?: ReactNode;
}

interface ComparisonGridProps {
  readonly label: string;
  readonly corner: string;
  readonly heads: readonly GridHead[];
  readonly rows: readonly GridRow[];
  readonly currency: string;
  /** The right end of the scale that all wicks stand on. */
  readonly most: number;
  /** Whether the first column stays in sight. */
  readonly fixedFirst: boolean;
  readonly cursor: GridCursor;
  readonly onCursor: (cursor: GridCursor) => void;
  readonly feet?: readonly GridFoot[];
}

/** A row below all others. */
export interface GridFoot {
  readonly key: string;
  readonly name: string;
  readonly strong?: boolean;
  readonly cells: readonly ReactNode[];
}

/** Names and sides; on a narrow screen less of both. What does not fit is scrolled to. */
const WIDTH = 'min-w-[calc(148px+var(--sides)*140px)] min-[1100px]:min-w-[calc(204px+var(--sides)*156px)]';
const TRACKS =
  'grid grid-cols-[148px_repeat(var(--sides),minmax(0,1fr))] min-[1100px]:grid-cols-[204px_repeat(var(--sides),minmax(0,1fr))]';
const TALL = 45;
const LOW = 29;

export function ComparisonGrid(props: ComparisonGridProps) {
  const { label, corner, heads, rows, currency, most, fixedFirst, cursor, onCursor } = props;
  const { feet = [] } = props;
  const id = useId();
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the list is virtual on purpose
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => (rows[index]!.tall ? TALL : LOW),
    getItemKey: (index) => `${rows[index]!.key} ${rows[index]!.tall}`,
    overscan: 10,
    initialRect: { width: 900, height: 560 },
  });
  const pressed = useRef(false);
  useEffect(() => {
    if (!pressed.current && rows.length > 0) virtual.scrollToIndex(Math.min(cursor.row, rows.length - 1));
    pressed.current = false;
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only a move of the cursor scrolls
  }, [cursor.row]);
  useEffect(() => {
    const box = scroller.current;
    const head = document.getElementById(`${id}-head-${cursor.column}`);
    if (!box || !head || cursor.column === 0) return;
    const [left, right] = [head.offsetLeft, head.offsetLeft + head.offsetWidth];
    // What stays in sight covers what is scrolled under it.
    const covered = document.getElementById(`${id}-head-${fixedFirst ? 1 : 0}`)?.offsetLeft ?? 0;
    if (left < box.scrollLeft + covered) box.scrollLeft = left - covered;
    else if (right > box.scrollLeft + box.clientWidth) box.scrollLeft = right - box.clientWidth;
  }, [id, cursor.column, fixedFirst]);

  const moveTo = (row: number, column: number): void =>
    onCursor({
      row: Math.max(0, Math.min(rows.length - 1, row)),
      column: Math.max(0, Math.min(heads.length - 1, column)),
    });
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.target !== scroller.current) return;
    const { row, column } = cursor;
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 300) / TALL) - 2);
    const far = event.ctrlKey || event.metaKey;
    const moves: Record<string, () => void> = {
      ArrowDown: () => moveTo(row + 1, column),
      ArrowUp: () => moveTo(row - 1, column),
      ArrowRight: () => moveTo(row, column + 1),
      ArrowLeft: () => moveTo(row, column - 1),
      PageDown: () => moveTo(row + page, column),
      PageUp: () => moveTo(row - page, column),
      Home: () => moveTo(far ? 0 : row, 0),
      End: () => moveTo(far ? rows.length - 1 : row, heads.length - 1),
    };
    const move = moves[event.key];
    if (!move || event.altKey) return;
    event.preventDefault();
    move();
  };

  const fixed = fixedFirst
    ? 'sticky left-[148px] z-[1] border-r bg-inherit min-[1100px]:left-[204px] max-[700px]:static'
    : '';
  return (
    <div
      ref={scroller}
      role="grid"
      aria-label={label}
      aria-rowcount={rows.length + feet.length + 1}
      aria-colcount={heads.length + 1}
      aria-activedescendant={rows.length > 0 ? `${id}-${cursor.row}-${cursor.column}` : undefined}
      tabIndex={0}
      onKeyDown={onKeyDown}
      className="group min-h-0 flex-1 overflow-auto bg-surface outline-none"
    >
      <div role="presentation" className={WIDTH} style={{ '--sides': heads.length } as CSSProperties}>
        <div role="row" className={`${TRACKS} sticky top-0 z-[3] border-b border-ink bg-surface`}>
          <span
            role="columnheader"
            className="sticky left-0 z-[2] flex items-end bg-surface px-[18px] py-1.5 text-xs text-soft"
          >
            {corner}
          </span>
          {heads.map((head, at) => (
            <div
              key={head.key}
              id={`${id}-head-${at}`}
              role="columnheader"
              aria-label={head.name}
              onClick={() => onCursor({ ...cursor, column: at })}
              className={`min-w-0 cursor-default border-l border-line bg-surface px-2.5 py-1.5 ${at === 0 ? fixed : ''} ${at === cursor.column ? 'shadow-[inset_0_-2px_0_var(--brand)]' : ''}`}
            >
              <div className="truncate text-sm font-semibold" title={head.name}>
                {head.name}
              </div>
              {head.detail}
            </div>
          ))}
        </div>
        <div role="presentation" style={{ height: virtual.getTotalSize() }} className="relative">
          {virtual.getVirtualItems().map(({ index, start, size, key }) => {
            const row = rows[index]!;
            const group = row.level === 'group';
            return (
              <div
                key={key}
                role="row"
                aria-rowindex={index + 2}
                style={{ height: size, transform: `translateY(${start}px)` }}
                className={`${TRACKS} absolute inset-x-0 top-0 border-b bg-surface ${group ? 'border-ink' : 'border-line'}`}
              >
                <span
                  role="rowheader"
                  title={row.name}
                  className={`sticky left-0 z-[2] block truncate bg-surface py-[5px] pr-2 ${group ? 'pl-[18px] font-semibold' : row.level === 'line' ? 'pl-[30px]' : 'pl-[18px]'}`}
                >
                  {row.name}
                </span>
                {row.cells.map((cell, at) => {
                  const here = index === cursor.row && at === cursor.column;
                  return (
                    <div
                      key={at}
                      id={`${id}-${index}-${at}`}
                      role="gridcell"
                      aria-selected={here}
                      onMouseDown={() => {
                        pressed.current = true;
                        onCursor({ row: index, column: at });
                      }}
                      className={`min-w-0 border-l border-line px-2.5 py-[5px] ${at === 0 ? fixed : ''} ${here ? 'bg-wash! group-focus:outline-2 group-focus:-outline-offset-2 group-focus:outline-brand' : ''}`}
                    >
                      <ComparedCellView {...{ cell, currency, most }} strong={group} tall={row.tall} />
                    </div>
                  );
                })}
              </div>
            );
          })}
        </div>
        {feet.map((foot, index) => (
          <div
            key={foot.key}
            role="row"
            aria-rowindex={rows.length + 2 + index}
            className={`${TRACKS} relative z-[3] bg-surface ${foot.strong ? 'border-t border-ink' : 'border-b border-line'}`}
          >
            <span
              role="rowheader"
              className={`sticky left-0 z-[2] block bg-surface px-[18px] py-1.5 ${foot.strong ? 'font-semibold' : 'text-soft'}`}
            >
              {foot.name}
            </span>
            {foot.cells.map((cell, at) => (
              <div
                key={at}
                role="gridcell"
                className={`min-w-0 border-l border-line px-2.5 py-1.5 text-right tabular-nums ${at === 0 ? fixed : ''}`}
              >
                {cell}
              </div>
            ))}
          </div>
        ))}
      </div>
    </div>
  );
}
