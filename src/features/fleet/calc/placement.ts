/** A placement: where machines go, in which form, how large, and how that is paid. Needs L7, M6 to M8, M12, I13 to I16. */
import type { LicenceChoice, Place } from '@/engine/design';
import type { Need } from '@/engine/sizing';
import type { Agreement, Term } from '@/engine/terms';
import type { SizingRule } from './sizing-rule';

/**
 * - `shared`: a server for each machine. - `own-host`: a whole host for each. - `hosts`: hosts of one's own, on which the
 * machines are packed; vCPU and memory may be promised so many times, storage shrinks by `storageRatio`.
 */
export type HostingForm =
  | { readonly by: 'shared' }
  | { readonly by: 'own-host' }
  | {
      readonly by: 'hosts';
      readonly cpuTimes: number;
      readonly memoryTimes: number;
      readonly storageRatio: number;
      /** Hosts that stand by. */
      readonly spare: number;
    };

export interface DiskRule {
  readonly by: 'used' | 'allocated';
  /** What a volume's medium must be; `cheapest`: anything. */
  readonly medium: 'solid state' | 'magnetic' | 'cheapest';
  /** All volumes as one, where offers count by the piece. */
  readonly pooled: boolean;
  /** Machines with so many operations a second or more take volumes with low delay; null: none. */
  readonly fastFrom: number | null;
  /** Of the volume: what is kept as copies. */
  readonly snapshots: number;
}

export interface FleetPlacement {
  readonly id: string;
  readonly name: string;
  /** Several: the whole group goes to the one that costs least. */
  readonly places: readonly Place[];
  readonly form: HostingForm;
  readonly rule: SizingRule;
  /** No machine becomes smaller. */
  readonly least: { readonly vcpu: number; readonly memory: number };
  readonly allowed: Pick<Need, 'family' | 'processor' | 'allowBurstable' | 'allowRetiring'>;
  readonly disks: DiskRule;
  /** Of what machines send: what leaves the provider. */
  readonly leaving: number;
  readonly licences: LicenceChoice['how'];
  /** Of databases and other software; absent: as those of systems. */
  readonly softwareLicences?: LicenceChoice['how'];
  readonly term: Term;
  readonly withoutOff: boolean;
  /** What was negotiated with its providers; absent: list prices. Sizes are chosen by list prices. */
  readonly agreements?: readonly Agreement[];
}

/**
 * @example
 * defaultPlacement('p1', 'Here', [{ book: 'small', region: 'severn' }]).rule; // => { by: 'peak', headroom: 0.2 }
 */
export function defaultPlacement(id: string, name: string, places: readonly Place[]): FleetPlacement {
  return {
    id,
    name,
    places,
    form: { by: 'shared' },
    rule: { by: 'peak', headroom: 0.2 },
    least: { vcpu: 1, memory: 1 },
    allowed: {},
    disks: { by: 'used', medium: 'solid state', pooled: false, fastFrom: null, snapshots: 0 },
    leaving: 0.3,
    licences: 'included',
    term: 'on-demand',
    withoutOff: true,
  };
}

/** Everything of a placement but what it is called, in the order in which it is told. */
export const PLACEMENT_SETTINGS = [
  'places',
  'form',
  'rule',
  'least',
  'allowed',
  'disks',
  'leaving',
  'licences',
  'softwareLicences',
  'term',
  'agreements',
  'withoutOff',
] as const;

/** Settings that two placements do not have in common, each as its name and both values. */
export interface PlacementDifference {
  readonly setting: Exclude<keyof FleetPlacement, 'id' | 'name'>;
  readonly before: unknown;
  readonly after: unknown;
}

/**
 * @example
 * placementDifferences(defaultPlacement('a', 'A', []), { ...defaultPlacement('b', 'B', []), term: '12-none' }).map(({ setting }) => setting); // => ['term']
 */
export function placementDifferences(a: FleetPlacement, b: FleetPlacement): PlacementDifference[] {
  return PLACEMENT_SETTINGS.flatMap((setting) =>
    JSON.stringify(a[setting]) === JSON.stringify(b[setting])
      ? []
      : [{ setting, before: a[setting], after: b[setting] }],
  );
}
