/** An existing estate: machines as an inventory lists them, each quantity with where it came from. Needs M1, M3, M15. */

/** - `measured` and `typed` as the inventory has it. - `derived`: added up or taken over from others. */
export const FACT_SOURCES = ['measured', 'typed', 'derived'] as const;
export type FactSource = (typeof FACT_SOURCES)[number];

/** A quantity of a machine. Doubles: an estate is measured, not billed. Sizes become text before they are matched. */
export interface Fact {
  readonly value: number;
  readonly from: FactSource;
}

export type PowerState = 'on' | 'off';

export type MachineKind = 'physical' | 'virtual';

export interface Machine {
  /** What finds it again when the inventory is brought in anew. */
  readonly id: string;
  readonly name: string;
  readonly host: string;
  readonly cluster: string;
  readonly environment: string;
  /** As the inventory writes it. */
  readonly system: string;
  /** Null: the inventory does not say. */
  readonly power: PowerState | null;
  readonly kind: MachineKind | null;
  readonly tags: readonly string[];
  /** What runs on it, and what its licences are said to be: words of the inventory. */
  readonly applications: string;
  readonly licences: string;
  /** Its disks are another machine's, too. */
  readonly sharedDisks: boolean;
  readonly vcpu: Fact;
  /** GiB. */
  readonly memory: Fact;
  /** GiB that are set aside for it, and of them filled; null: missing. */
  readonly storage: Fact | null;
  readonly stored: Fact | null;
  /** Shares of its vCPU and of its memory, 0 to 1; null: not measured. */
  readonly peakCpu: Fact | null;
  readonly usualCpu: Fact | null;
  readonly peakMemory: Fact | null;
  readonly usualMemory: Fact | null;
  /** Operations a second at their highest. */
  readonly iops: Fact | null;
  /** GB that it sends a month. */
  readonly sent: Fact | null;
}

/** Nothing known but a name and its sizes. */
export const BARE_MACHINE: Omit<Machine, 'id' | 'name' | 'vcpu' | 'memory'> = {
  host: '',
  cluster: '',
  environment: '',
  system: '',
  power: null,
  kind: null,
  tags: [],
  applications: '',
  licences: '',
  sharedDisks: false,
  storage: null,
  stored: null,
  peakCpu: null,
  usualCpu: null,
  peakMemory: null,
  usualMemory: null,
  iops: null,
  sent: null,
};

export interface Fleet {
  readonly title: string;
  readonly machines: readonly Machine[];
}
