/**
 * The flat form of a price book: one row for each rate, or for each tier of a graduated one, with everything about its
 * book, region and offer beside it. Columns are named as in FOCUS where FOCUS has one; the others begin with `x_`.
 */
import type { BookHeadRow } from './book-reader';
import type { OfferRow, RateRow, RegionRow } from '../price-book-schema';

export const CSV_COLUMNS = [
  'ProviderName',
  'BillingCurrency',
  'x_BookKey',
  'x_BookTitle',
  'x_MonthHours',
  'x_Revision',
  'x_EffectiveDate',
  'x_Source',
  'RegionId',
  'RegionName',
  'x_Country',
  'x_Area',
  'x_Latitude',
  'x_Longitude',
  'x_Carbon',
  'ServiceName',
  'SkuId',
  'x_SkuName',
  'x_Kind',
  'x_Family',
  'x_Processor',
  'x_VCpu',
  'x_MemoryGiB',
  'x_Gpu',
  'x_Burstable',
  'x_Lifecycle',
  'x_RetirementDate',
  'x_ReplacedBy',
  'x_Note',
  'SkuMeter',
  'x_Term',
  'PricingUnit',
  'x_TierUpTo',
  'ListUnitPrice',
  'x_UpfrontPrice',
  'x_Allowance',
  'x_Pool',
] as const;

export type CsvColumn = (typeof CSV_COLUMNS)[number];
export type CsvRecord = Readonly<Record<CsvColumn, string>>;

/** Columns that may be left out; the others must be there. */
export const OPTIONAL_COLUMNS: readonly CsvColumn[] = [
  'x_Area',
  'x_Carbon',
  'ServiceName',
  'x_Family',
  'x_Processor',
  'x_VCpu',
  'x_MemoryGiB',
  'x_Gpu',
  'x_Burstable',
  'x_Lifecycle',
  'x_RetirementDate',
  'x_ReplacedBy',
  'x_Note',
  'x_TierUpTo',
  'x_UpfrontPrice',
  'x_Allowance',
  'x_Pool',
];

/** The column of a field, so that a fault names what the person sees. */
export const COLUMN_OF: Readonly<Record<string, CsvColumn>> = {
  'book.key': 'x_BookKey',
  'book.title': 'x_BookTitle',
  'book.provider': 'ProviderName',
  'book.currency': 'BillingCurrency',
  'book.monthHours': 'x_MonthHours',
  'revision.number': 'x_Revision',
  'revision.effective': 'x_EffectiveDate',
  'revision.source': 'x_Source',
  'region.code': 'RegionId',
  'region.name': 'RegionName',
  'region.country': 'x_Country',
  'region.area': 'x_Area',
  'region.latitude': 'x_Latitude',
  'region.longitude': 'x_Longitude',
  'region.carbon': 'x_Carbon',
  'offer.sku': 'SkuId',
  'offer.name': 'x_SkuName',
  'offer.kind': 'x_Kind',
  'offer.service': 'ServiceName',
  'offer.family': 'x_Family',
  'offer.processor': 'x_Processor',
  'offer.vcpu': 'x_VCpu',
  'offer.memory': 'x_MemoryGiB',
  'offer.gpu': 'x_Gpu',
  'offer.burstable': 'x_Burstable',
  'offer.lifecycle': 'x_Lifecycle',
  'offer.retires': 'x_RetirementDate',
  'offer.replacedBy': 'x_ReplacedBy',
  'offer.note': 'x_Note',
  'rate.sku': 'SkuId',
  'rate.region': 'RegionId',
  'rate.meter': 'SkuMeter',
  'rate.term': 'x_Term',
  'rate.unit': 'PricingUnit',
  'rate.charge.price': 'ListUnitPrice',
  'rate.charge.tiers': 'x_TierUpTo',
  'rate.upfront': 'x_UpfrontPrice',
  'rate.allowance': 'x_Allowance',
  'rate.pool': 'x_Pool',
};

/** Columns that hold a person's words: guarded, so that no spreadsheet takes them for a formula. */
const WORDS: ReadonlySet<CsvColumn> = new Set([
  'ProviderName',
  'x_BookTitle',
  'x_Source',
  'RegionName',
  'x_Country',
  'ServiceName',
  'x_SkuName',
  'x_Family',
  'x_Processor',
  'x_Note',
]);
const GUARDED = /^'*[=+\-@\t\r]/;

export function guarded(column: CsvColumn, text: string): string {
  return WORDS.has(column) && GUARDED.test(text) ? `'${text}` : text;
}

export function unguarded(column: CsvColumn, text: string): string {
  return WORDS.has(column) && text.startsWith("'") && GUARDED.test(text) ? text.slice(1) : text;
}

const orNull = (text: string): string | null => (text === '' ? null : text);
/** Plain decimals only; anything else stays text and is refused where a number belongs. */
const orNumber = (text: string): number | string => (/^-?\d{1,15}(\.\d+)?$/.test(text) ? Number(text) : text);

const TRUTHS: ReadonlyMap<string, boolean> = new Map([
  ['true', true],
  ['yes', true],
  ['false', false],
  ['no', false],
  ['', false],
]);
/** As people and spreadsheets write it; anything else stays text and is refused. */
const orTruth = (text: string): boolean | string => TRUTHS.get(text.trim().toLowerCase()) ?? text;

