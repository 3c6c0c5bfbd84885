/** What was paid for a unit as a price list, in columns that a map can name. */
import { stringify } from 'csv-stringify/sync';
import type { PaidRate } from '@/features/bills/calc';

const COLUMNS = [
  'SkuId',
  'Description',
  'ServiceName',
  'RegionId',
  'SkuMeter',
  'PricingUnit',
  'ListUnitPrice',
  'ContractedUnitPrice',
  'PricingQuantity',
] as const;

export function paidRatesCsv(rates: readonly PaidRate[]): string {
  return stringify(
    [
      [...COLUMNS],
      ...rates.map(({ sku, description, service, region, meter, unit, list, contracted, quantity }) => [
        ...[sku, description, service, region, meter, unit],
        ...[list?.price ?? '', contracted?.price ?? '', quantity],
      ]),
    ],
    { escape_formulas: true },
  );
}
