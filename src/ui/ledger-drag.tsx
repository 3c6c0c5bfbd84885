/** Dragging rows by their grip. What it means to drop one is the affair of whoever owns the rows. */
'use client';
import { DndContext, type DragEndEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { type ReactNode, useId } from 'react';
import type { LedgerRow, RowDrag } from './ledger-types';

/** Pixels before a press becomes a drag. */
const DISTANCE = 4;

export function LedgerDrag<Row>({
  rows,
  drag,
  children,
}: {
  readonly rows: readonly LedgerRow<Row>[];
  readonly drag?: RowDrag<Row>;
  readonly children: ReactNode;
}) {
  const id = useId();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DISTANCE } }));
  if (!drag) return children;
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    const find = (key: unknown): LedgerRow<Row> | undefined => rows.find((row) => row.key === key);
    const [from, to] = [find(active.id), find(over?.id)];
    if (from && to && from !== to) drag.onDrop(from.data, to.data);
  };
  return (
    <DndContext id={id} sensors={sensors} onDragEnd={onDragEnd}>
      {children}
    </DndContext>
  );
}
