/** The fleet worker of a page: started when somebody listens, ended when nobody does; with the machines of a fleet in it. */
'use client';
import { useMemo, useSyncExternalStore } from 'react';
import { type FleetClient, startFleetWorker } from '@/features/fleet/worker/fleet-client';
import type { FleetProgress } from '@/features/fleet/worker/fleet-protocol';

interface FleetWorkerState {
  readonly client: FleetClient | null;
  /** All machines are in it. */
  readonly isOpen: boolean;
  readonly opening: FleetProgress | null;
}

const NOTHING: FleetWorkerState = { client: null, isOpen: false, opening: null };

class FleetWorkerOf {
  private state = NOTHING;
  private readonly heard = new Set<() => void>();

  constructor(private readonly fleet: { readonly id: string; readonly machines: number } | null) {}

  readonly snapshot = (): FleetWorkerState => this.state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.heard.add(listener);
    if (this.heard.size === 1) this.start();
    return () => {
      this.heard.delete(listener);
      if (this.heard.size > 0) return;
      this.state.client?.close();
      this.state = NOTHING;
    };
  };

  private start(): void {
    const client = startFleetWorker();
    this.set({ client });
    if (!this.fleet) return;
    client.ask({ ask: 'open', ...this.fleet }, { told: (opening) => this.set({ opening }, client) }).then(
      () => this.set({ opening: null, isOpen: true }, client),
      (error: Error) => this.set({ opening: { done: 0, steps: 0, words: error.message } }, client),
    );
  }

  private set(part: Partial<FleetWorkerState>, of?: FleetClient): void {
    // Of a worker that was ended meanwhile.
    if (of && this.state.client !== of) return;
    this.state = { ...this.state, ...part };
    for (const listener of this.heard) listener();
  }
}

/** Null: no fleet is opened in it. */
export function useFleetWorker(id: string | null, machines: number): FleetWorkerState {
  const worker = useMemo(() => new FleetWorkerOf(id === null ? null : { id, machines }), [id, machines]);
  return useSyncExternalStore(worker.subscribe, worker.snapshot, () => NOTHING);
}
