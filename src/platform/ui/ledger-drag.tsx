/** Dragging rows by their grip. What it means to drop one is the affair of whoever owns the rows. */
'use client';
import {
  DndContext,
  type DragEndEvent,
  getClientRect,
  PointerSensor,
  pointerWithin,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { type ReactNode, useId } from 'react';
import type { LedgerRow, RowDrag } from './ledger-types';

/** Virtual rows stand where their transform puts them, so that it must be measured too. */
const MEASURED = { draggable: { measure: getClientRect }, droppable: { measure: getClientRect } };
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
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={pointerWithin}
      measuring={MEASURED}
      onDragEnd={onDragEnd}
    >
      {children}
    </DndContext>
  );
}
