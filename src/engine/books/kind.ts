/**
 * Kinds are data: what an offer neutrally is, which meters it is billed by, and what a person enters for each. A new
 * kind is a new entry in `kinds/`; no screen and no formula changes. Source: product description, "Objects".
 */
import { AROUND } from './kinds/around';
import { COMPUTE } from './kinds/compute';
import { DATA } from './kinds/data';
import { type KindDefinition, type MeterDefinition, type Role, running } from './kinds/definition';
import { NETWORK } from './kinds/network';
import { STORAGE } from './kinds/storage';

export type { KindDefinition, MeterDefinition, Role } from './kinds/definition';

const DEFINITIONS = [...COMPUTE, ...STORAGE, ...DATA, ...NETWORK, ...AROUND] as const;

export type Kind = (typeof DEFINITIONS)[number]['kind'];

export const KINDS: readonly (KindDefinition & { readonly kind: Kind })[] = DEFINITIONS;

export const KIND_CODES = DEFINITIONS.map((definition) => definition.kind) as [Kind, ...Kind[]];

const byCode = new Map<string, KindDefinition>(KINDS.map((definition) => [definition.kind, definition]));

/**
 * @example
 * kindOf('server').label; // => 'Server'
 */
export function kindOf(kind: Kind): KindDefinition {
  return byCode.get(kind)!;
}

/**
 * The meter a kind's main quantity is entered by: what the ledger's one "use" cell edits. Own lines have none.
 *
 * @example
 * mainMeter('block-volume')?.meter; // => 'capacity'
 */
export function mainMeter(kind: Kind): MeterDefinition | null {
  return kindOf(kind).meters.find((meter) => meter.from !== 'count' && meter.from !== 'spend') ?? null;
}

/**
 * What a line of the kind does in a design.
 *
 * @example
 * roleOf('prepaid-credit'); // => 'prepaid-credit'
 */
export function roleOf(kind: Kind): Role {
  return kindOf(kind).role;
}

/** Licences that run on a machine are meters of it: `licence.` and the product's code. */
export const LICENCE_METER = /^licence\.([A-Za-z0-9][A-Za-z0-9._-]*)$/;

/**
 * @example
 * licenceMeter('halden-db'); // => 'licence.halden-db'
 */
export function licenceMeter(product: string): string {
  return `licence.${product}`;
}

/**
 * A meter of a kind by its code; undefined: the kind is not billed so.
 *
 * @example
 * meterOfKind('object-store', 'reads')?.label; // => 'Read requests'
 */
export function meterOfKind(kind: Kind, meter: string): MeterDefinition | undefined {
  const definition = kindOf(kind);
  const product = definition.licensable ? LICENCE_METER.exec(meter)?.[1] : undefined;
  return product
    ? running(meter, `Licence ${product}`)
    : definition.meters.find((each) => each.meter === meter);
}
