/** Bills as FOCUS CSV: what is expected of a design, and what the stand-in of a billing feed delivers. */
import { stringify } from 'csv-stringify/sync';
import { defused } from '@/platform/formats/defused';
import { type BillHead, type ChargedRow, dayAfter } from '@/features/bills/calc';

const COLUMNS = [
  'BilledCost',
  'BillingAccountId',
  'BillingCurrency',
  'BillingPeriodEnd',
  'BillingPeriodStart',
  'ChargeCategory',
  'ChargeClass',
  'ChargeDescription',
  'ChargeFrequency',
  'ChargePeriodEnd',
  'ChargePeriodStart',
  'CommitmentDiscountId',
  'CommitmentDiscountStatus',
  'ConsumedQuantity',
  'ConsumedUnit',
  'ContractedCost',
  'ContractedUnitPrice',
  'EffectiveCost',
  'ListCost',
  'ListUnitPrice',
  'PricingQuantity',
  'PricingUnit',
  'ProviderName',
  'RegionId',
  'ResourceId',
  'ResourceName',
  'ServiceName',
  'SkuId',
  'SkuMeter',
  'SubAccountId',
  'Tags',
] as const;

const AT_ONCE = 1000;

/** In parts; text that a spreadsheet would take for a formula is defused, amounts are left as they are. */
export function* billCsv(head: BillHead, rows: Iterable<ChargedRow>): Generator<string> {
  yield `${COLUMNS.join(',')}\r\n`;
  let batch: string[][] = [];
  for (const row of rows) {
    batch.push(cellsOf(head, row));
    if (batch.length < AT_ONCE) continue;
    yield written(batch);
    batch = [];
  }
  if (batch.length > 0) yield written(batch);
}

const written = (rows: readonly string[][]): string =>
  stringify([...rows], {
    record_delimiter: 'windows',
    cast: { string: defused },
  });

const midnight = (day: string): string => `${day}T00:00:00Z`;

function cellsOf(head: BillHead, row: ChargedRow): string[] {
  const isUse = row.category === 'Usage';
  const cells: Record<(typeof COLUMNS)[number], string> = {
    BilledCost: row.billed,
    BillingAccountId: head.account,
    BillingCurrency: head.currency,
    BillingPeriodEnd: midnight(head.to),
    BillingPeriodStart: midnight(head.from),
    ChargeCategory: row.category,
    ChargeClass: row.isCorrection ? 'Correction' : '',
    ChargeDescription: row.description,
    ChargeFrequency: isUse ? 'Usage-Based' : 'One-Time',
    ChargePeriodEnd: midnight(dayAfter(row.day)),
    ChargePeriodStart: midnight(row.day),
    CommitmentDiscountId: row.commitment,
    CommitmentDiscountStatus: row.commitmentStatus ?? '',
    ConsumedQuantity: row.quantity ?? '',
    ConsumedUnit: row.unit,
    ContractedCost: row.contracted,
    ContractedUnitPrice: row.contractedUnitPrice ?? '',
    EffectiveCost: row.effective,
    ListCost: row.list,
    ListUnitPrice: row.listUnitPrice ?? '',
    PricingQuantity: row.quantity ?? '',
    PricingUnit: row.unit,
    ProviderName: head.provider,
    RegionId: row.region,
    ResourceId: row.resource,
    ResourceName: row.resourceName,
    ServiceName: row.service,
    SkuId: row.sku,
    SkuMeter: row.meter,
    SubAccountId: row.account,
    Tags: JSON.stringify(row.tags),
  };
  return COLUMNS.map((column) => cells[column]);
}
