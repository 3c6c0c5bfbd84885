/**
 * Kinds are data: what an offer neutrally is, which meters it is billed by, and what a person enters for each.
 * A new kind is a new entry here. Categories are FOCUS service categories (FOCUS 1.x, ServiceCategory).
 */
export interface MeterDefinition {
  readonly meter: string;
  readonly label: string;
  /** Unit in which a person enters it by default. */
  readonly enteredIn: string;
  /** `running`: hours from the running pattern; `held`: kept all month, billed per unit-month; `monthly`: used in a month. */
  readonly from: 'running' | 'held' | 'monthly';
  /** Without it the component cannot be priced; otherwise a missing value counts as none and says so. */
  readonly required: boolean;
}

export interface KindDefinition {
  readonly kind: string;
  readonly label: string;
  readonly plural: string;
  readonly serviceCategory: 'Compute' | 'Storage' | 'Networking';
  /** What one counts: "servers", "volumes". */
  readonly unitName: string;
  readonly purpose: string;
  readonly meters: readonly MeterDefinition[];
  readonly committable: boolean;
}

const DEFINITIONS = [
  {
    kind: 'server',
    label: 'Server',
    plural: 'Servers',
    serviceCategory: 'Compute',
    unitName: 'server',
    purpose: 'A virtual machine of a fixed size that you run yourself.',
    meters: [{ meter: 'running', label: 'Running', enteredIn: 'hour', from: 'running', required: true }],
    committable: true,
  },
  {
    kind: 'block-volume',
    label: 'Block volume',
    plural: 'Block volumes',
    serviceCategory: 'Storage',
    unitName: 'volume',
    purpose: 'A lasting disk for one server; paid for what is set aside, also while the server is stopped.',
    meters: [
      { meter: 'capacity', label: 'Capacity set aside', enteredIn: 'GiB', from: 'held', required: true },
    ],
    committable: false,
  },
  {
    kind: 'object-store',
    label: 'Object storage',
    plural: 'Object storage',
    serviceCategory: 'Storage',
    unitName: 'store',
    purpose:
      'Files of any size, read and written over the network; paid for what is held and for each request.',
    meters: [
      { meter: 'stored', label: 'Held', enteredIn: 'GB', from: 'held', required: true },
      { meter: 'writes', label: 'Write requests', enteredIn: 'request', from: 'monthly', required: false },
      { meter: 'reads', label: 'Read requests', enteredIn: 'request', from: 'monthly', required: false },
    ],
    committable: false,
  },
  {
    kind: 'transfer-out',
    label: 'Data transfer out',
    plural: 'Data transfer out',
    serviceCategory: 'Networking',
    unitName: 'path',
    purpose: 'What leaves the provider for the internet; tiers count over everything that leaves a region.',
    meters: [{ meter: 'transferred', label: 'Sent out', enteredIn: 'GB', from: 'monthly', required: true }],
    committable: false,
  },
] as const satisfies readonly KindDefinition[];

export type Kind = (typeof DEFINITIONS)[number]['kind'];

export const KINDS: readonly (KindDefinition & { readonly kind: Kind })[] = DEFINITIONS;

export const KIND_CODES = DEFINITIONS.map((definition) => definition.kind) as [Kind, ...Kind[]];

export function kindOf(kind: Kind): KindDefinition {
  return KINDS.find((definition) => definition.kind === kind)!;
}

/** The meter a kind's main quantity is entered by: what the ledger's one "use" cell edits. */
export function mainMeter(kind: Kind): MeterDefinition {
  return kindOf(kind).meters[0]!;
}
