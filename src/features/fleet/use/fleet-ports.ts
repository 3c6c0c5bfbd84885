/** What estates need from a store: a document for each, and its machines in the order of the inventory. */
import type { FleetPlan, Machine } from '@/features/fleet/calc';

export interface FleetListing {
  readonly id: string;
  readonly title: string;
  readonly origin: string;
  readonly machines: number;
  readonly groups: number;
  readonly placements: number;
  readonly updatedAt: string;
}

export interface StoredFleet {
  readonly id: string;
  readonly revision: number;
  readonly plan: FleetPlan;
  readonly machines: number;
  readonly updatedAt: string;
}

/** What bringing an inventory in again changed, by key. */
export interface Brought {
  readonly id: string;
  readonly isNew: boolean;
  readonly machines: number;
  readonly added: number;
  readonly gone: number;
  readonly changed: number;
}

export interface WantedFleet {
  readonly id: string;
  /** Of one that is not there yet. */
  readonly plan: FleetPlan;
  readonly origin: string;
  readonly at: Date;
}

export interface FleetStore {
  /** The last changed first. */
  list(workspace: string): Promise<FleetListing[]>;
  find(workspace: string, id: string): Promise<StoredFleet | null>;
  /** From place `after` on; null: no such fleet. */
  machines(workspace: string, id: string, after: number, limit: number): Promise<Machine[] | null>;
  /**
   * All machines of a fleet, new or there already, in one transaction: `work` hands them over; if it throws, nothing has
   * changed. Null: the id is another workspace's.
   */
  bring(
    workspace: string,
    wanted: WantedFleet,
    work: (put: (machines: readonly Machine[]) => Promise<void>) => Promise<void>,
  ): Promise<Brought | null>;
  /** Null: no such fleet. `stale`: somebody else saved meanwhile. */
  savePlan(
    workspace: string,
    id: string,
    baseRevision: number,
    plan: FleetPlan,
    at: Date,
  ): Promise<number | 'stale' | null>;
  remove(workspace: string, id: string, at: Date): Promise<boolean>;
  restore(workspace: string, id: string): Promise<boolean>;
  mapping(workspace: string, headings: string): Promise<object | null>;
  keepMapping(workspace: string, headings: string, mapping: object, at: Date): Promise<void>;
}
