/** The room of a fleet: its plan and its worker stand above its views. Every change is saved as it is made. */
'use client';
import { useRouter } from 'next/navigation';
import { type ReactNode, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { FleetPlan } from '@/core/fleet';
import { ApiError, callApi } from '../lib/call-api';
import { FleetHead } from './fleet-head';
import { useFleetWorker } from './fleet-worker';
import { type FleetBook, FleetContext, type FleetRoomValue, type Saving } from './room-context';

interface FleetRoomOfProps {
  readonly id: string;
  readonly initial: { readonly plan: FleetPlan; readonly revision: number; readonly machines: number };
  readonly books: readonly FleetBook[];
  readonly children: ReactNode;
}

const MOST_UNDO = 100;

export function FleetRoomOf({ id, initial, books, children }: FleetRoomOfProps) {
  const [history, setHistory] = useState({
    past: [] as FleetPlan[],
    plan: initial.plan,
    next: [] as FleetPlan[],
  });
  const saving = useSaving(id, history.plan, initial);
  const worker = useFleetWorker(id, initial.machines);
  const change = useCallback((plan: FleetPlan) => {
    setHistory(({ past, plan: before }) => ({ past: [...past, before].slice(-MOST_UNDO), plan, next: [] }));
  }, []);
  const undo = useCallback(() => {
    setHistory((all) => {
      const before = all.past.at(-1);
      return before ? { past: all.past.slice(0, -1), plan: before, next: [all.plan, ...all.next] } : all;
    });
  }, []);
  const redo = useCallback(() => {
    setHistory((all) => {
      const [after, ...next] = all.next;
      return after ? { past: [...all.past, all.plan], plan: after, next } : all;
    });
  }, []);
  const { plan, past, next } = history;
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
      undo: past.length > 0 ? undo : null,
      redo: next.length > 0 ? redo : null,
    }),
    [id, plan, past, next, initial.machines, books, worker, saving, change, undo, redo],
  );
  return (
    <FleetContext value={value}>
      <FleetHead />
      {children}
    </FleetContext>
  );
}

const CONFLICT = 409;

/** One after the other, each based on the one before; only the newest that waits is sent. */
function useSaving(id: string, plan: FleetPlan, initial: FleetRoomOfProps['initial']): Saving {
  const router = useRouter();
  const [turn, setTurn] = useState(0);
  const [saving, setSaving] = useState<Omit<Saving, 'remedy'>>({ state: 'saved', words: 'Saved' });
  const kept = useRef({ plan: initial.plan, revision: initial.revision, isBusy: false, wanted: plan });
  useEffect(() => {
    const all = kept.current;
    all.wanted = plan;
    if (all.isBusy || all.plan === plan) return;
    const send = async (): Promise<void> => {
      all.isBusy = true;
      try {
        while (all.plan !== all.wanted) {
          const wanted = all.wanted;
          setSaving({ state: 'saving', words: 'Saving …' });
          const { revision } = await callApi<{ revision: number }>(`/api/fleets/${id}`, {
            method: 'PUT',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ baseRevision: all.revision, plan: wanted }),
          });
          all.revision = revision;
          all.plan = wanted;
          setSaving({ state: 'saved', words: `Saved · revision ${revision}` });
        }
      } catch (error) {
        setSaving({
          state: error instanceof ApiError && error.status === CONFLICT ? 'overtaken' : 'refused',
          words: error instanceof Error ? error.message : 'Not saved.',
        });
      } finally {
        all.isBusy = false;
      }
    };
    void send();
  }, [id, plan, turn]);
  return useMemo(() => {
    const remedies: Readonly<Record<Saving['state'], Saving['remedy']>> = {
      saved: null,
      saving: null,
      refused: { label: 'Save again', run: () => setTurn((before) => before + 1) },
      // The room begins anew with the newest.
      overtaken: { label: 'Load the newest', run: () => router.refresh() },
    };
    return { ...saving, remedy: remedies[saving.state] };
  }, [saving, router]);
}
