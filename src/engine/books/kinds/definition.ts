/**
 * What a kind says about itself: which meters bill it, what a person enters for each, and what may be asked of an
 * offer. Categories are FOCUS service categories (FOCUS 1.x, ServiceCategory).
 */
export type ServiceCategory =
  | 'Analytics'
  | 'Business Applications'
  | 'Compute'
  | 'Databases'
  | 'Identity'
  | 'Integration'
  | 'Management and Governance'
  | 'Networking'
  | 'Security'
  | 'Storage'
  | 'Web'
  | 'Other';

/**
 * Where a meter's quantity comes from: `running` time of the units (times their vCPU, memory or GPU where the rate is
 * per such unit), `held` all month, used `monthly`, the `count` of units itself, `capacity` units hour by hour under a
 * load, `runs` (events × duration × size), `spend` of other components, money committed `per-hour`.
 */
export type MeterSource =
  'running' | 'held' | 'monthly' | 'count' | 'capacity' | 'runs' | 'spend' | 'per-hour';

/** What a meter can be worked out from when nothing is entered: the component's load. */
export type Derivation = 'monthly-requests' | 'reply-transfer' | 'exchange-transfer';

export interface MeterDefinition {
  readonly meter: string;
  readonly label: string;
  /** Unit in which a person enters it by default. */
  readonly enteredIn: string;
  readonly from: MeterSource;
  /** Without it the component cannot be priced; otherwise a missing value counts as none and says so. */
  readonly required: boolean;
  /** What makes it grow over the months: traffic (seasons and campaigns too), stock, or nothing. */
  readonly follows: 'traffic' | 'stock' | 'nothing';
  readonly derived?: Derivation;
}

/**
 * What a line of the kind does in a design: it is a `part` of what is built; an `own-line` with charges of its own; money
 * paid ahead that pays others (`prepaid-credit`) or committed for every hour (`spend-commitment`); or a `share-of-spend`
 * of others.
 */
export type Role = 'part' | 'own-line' | 'prepaid-credit' | 'spend-commitment' | 'share-of-spend';

export interface KindDefinition {
  readonly kind: string;
  readonly label: string;
  readonly plural: string;
  readonly serviceCategory: ServiceCategory;
  /** What one counts: "servers", "volumes". */
  readonly unitName: string;
  readonly purpose: string;
  readonly meters: readonly MeterDefinition[];
  /** Sold with commitments. */
  readonly committable: boolean;
  /** `fixed`: offers have a vCPU and memory size; `free`: the size is set with the component; `none`: neither. */
  readonly size: 'fixed' | 'free' | 'none';
  /** Whether licences (operating system, engine) can run on it. */
  readonly licensable: boolean;
  readonly role: Role;
  /** Whether prepaid credit pays its use. */
  readonly paidByCredit: boolean;
  /** Offers can be ranked by the price of their main meter alone: nothing else of them costs anything on demand. */
  readonly ranked: boolean;
}

type Meter = (
  meter: string,
  label: string,
  enteredIn?: string,
  more?: Partial<MeterDefinition>,
) => MeterDefinition;

function meterOf(
  from: MeterSource,
  unit: string,
  follows: MeterDefinition['follows'],
  required = false,
): Meter {
  return (meter, label, enteredIn = unit, more = {}) => ({
    meter,
    label,
    enteredIn,
    from,
    required,
    follows,
    ...more,
  });
}

export const running = meterOf('running', 'hour', 'nothing');
export const held = meterOf('held', 'GB', 'stock');
export const monthly = meterOf('monthly', 'request', 'traffic');
export const capacity = meterOf('capacity', 'unit', 'nothing');
export const runs = meterOf('runs', 'request', 'traffic');
export const required = { required: true } as const;

/** A monthly fee and a one-time fee for each unit, where the book has them. */
export const FEES: readonly MeterDefinition[] = [
  meterOf('count', 'month', 'nothing')('fee', 'Monthly fee', 'month'),
  meterOf('count', 'month', 'nothing')('set-up', 'One-time fee', 'month'),
];
export const countMeter = meterOf('count', 'month', 'nothing');
export const spendMeter = meterOf('spend', 'money', 'nothing');
export const perHourMeter = meterOf('per-hour', 'money', 'nothing');

interface Traits {
  readonly committable?: boolean;
  readonly size?: KindDefinition['size'];
  readonly licensable?: boolean;
  readonly fees?: boolean;
  readonly role?: Role;
  readonly paidByCredit?: boolean;
  readonly ranked?: boolean;
}

/** One entry: kind, label, plural, FOCUS category, what one counts, what it is for, meters. */
export function kind<const K extends string>(
  code: K,
  [label, plural, unitName]: readonly [string, string, string],
  serviceCategory: ServiceCategory,
  purpose: string,
  meters: readonly MeterDefinition[],
  traits: Traits = {},
): KindDefinition & { readonly kind: K } {
  const { committable = false, size = 'none', licensable = false, fees = true } = traits;
  const { role = 'part', ranked = false } = traits;
  return {
    kind: code,
    label,
    plural,
    serviceCategory,
    unitName,
    purpose,
    meters: fees ? [...meters, ...FEES] : meters,
    committable,
    size,
    licensable,
    role,
    paidByCredit: traits.paidByCredit ?? (role === 'part' || role === 'share-of-spend'),
    ranked,
  };
}