export function headOf(record: CsvRecord): { book: unknown; revision: unknown } {
  return {
    book: {
      key: record.x_BookKey,
      title: record.x_BookTitle,
      provider: record.ProviderName,
      currency: record.BillingCurrency,
      monthHours: record.x_MonthHours,
    },
    revision: {
      number: orNumber(record.x_Revision),
      effective: record.x_EffectiveDate,
      source: record.x_Source,
    },
  };
}

export function regionOf(record: CsvRecord): unknown {
  return {
    code: record.RegionId,
    name: record.RegionName,
    country: record.x_Country,
    ...(record.x_Area ? { area: record.x_Area } : {}),
    latitude: orNumber(record.x_Latitude),
    longitude: orNumber(record.x_Longitude),
    carbon: record.x_Carbon === '' ? null : orNumber(record.x_Carbon),
  };
}

export function offerOf(record: CsvRecord): unknown {
  return {
    sku: record.SkuId,
    kind: record.x_Kind,
    name: record.x_SkuName,
    family: record.x_Family,
    processor: record.x_Processor,
    vcpu: orNull(record.x_VCpu),
    memory: orNull(record.x_MemoryGiB),
    burstable: orTruth(record.x_Burstable),
    lifecycle: record.x_Lifecycle || 'current',
    retires: orNull(record.x_RetirementDate),
    replacedBy: orNull(record.x_ReplacedBy),
    note: record.x_Note,
    ...(record.x_Gpu === '' ? {} : { gpu: record.x_Gpu }),
    ...(record.ServiceName === '' ? {} : { service: record.ServiceName }),
  };
}

/** One rate from its rows: one row is a price per unit, several are its tiers. */
export function rateOf(rows: readonly CsvRecord[]): unknown {
  const [first] = rows as [CsvRecord];
  const tiered = rows.length > 1 || first.x_TierUpTo !== '';
  return {
    sku: first.SkuId,
    region: first.RegionId,
    meter: first.SkuMeter,
    term: first.x_Term,
    unit: first.PricingUnit,
    charge: tiered
      ? {
          structure: 'graduated',
          tiers: rows.map((row) => ({ upTo: orNull(row.x_TierUpTo), price: row.ListUnitPrice })),
        }
      : { structure: 'per-unit', price: first.ListUnitPrice },
    upfront: orNull(first.x_UpfrontPrice),
    allowance: orNull(first.x_Allowance),
    pool: first.x_Pool || 'component',
  };
}

/** Whether the flat form can carry everything the rate, its offer and its region have. */
export function isFlat(rate: RateRow, offer: OfferRow, region: RegionRow): boolean {
  const { structure } = rate.charge;
  const flatCharge = structure === 'per-unit' || (structure === 'graduated' && rate.charge.tiers.length > 1);
  const plainRate = Object.keys(rate).length === 9;
  const rare = offer.capabilities ?? offer.attributes ?? offer.limits ?? offer.grants ?? region.bands;
  return flatCharge && plainRate && rare === undefined;
}

export function recordsOf(
  { book, revision }: BookHeadRow,
  region: RegionRow,
  offer: OfferRow,
  rate: RateRow,
): CsvRecord[] {
  const base = {
    ProviderName: book.provider,
    BillingCurrency: book.currency,
    x_BookKey: book.key,
    x_BookTitle: book.title,
    x_MonthHours: book.monthHours,
    x_Revision: String(revision.number),
    x_EffectiveDate: revision.effective,
    x_Source: revision.source,
    RegionId: region.code,
    RegionName: region.name,
    x_Country: region.country,
    x_Area: region.area ?? '',
    x_Latitude: String(region.latitude),
    x_Longitude: String(region.longitude),
    x_Carbon: region.carbon === null ? '' : String(region.carbon),
    ServiceName: offer.service ?? '',
    SkuId: offer.sku,
    x_SkuName: offer.name,
    x_Kind: offer.kind,
    x_Family: offer.family,
    x_Processor: offer.processor,
    x_VCpu: offer.vcpu ?? '',
    x_MemoryGiB: offer.memory ?? '',
    x_Gpu: offer.gpu ?? '',
    x_Burstable: String(offer.burstable),
    x_Lifecycle: offer.lifecycle,
    x_RetirementDate: offer.retires ?? '',
    x_ReplacedBy: offer.replacedBy ?? '',
    x_Note: offer.note,
    SkuMeter: rate.meter,
    x_Term: rate.term,
    PricingUnit: rate.unit,
    x_UpfrontPrice: rate.upfront ?? '',
    x_Allowance: rate.allowance ?? '',
    x_Pool: rate.pool,
  };
  const { charge } = rate;
  if (charge.structure === 'per-unit') return [{ ...base, x_TierUpTo: '', ListUnitPrice: charge.price }];
  if (charge.structure !== 'graduated') throw new Error(`the flat form has no ${charge.structure}`);
  return charge.tiers.map((tier) => ({ ...base, x_TierUpTo: tier.upTo ?? '', ListUnitPrice: tier.price }));
}
