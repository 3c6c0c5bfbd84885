/** The head of a ledger: what each column is, and the edge by which it is drawn wider. */
'use client';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { inBounds, NARROWEST, WIDEST, type Widths, widthOf } from './ledger-fit';
import type { LedgerColumn } from './ledger-types';

interface LedgerHeadProps<Row> {
  readonly columns: readonly LedgerColumn<Row>[];
  readonly tracks: string;
  readonly widths: Widths;
  /** Null: as wide as it is by itself. Not said: widths stay. */
  readonly onWidth?: (key: string, width: number | null) => void;
}

export function LedgerHead<Row>({ columns, tracks, widths, onWidth }: LedgerHeadProps<Row>) {
  return (
    <div
      role="row"
      aria-rowindex={1}
      style={{ gridTemplateColumns: tracks }}
      className="grid border-b border-ink"
    >
      {columns.map((column) => (
        <div
          key={column.key}
          role="columnheader"
          className={`relative flex h-8 min-w-0 items-center px-2 text-xs whitespace-nowrap text-soft first:pl-[18px] ${column.end ? 'justify-end last:pr-4' : ''} ${column.ruled ? 'border-l border-line' : ''}`}
        >
          {column.head}
          {onWidth && column.title && (
            <Edge
              title={column.title}
              width={widthOf(column, widths)}
              isDrawn={widths[column.key] !== undefined}
              onWidth={(width) => onWidth(column.key, width)}
            />
          )}
        </div>
      ))}
    </div>
  );
}

/** Pixels of one press of an arrow. */
const STEP = 16;

function Edge({
  title,
  width,
  isDrawn,
  onWidth,
}: {
  readonly title: string;
  /** As it was drawn, or the least that it takes by itself. */
  readonly width: number;
  readonly isDrawn: boolean;
  readonly onWidth: (width: number | null) => void;
}) {
  const drawn = useRef<{ readonly from: number; readonly width: number } | null>(null);
  const measured = (edge: HTMLElement): number =>
    edge.parentElement?.getBoundingClientRect().width ?? NARROWEST;
  const onPointerDown = (event: PointerEvent<HTMLElement>): void => {
    event.preventDefault();
    event.currentTarget.setPointerCapture(event.pointerId);
    drawn.current = { from: event.clientX, width: measured(event.currentTarget) };
  };
  const onPointerMove = (event: PointerEvent<HTMLElement>): void => {
    const { current } = drawn;
    if (current) onWidth(inBounds(current.width + event.clientX - current.from));
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>): void => {
    const by = { ArrowRight: STEP, ArrowLeft: -STEP }[event.key];
    if (by === undefined && event.key !== 'Escape') return;
    event.preventDefault();
    event.stopPropagation();
    onWidth(by === undefined ? null : inBounds(measured(event.currentTarget) + by));
  };
  return (
    <span
      role="separator"
      aria-orientation="vertical"
      aria-label={`Width of ${title}`}
      aria-valuenow={width}
      aria-valuetext={isDrawn ? `${width} pixels` : 'its own width'}
      aria-valuemin={NARROWEST}
      aria-valuemax={WIDEST}
      title="Draw wider; double-click for its own width"
      tabIndex={0}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={() => (drawn.current = null)}
      onDoubleClick={() => onWidth(null)}
      onKeyDown={onKeyDown}
      className="absolute top-1 right-0 bottom-1 z-[1] w-2 translate-x-1/2 cursor-col-resize touch-none rounded-sm hover:bg-line focus-visible:bg-brand"
    />
  );
}
