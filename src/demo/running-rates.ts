/** Offers and rates of everything that runs by the hour in sizes: servers, databases, caches, hosts. */
import { commitmentOf } from '@/engine/terms';
import type { OfferRow, RateRow } from '@/features/price-books/format/price-book-schema';
import { price } from './charges';
import type { FamilyProfile, ProviderProfile, TermProfile } from './provider-profile';

export function memoryOf(family: FamilyProfile, size: number): number {
  return Math.round(size * family.memoryPerVcpu);
}

export function skuOf(profile: ProviderProfile, family: FamilyProfile, size: number): string {
  return `${profile.skuPrefix}-${family.code}-${size}-${memoryOf(family, size)}`.toUpperCase();
}

export function offerOf(profile: ProviderProfile, family: FamilyProfile, size: number): OfferRow {
  const successor = family.retires && { ...family, code: family.retires.successor };
  const gpus = family.gpu && Math.round((family.gpu.each * size) / family.sizes[0]!);
  return {
    sku: skuOf(profile, family, size),
    kind: family.kind ?? 'server',
    name: `${family.code}-${size}-${memoryOf(family, size)}`,
    family: family.name,
    processor: family.processor,
    vcpu: String(size),
    memory: String(memoryOf(family, size)),
    burstable: family.burstable ?? false,
    lifecycle: family.retires ? 'retiring' : 'current',
    retires: family.retires?.date ?? null,
    replacedBy: successor ? skuOf(profile, successor, size) : null,
    note: '',
    ...(gpus ? { gpu: String(gpus) } : {}),
    ...family.more,
  };
}

/** On demand and every other way of paying, and the licences that can run on it. */
export function runningRates(
  profile: ProviderProfile,
  family: FamilyProfile,
  size: number,
  region: string,
  hourly: number,
): RateRow[] {
  const base = {
    sku: skuOf(profile, family, size),
    region,
    meter: 'running',
    upfront: null,
    allowance: null,
    pool: 'component' as const,
  };
  const isServer = !family.kind;
  const unit = isServer ? profile.serverUnit : 'hour';
  const { rate: habit, capHours } = (isServer && profile.habits) || {};
  const rows: RateRow[] = [
    {
      ...base,
      term: 'on-demand',
      unit,
      charge: { structure: 'per-unit', price: price(unit === 'second' ? hourly / 3600 : hourly) },
      ...habit,
      ...(capHours ? { monthlyCap: price(hourly * capHours, 4) } : {}),
    },
  ];
  if (family.retires) return rows;
  for (const each of profile.terms) {
    // Databases and caches are neither interruptible nor exchangeable.
    if (!isServer && !/^(12|36)-(none|part|all)$/.test(each.term)) continue;
    rows.push(termRate(base, each, hourly));
  }
  if (!isServer) return rows;
  for (const { product, coreHour, least } of profile.licences ?? []) {
    rows.push({
      ...base,
      meter: `licence.${product}`,
      term: 'on-demand',
      unit: 'core-hour',
      charge: { structure: 'per-unit', price: price(coreHour) },
      ...(least ? { minimums: { each: least, count: null, total: null, keptDays: null } } : {}),
    });
  }
  return rows;
}

function termRate(
  base: Omit<RateRow, 'term' | 'unit' | 'charge'>,
  { term, discount, early, range }: TermProfile,
  hourly: number,
): RateRow {
  const effective = hourly * (1 - discount);
  const commitment = commitmentOf(term);
  const ahead =
    commitment && !term.startsWith('spend-') ? { none: 0, part: 0.5, all: 1 }[commitment.payment] : 0;
  const upfront = ahead > 0 ? price(effective * ahead * 730 * commitment!.months, 7) : null;
  return {
    ...base,
    term,
    unit: 'hour',
    charge: { structure: 'per-unit', price: price(effective * (1 - ahead), 6) },
    upfront,
    ...(early && !term.startsWith('spend-') ? { early } : {}),
    ...(range
      ? { range: { low: price(effective * range[0], 6), high: price(effective * range[1], 6) } }
      : {}),
  };
}
