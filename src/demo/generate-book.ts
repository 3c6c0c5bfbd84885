/**
 * The seeded generator of demo price books: profile × revision × seed → a price-book file, with the irregularities
 * of real lists (sizes that some regions do not sell, a family being retired, drift between revisions). The result
 * goes through the same import as anyone's file.
 */
import { Decimal, type Random, seededRandom } from '@/core/base';
import type { Payment } from '@/core/terms';
import type { OfferRow, PriceBookFile, RateRow } from '@/formats';
import type { FamilyProfile, ProviderProfile, TierProfile } from './provider-profile';
import { regionOf } from './regions';

export interface DemoRevision {
  readonly number: number;
  readonly effective: string;
}

export const DEMO_REVISIONS: readonly DemoRevision[] = [
  { number: 1, effective: '2026-05-01' },
  { number: 2, effective: '2026-11-01' },
];

type RegionProfile = ProviderProfile['regions'][number];

export function generateBook(
  profile: ProviderProfile,
  revision: DemoRevision,
  seed = 'skerrow',
): PriceBookFile {
  const random = seededRandom(`${seed}/${profile.key}`);
  const servers = profile.families.flatMap((family) => family.sizes.map((size) => ({ family, size })));
  const rates: RateRow[] = [];
  for (const { family, size } of servers) {
    const wobble = 1 + (random.next() - 0.5) * 0.02;
    for (const region of profile.regions) {
      if (!isSold(family, size, region, random)) continue;
      const drift = revision.number > 1 ? family.drift : 1;
      const hourly =
        (family.vcpuHour * size + family.gibHour * memoryOf(family, size)) * region.factor * wobble * drift;
      rates.push(...serverRates(profile, family, size, region, hourly));
    }
  }
  for (const region of profile.regions) rates.push(...otherRates(profile, region, revision));
  return {
    format: 'wick-price-book',
    version: 1,
    book: {
      key: profile.key,
      title: profile.provider,
      provider: profile.provider,
      currency: 'USD',
      monthHours: profile.monthHours,
    },
    revision: {
      number: revision.number,
      effective: revision.effective,
      source: `${profile.provider} list of ${revision.effective}, made for the demo`,
    },
    regions: profile.regions.map((region) => regionOf(region.water, region.code)),
    offers: [
      ...servers.map(({ family, size }) => serverOffer(profile, family, size)),
      ...otherOffers(profile),
    ],
    rates,
  };
}

function memoryOf(family: FamilyProfile, size: number): number {
  return Math.round(size * family.memoryPerVcpu);
}

function serverSku(profile: ProviderProfile, family: FamilyProfile, size: number): string {
  return `${profile.skuPrefix}-${family.code}-${size}-${memoryOf(family, size)}`.toUpperCase();
}

function serverOffer(profile: ProviderProfile, family: FamilyProfile, size: number): OfferRow {
  const successor = family.retires && { ...family, code: family.retires.successor };
  return {
    sku: serverSku(profile, family, size),
    kind: 'server',
    name: `${family.code}-${size}-${memoryOf(family, size)}`,
    family: family.name,
    processor: family.processor,
    vcpu: String(size),
    memory: String(memoryOf(family, size)),
    burstable: family.burstable ?? false,
    lifecycle: family.retires ? 'retiring' : 'current',
    retires: family.retires?.date ?? null,
    replacedBy: successor ? serverSku(profile, successor, size) : null,
    note: '',
  };
}

/** Large sizes are missing here and there; some families are sold in few places. Always draws, so that the sequence is fixed. */
function isSold(family: FamilyProfile, size: number, region: RegionProfile, random: Random): boolean {
  const draw = random.next();
  if (family.onlyIn && !family.onlyIn.includes(region.water)) return false;
  if (size >= 80) return draw > 0.6;
  if (size >= 48) return draw > 0.2;
  return draw > 0.02;
}

