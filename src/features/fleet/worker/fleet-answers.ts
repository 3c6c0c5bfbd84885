/** What the fleet worker is asked about and answers with, in plain data. Amounts are exact texts, but those called printed. */
import type { Place } from '@/engine/design';
import type { HostsTold } from '@/features/fleet/words';
import type {
  MachineFilter,
  Machine,
  Overlap,
  ReadinessCode,
  SystemText,
  UnfitWhy,
} from '@/features/fleet/calc';
import type { PlainFigure } from '@/engine/trace';
import type { RejectedRow, Repeated } from '@/features/fleet/format/fleet-builder';
import type { ColumnUnit, Field } from '@/features/fleet/format/columns';
import type { LookedAt } from '@/features/fleet/format/read-inventory';
import type { TableRole } from '@/features/fleet/format/table-look';

/** A mapping as plain data: by heading, and roles by table. */
export interface PlainMapping {
  readonly chosen: Readonly<Record<string, Field | null>>;
  readonly units: Readonly<Record<string, ColumnUnit>>;
  readonly roles: Readonly<Record<string, TableRole>>;
  readonly repeated?: Repeated;
}

export interface ReadSummary {
  readonly machines: number;
  /** The first of them. */
  readonly rejected: readonly RejectedRow[];
  readonly rejectedCount: number;
  readonly notes: readonly string[];
  readonly tables: readonly LookedAt[];
  /** Against the machines of the open fleet; null: none is open. */
  readonly against: { readonly added: number; readonly gone: number; readonly changed: number } | null;
}

export const SORTS = [
  'inventory',
  'name',
  'vcpu',
  'memory',
  'storage',
  'peakCpu',
  'peakMemory',
  'amount',
  'installed',
] as const;
export type SortField = (typeof SORTS)[number];

export interface MachineQuery {
  readonly filter: MachineFilter;
  readonly sort: SortField;
  readonly down: boolean;
  /** Whose amounts are shown; null: none. */
  readonly placement: string | null;
}

export interface MachineRow {
  readonly machine: Machine;
  readonly ready: readonly ReadinessCode[];
  /** Null: no placement is asked for, or the machine is left out. */
  readonly placed: {
    readonly becomes: string | null;
    /** To the cent, so that all rows add up. */
    readonly printed: string | null;
    readonly unfit: UnfitWhy | null;
  } | null;
}

export interface MachineTally {
  readonly machines: number;
  readonly vcpu: number;
  readonly memory: number;
  readonly storage: number;
  readonly measured: number;
  /** Sum of the printed rows; null: no placement. */
  readonly printed: string | null;
  /** Of them without an amount, and left out by the placement. */
  readonly without: number;
  readonly left: number;
  /** How much of the vCPU and memory is used at the peak, of machines that are measured. */
  readonly usedCpu: number | null;
  readonly usedMemory: number | null;
}

export interface MoneyPicture {
  readonly currency: string;
  readonly total: string;
  readonly mean: string;
  /** The dearest first, so many at most: name, printed amount, its row, and the share of all up to it. */
  readonly bars: readonly {
    readonly at: number;
    readonly name: string;
    readonly becomes: string;
    readonly printed: string;
    readonly upTo: number;
  }[];
  readonly machines: number;
  /** So many of the dearest cost half of all. */
  readonly half: number;
}

export type { InstalledPicture, SurePicture } from '@/features/fleet/calc';

export type { ToldMatrix as MatrixAnswer } from '@/features/fleet/words';

export interface MachineAnswer {
  readonly machine: Machine;
  readonly ready: readonly ReadinessCode[];
  readonly systemGuess: string;
  /** By placement. */
  readonly placements: readonly {
    readonly placement: string;
    readonly name: string;
    /** Where it is looked at: the first of its places. */
    readonly place: Place | null;
    /** Machines share hosts there: its part of them is told with its amount. */
    readonly onHosts: boolean;
    readonly need: string;
    readonly rule: string;
    readonly becomes: string | null;
    readonly runnerUp: { readonly name: string; readonly monthly: string } | null;
    readonly over: { readonly vcpu: string; readonly memory: string } | null;
    readonly unfit: UnfitWhy | null;
    /** By term: by the rule and as installed, the server alone, in the book's currency; null: nothing fits. */
    readonly terms: readonly {
      readonly term: string;
      readonly byRule: string | null;
      readonly installed: string | null;
    }[];
    readonly currency: string;
  }[];
}

/** The parts of a machine's amount, each a share of a line. */
export interface PartsAnswer {
  readonly currency: string;
  readonly printed: string | null;
  readonly parts: readonly {
    readonly line: string;
    readonly name: string;
    readonly lineMonthly: string;
    /** Its share of the line, 0 to 1. */
    readonly share: number;
    readonly monthly: string;
    readonly trace: PlainFigure | null;
  }[];
}

export interface HostsAnswer {
  readonly offer: string;
  readonly room: { readonly vcpu: number; readonly memory: number };
  readonly told: HostsTold;
  readonly hosts: readonly {
    readonly vcpu: number;
    readonly memory: number;
    readonly names: readonly string[];
  }[];
}

export interface AverageAnswer {
  readonly vcpu: string;
  readonly memory: string;
  readonly rows: readonly {
    readonly place: Place;
    readonly becomes: string | null;
    readonly monthly: string | null;
    readonly currency: string;
  }[];
}

export interface ValuesAnswer {
  readonly host: readonly [string, number][];
  readonly cluster: readonly [string, number][];
  readonly environment: readonly [string, number][];
  readonly tags: readonly [string, number][];
  readonly systems: readonly SystemText[];
  readonly licences: readonly SystemText[];
  /** Products whose licences can be in a rate at the places of the placements. */
  readonly products: readonly string[];
  readonly ready: readonly [ReadinessCode | 'ready', number][];
  readonly groups: { readonly counts: readonly [string, number][] } & Pick<
    Overlap,
    'union' | 'twice' | 'inNone'
  >;
}
