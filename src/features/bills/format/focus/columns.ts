/** The columns of FOCUS 1.0 to 1.2 that a bill is read from, and what each of them missing means for the numbers. */

export type FocusVersion = '1.0' | '1.1' | '1.2';

interface ColumnOfFocus {
  readonly since: FocusVersion;
  /** The specification lets it be null. */
  readonly mayBeNull: boolean;
  readonly values?: readonly string[];
  /** Without it nothing adds up: the file is refused. */
  readonly needed?: true;
  /** What it means for the numbers when it is missing or empty. */
  readonly without?: string;
}

const given = (mayBeNull: boolean, without?: string): ColumnOfFocus => ({
  since: '1.0',
  mayBeNull,
  ...(without !== undefined && { without }),
});
const needed = (values?: readonly string[]): ColumnOfFocus => ({
  ...{ since: '1.0', mayBeNull: false, needed: true },
  ...(values && { values }),
});
const later = (since: FocusVersion, mayBeNull = true): ColumnOfFocus => ({ since, mayBeNull });

const BY_SERVICE = 'such rows cannot be told apart by it, nor put to a component by a rule that names it';

export const FOCUS_COLUMNS = {
  BilledCost: needed(),
  BillingCurrency: needed(),
  BillingPeriodStart: needed(),
  BillingPeriodEnd: needed(),
  ChargePeriodStart: needed(),
  ChargeCategory: needed(['Usage', 'Purchase', 'Tax', 'Credit', 'Adjustment']),
  EffectiveCost: given(false, 'the billed cost stands in: payments in advance are not spread'),
  ContractedCost: given(false, 'the billed cost stands in: nothing can be said about agreements'),
  ListCost: given(false, 'the contracted cost stands in: no discount can be told'),
  BillingAccountId: given(false, 'all rows are taken as of one account'),
  ProviderName: given(false, 'the provider is called “unnamed”'),
  ServiceName: given(false, BY_SERVICE),
  ChargeClass: given(true),
  ChargeDescription: given(true, BY_SERVICE),
  ChargePeriodEnd: given(false, 'each row counts on its first day'),
  ChargeFrequency: given(false),
  PricingQuantity: given(
    true,
    'the consumed quantity stands in; without it price and quantity cannot be told apart',
  ),
  PricingUnit: given(true),
  ConsumedQuantity: given(true),
  ConsumedUnit: given(true),
  ListUnitPrice: given(true, 'no list price can be read from it'),
  ContractedUnitPrice: given(true, 'no price that is really paid can be read from it'),
  RegionId: given(true, BY_SERVICE),
  ResourceId: given(true, BY_SERVICE),
  ResourceName: given(true),
  SkuId: given(true, BY_SERVICE),
  SubAccountId: given(true, BY_SERVICE),
  Tags: given(true, 'no rule can go by a tag'),
  CommitmentDiscountId: given(true),
  CommitmentDiscountStatus: { since: '1.0', mayBeNull: true, values: ['Used', 'Unused'] },
  SkuMeter: later('1.1'),
  // Read over: nothing is worked out of them.
  AvailabilityZone: given(true),
  BillingAccountName: given(true),
  CommitmentDiscountCategory: { since: '1.0', mayBeNull: true, values: ['Usage', 'Spend'] },
  CommitmentDiscountName: given(true),
  CommitmentDiscountType: given(true),
  InvoiceIssuerName: given(false),
  PricingCategory: {
    since: '1.0',
    mayBeNull: true,
    values: ['Standard', 'Dynamic', 'Committed', 'Other'],
  },
  PublisherName: given(false),
  RegionName: given(true),
  ResourceType: given(true),
  ServiceCategory: given(false),
  SkuPriceId: given(true),
  SubAccountName: given(true),
  CapacityReservationId: later('1.1'),
  CapacityReservationStatus: later('1.1'),
  CommitmentDiscountQuantity: later('1.1'),
  CommitmentDiscountUnit: later('1.1'),
  ServiceSubcategory: later('1.1', false),
  SkuPriceDetails: later('1.1'),
  BillingAccountType: later('1.2'),
  SubAccountType: later('1.2'),
  InvoiceId: later('1.2'),
  PricingCurrency: later('1.2'),
  PricingCurrencyContractedUnitPrice: later('1.2'),
  PricingCurrencyEffectiveCost: later('1.2'),
  PricingCurrencyListUnitPrice: later('1.2'),
} as const satisfies Record<string, ColumnOfFocus>;

export type FocusColumn = keyof typeof FOCUS_COLUMNS;

export const COLUMN_NAMES = Object.keys(FOCUS_COLUMNS) as readonly FocusColumn[];

export const columnOf = (name: FocusColumn): ColumnOfFocus => FOCUS_COLUMNS[name];

export const isFocusColumn = (name: string): name is FocusColumn => Object.hasOwn(FOCUS_COLUMNS, name);

/** The newest that any of its columns comes from. */
export function versionOf(names: readonly string[]): FocusVersion {
  const since = names.filter(isFocusColumn).map((name) => columnOf(name).since);
  return since.includes('1.2') ? '1.2' : since.includes('1.1') ? '1.1' : '1.0';
}
