/** What a row of FOCUS says of its charge. */
import { type BillSaid, CHARGE_CATEGORIES, type ChargeCategory } from '@/features/bills/calc';
import { cut } from '@/engine/base';
import { amountCell } from './cells';
import { columnOf, type FocusColumn } from './columns';

export type SaidRead =
  | {
      readonly said: BillSaid;
      readonly unknown: readonly { readonly column: FocusColumn; readonly value: string }[];
    }
  | { readonly fault: string; readonly column: FocusColumn };

const LONGEST = 500;
const MOST_TAGS = 100;

const isCategory = (text: string): text is ChargeCategory =>
  (CHARGE_CATEGORIES as readonly string[]).includes(text);

export function saidOf(at: (name: FocusColumn) => string, isConsumed: boolean): SaidRead {
  const text = (name: FocusColumn): string => cut(at(name).trim(), LONGEST);
  const category = text('ChargeCategory');
  if (!isCategory(category))
    return {
      column: 'ChargeCategory',
      fault: `“${cut(category, 40)}” is no category of charges; they are ${CHARGE_CATEGORIES.join(', ')}`,
    };
  const tags = tagsOf(at('Tags'));
  if (tags === null) return { column: 'Tags', fault: 'tags are written as a JSON object of texts' };
  const unknown: { column: FocusColumn; value: string }[] = [];
  const noteUnknown = (column: FocusColumn): void => {
    const value = text(column);
    const { values } = columnOf(column);
    if (value !== '' && values && !values.includes(value)) unknown.push({ column, value: cut(value, 60) });
  };
  for (const column of ['CommitmentDiscountStatus', 'CommitmentDiscountCategory', 'PricingCategory'] as const)
    noteUnknown(column);
  const charged = text('ChargeClass');
  if (charged !== '' && charged !== 'Correction')
    unknown.push({ column: 'ChargeClass', value: cut(charged, 60) });
  const status = text('CommitmentDiscountStatus');
  return {
    unknown,
    said: {
      category,
      isCorrection: charged === 'Correction',
      service: text('ServiceName'),
      sku: text('SkuId'),
      meter: text('SkuMeter'),
      region: text('RegionId'),
      account: text('SubAccountId'),
      resource: text('ResourceId'),
      resourceName: text('ResourceName'),
      description: text('ChargeDescription'),
      tags,
      unit: text(isConsumed ? 'ConsumedUnit' : 'PricingUnit'),
      listUnitPrice: amountCell(at('ListUnitPrice')),
      contractedUnitPrice: amountCell(at('ContractedUnitPrice')),
      commitment: text('CommitmentDiscountId'),
      commitmentStatus: status === 'Used' || status === 'Unused' ? status : null,
    },
  };
}

/** Null: not of that form. */
function tagsOf(text: string): Readonly<Record<string, string>> | null {
  const trimmed = text.trim();
  if (trimmed === '') return {};
  let read: unknown;
  try {
    read = JSON.parse(trimmed);
  } catch {
    return null;
  }
  if (read === null) return {};
  if (typeof read !== 'object' || Array.isArray(read)) return null;
  const entries = Object.entries(read);
  if (entries.length > MOST_TAGS) return null;
  const texts = entries.map(([key, value]): [string, string] | null =>
    value !== null && typeof value === 'object'
      ? null
      : [cut(key, 200), cut(value === null ? '' : String(value), LONGEST)],
  );
  return texts.includes(null) ? null : Object.fromEntries(texts as [string, string][]);
}
