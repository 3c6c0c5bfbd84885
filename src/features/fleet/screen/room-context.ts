/** What every view of a fleet knows: its plan, who works it out, how it is changed and saved. */
'use client';
import { createContext, useContext, useSyncExternalStore } from 'react';
import type { FleetPlaceNames } from '@/features/fleet/words';
import type { FleetPlan } from '@/features/fleet/calc';
import type { FleetClient } from '@/features/fleet/worker/fleet-client';
import type { Saving } from '@/platform/screen/use-kept-document';
import type { FleetProgress } from '@/features/fleet/worker/fleet-protocol';

export interface FleetBook {
  readonly key: string;
  readonly title: string;
  readonly revision: number;
  readonly effective: string;
  readonly regions: readonly { readonly code: string; readonly name: string }[];
}

export interface FleetRoomValue {
  readonly id: string;
  readonly plan: FleetPlan;
  readonly machines: number;
  readonly books: readonly FleetBook[];
  readonly names: FleetPlaceNames;
  readonly client: FleetClient | null;
  /** All machines are in the worker. */
  readonly isOpen: boolean;
  readonly opening: FleetProgress | null;
  readonly saving: Saving;
  readonly change: (plan: FleetPlan) => void;
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
}

export const FleetContext = createContext<FleetRoomValue | null>(null);

export function useFleet(): FleetRoomValue {
  const room = useContext(FleetContext);
  const isAwake = useSyncExternalStore(never, isTrue, isFalse);
  if (!room) throw new Error('There is no fleet above this.');
  // A part of the page may wake after the worker was started above it: first it is drawn as the server drew it.
  return isAwake ? room : { ...room, client: null, isOpen: false, opening: null };
}

const never = () => (): void => undefined;
const isTrue = (): boolean => true;
const isFalse = (): boolean => false;
