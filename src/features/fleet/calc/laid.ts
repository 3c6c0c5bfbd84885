/** Machines laid out at a place: what each became, and which part of which line is its own. */
import type { Offer } from '@/engine/books';
import type { LicenceChoice, Place, Section } from '@/engine/design';
import type { Machine } from './model';
import type { PackedHost } from './packing';
import type { FleetPlacement } from './placement';
import type { SizedNeed } from './sizing-rule';

export interface FleetPart {
  readonly id: string;
  readonly name: string;
  readonly machines: readonly Machine[];
}

/** - `term`: what fits is not sold under this way of paying. - `licence`: nor with its system's licence. */
export type UnfitWhy = 'no-size' | 'term' | 'licence' | 'system' | 'host-too-small' | 'no-hosts';

/** A part of a line, by weight among all its parts. */
export interface Portion {
  readonly line: string;
  readonly weight: number;
}

export interface LaidMachine {
  readonly machine: Machine;
  readonly need: SizedNeed;
  /** What it becomes; of hosts: the host that it is on. */
  readonly offer: Offer | null;
  readonly licences: readonly LicenceChoice[];
  readonly portions: Portion[];
  readonly unfit: UnfitWhy | null;
}

export interface Layout {
  readonly placement: FleetPlacement;
  readonly place: Place;
  readonly sections: readonly Section[];
  /** By machine. */
  readonly machines: ReadonlyMap<string, LaidMachine>;
  readonly hosts: HostsUsed | null;
  /** Powered off and left out; sized as installed because not measured; with a system that nobody mapped; without a disk
   *  of known size. */
  readonly counts: { off: number; unmeasured: number; unmapped: number; withoutDisk: number };
}

/** Hosts that machines are packed on, and how many are paid. */
export interface HostsUsed {
  readonly offer: Offer;
  readonly hosts: readonly PackedHost[];
  /** What one has, promised so many times. */
  readonly room: { readonly vcpu: number; readonly memory: number };
  readonly spare: number;
  /** The fewest that are sold. */
  readonly least: number;
  /** Packed and spare, or the least. */
  readonly paid: number;
  /** No packing needs fewer than these. */
  readonly lowerBound: number;
}
