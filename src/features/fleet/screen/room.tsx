/** The room of a fleet: its plan and its worker stand above its views. Every change is saved as it is made. */
'use client';
import { type ReactNode, useMemo } from 'react';
import type { FleetPlan } from '@/features/fleet/calc';
import { useKeptDocument } from '@/platform/screen/use-kept-document';
import { FleetHead } from './fleet-head';
import { useFleetWorker } from './fleet-worker';
import { type FleetBook, FleetContext, type FleetRoomValue } from './room-context';

interface FleetRoomOfProps {
  readonly id: string;
  readonly initial: { readonly plan: FleetPlan; readonly revision: number; readonly machines: number };
  readonly books: readonly FleetBook[];
  readonly children: ReactNode;
}

export function FleetRoomOf({ id, initial, books, children }: FleetRoomOfProps) {
  const kept = useKeptDocument({
    url: `/api/fleets/${id}`,
    field: 'plan',
    initial: { document: initial.plan, revision: initial.revision },
  });
  const { document: plan, saving, change, undo, redo } = kept;
  const worker = useFleetWorker(id, initial.machines);
  const value = useMemo<FleetRoomValue>(
    () => ({
      id,
      plan,
      machines: initial.machines,
      books,
      names: {
        book: (key) => books.find((book) => book.key === key)?.title ?? key,
        region: (key, code) =>
          books.find((book) => book.key === key)?.regions.find((each) => each.code === code)?.name ?? code,
      },
      ...worker,
      saving,
      change,
      undo,
      redo,
    }),
    [id, plan, initial.machines, books, worker, saving, change, undo, redo],
  );
  return (
    <FleetContext value={value}>
      <FleetHead />
      {children}
    </FleetContext>
  );
}