function serverRates(
  profile: ProviderProfile,
  family: FamilyProfile,
  size: number,
  region: RegionProfile,
  hourly: number,
): RateRow[] {
  const base = {
    sku: serverSku(profile, family, size),
    region: region.code,
    meter: 'running',
    allowance: null,
    pool: 'component' as const,
  };
  const perUnit = profile.serverUnit === 'second' ? hourly / 3600 : hourly;
  const rows: RateRow[] = [
    {
      ...base,
      term: 'on-demand',
      unit: profile.serverUnit,
      charge: { structure: 'per-unit', price: price(perUnit, profile.serverUnit === 'second' ? 10 : 6) },
      upfront: null,
    },
  ];
  if (family.retires) return rows;
  for (const months of [12, 36] as const) {
    const discounts = Object.entries(profile.commitments[months] ?? {}) as [Payment, number][];
    for (const [payment, discount] of discounts) {
      const effective = hourly * (1 - discount);
      const shareUpfront = { none: 0, part: 0.5, all: 1 }[payment];
      const upfront = payment === 'none' ? null : price(effective * shareUpfront * 730 * months, 2);
      const recurring = price(effective * (1 - shareUpfront), 6);
      rows.push({
        ...base,
        term: `${months}-${payment}`,
        unit: 'hour',
        charge: { structure: 'per-unit', price: recurring },
        upfront,
      });
    }
  }
  return rows;
}

function otherOffers(profile: ProviderProfile): OfferRow[] {
  const base = {
    family: '',
    processor: '',
    vcpu: null,
    memory: null,
    burstable: false,
    lifecycle: 'current' as const,
    retires: null,
    replacedBy: null,
  };
  return [
    ...profile.volumes.map((each) => ({
      ...base,
      sku: otherSku(profile, each.code),
      kind: 'block-volume' as const,
      name: each.name,
      note: each.note,
    })),
    ...profile.stores.map((each) => ({
      ...base,
      sku: otherSku(profile, each.code),
      kind: 'object-store' as const,
      name: each.name,
      note: each.note,
    })),
    {
      ...base,
      sku: otherSku(profile, profile.transfer.code),
      kind: 'transfer-out',
      name: profile.transfer.name,
      note: '',
    },
  ];
}

function otherSku(profile: ProviderProfile, code: string): string {
  return `${profile.skuPrefix}-${code}`.toUpperCase();
}

function otherRates(profile: ProviderProfile, region: RegionProfile, revision: DemoRevision): RateRow[] {
  const base = { region: region.code, term: 'on-demand' as const, upfront: null, allowance: null };
  const rows: RateRow[] = [];
  for (const volume of profile.volumes) {
    const charge = { structure: 'per-unit' as const, price: price(volume.perGibMonth * region.factor, 6) };
    rows.push({
      ...base,
      sku: otherSku(profile, volume.code),
      meter: 'capacity',
      unit: 'GiB-month',
      charge,
      pool: 'component',
    });
  }
  for (const store of profile.stores) {
    const sku = otherSku(profile, store.code);
    const factor = region.factor * (revision.number > 1 ? store.drift : 1);
    const perRequest = (each: number) => ({
      structure: 'per-unit' as const,
      price: price(each * region.factor, 8),
    });
    rows.push(
      {
        ...base,
        sku,
        meter: 'stored',
        unit: store.unit,
        charge: charged(store.stored, factor),
        pool: 'region',
      },
      {
        ...base,
        sku,
        meter: 'writes',
        unit: store.requestUnit,
        charge: perRequest(store.write),
        pool: 'component',
      },
      {
        ...base,
        sku,
        meter: 'reads',
        unit: store.requestUnit,
        charge: perRequest(store.read),
        pool: 'component',
      },
    );
  }
  const { transfer } = profile;
  rows.push({
    ...base,
    sku: otherSku(profile, transfer.code),
    meter: 'transferred',
    unit: transfer.unit,
    charge: charged(transfer.tiers, region.factor),
    allowance: transfer.allowance,
    pool: 'region',
  });
  return rows;
}

function charged(tiers: readonly TierProfile[], factor: number): RateRow['charge'] {
  if (tiers.length === 1) return { structure: 'per-unit', price: price(tiers[0]!.price * factor, 6) };
  return {
    structure: 'graduated',
    tiers: tiers.map((tier) => ({ upTo: tier.upTo, price: price(tier.price * factor, 6) })),
  };
}

function price(value: number, digits: number): string {
  return new Decimal(value).toDecimalPlaces(digits).toString();
}
