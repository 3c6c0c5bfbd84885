/**
 * The seeded generator of demo price books: profile × revision × seed → a price book, with the irregularities of real
 * lists (sizes that some regions do not sell, a family being retired, drift between revisions). It can go on inventing
 * families until a book has as many rates as are wanted. The result goes through the same import as anyone's file.
 */
import { type Random, seededRandom } from '@/engine/base';
import type {
  OfferRow,
  PriceBookFile,
  RateRow,
  RegionRow,
} from '@/features/price-books/format/price-book-schema';
import type { FamilyProfile, ProviderProfile, ServiceProfile, ServiceRate } from './provider-profile';
import { regionOf } from './regions';
import { memoryOf, offerOf, runningRates, skuOf } from './running-rates';

export interface DemoRevision {
  readonly number: number;
  readonly effective: string;
}

export const DEMO_REVISIONS: readonly DemoRevision[] = [
  { number: 1, effective: '2026-05-01' },
  { number: 2, effective: '2026-11-01' },
];

type RegionProfile = ProviderProfile['regions'][number];

export interface GeneratorOptions {
  readonly seed?: string;
  /** At least so many rates: more generations of the same families are invented. */
  readonly leastRates?: number;
}

/** The pieces of a book; rates come one offer at a time, so that a large book needs little memory. */
export interface GeneratedBook {
  readonly head: Pick<PriceBookFile, 'book' | 'revision'>;
  readonly regions: RegionRow[];
  readonly offers: OfferRow[];
  rates(): Generator<RateRow[]>;
}

export function generatePieces(
  profile: ProviderProfile,
  revision: DemoRevision,
  { seed = 'skerrow', leastRates = profile.leastRates ?? 0 }: GeneratorOptions = {},
): GeneratedBook {
  const services = profile.services.filter((each) => !each.isNew || revision.number > 1);
  const families = enoughFamilies(profile, leastRates);
  return {
    head: {
      book: {
        key: profile.key,
        title: profile.provider,
        provider: profile.provider,
        currency: profile.currency,
        monthHours: profile.monthHours,
      },
      revision: {
        number: revision.number,
        effective: revision.effective,
        source: `${profile.provider} list of ${revision.effective}, made for the demo`,
      },
    },
    regions: profile.regions.map(({ water, code, bands }) => ({
      ...regionOf(water, code),
      ...(bands ? { bands } : {}),
    })),
    offers: [
      ...families.flatMap((family) => family.sizes.map((size) => offerOf(profile, family, size))),
      ...services.map((service) => serviceOffer(profile, service)),
    ],
    *rates() {
      const random = seededRandom(`${seed}/${profile.key}`);
      for (const family of families) {
        for (const size of family.sizes) yield familyRates(profile, family, size, revision, random);
      }
      for (const service of services) yield serviceRates(profile, service, revision);
    },
  };
}

export function generateBook(
  profile: ProviderProfile,
  revision: DemoRevision,
  options: GeneratorOptions = {},
): PriceBookFile {
  const pieces = generatePieces(profile, revision, options);
  return {
    format: 'wick-price-book',
    version: 1,
    ...pieces.head,
    regions: pieces.regions,
    offers: pieces.offers,
    rates: [...pieces.rates()].flat(),
  };
}

/** The profile's families, and further generations of them until there are enough rates. */
function enoughFamilies(profile: ProviderProfile, leastRates: number): FamilyProfile[] {
  const perOffer = (family: FamilyProfile): number =>
    (1 +
      (family.retires ? 0 : profile.terms.length) +
      (family.kind ? 0 : (profile.licences ?? []).length) +
      (family.extra?.length ?? 0)) *
    (family.onlyIn?.length ?? profile.regions.length);
  const families = [...profile.families];
  // Sizes are missing here and there: counting four of five is surely enough.
  const count = (all: readonly FamilyProfile[]): number =>
    all.reduce((sum, family) => sum + family.sizes.length * perOffer(family), 0) * 0.8;
  for (let generation = 2; count(families) < leastRates; generation += 1) {
    for (const family of profile.families) {
      if (family.retires) continue;
      families.push({
        ...family,
        code: `${family.code}${generation}`,
        name: `${family.name}, generation ${generation}`,
        vcpuHour: family.vcpuHour * (1 + generation / 500),
      });
      if (count(families) >= leastRates) break;
    }
  }
  return families;
}

function familyRates(
  profile: ProviderProfile,
  family: FamilyProfile,
  size: number,
  revision: DemoRevision,
  random: Random,
): RateRow[] {
  const wobble = 1 + (random.next() - 0.5) * 0.02;
  const drift = revision.number > 1 ? family.drift : 1;
  return profile.regions.flatMap((region) => {
    if (!isSold(family, size, region, random)) return [];
    const gpus = family.gpu ? (family.gpu.each * size) / family.sizes[0]! : 0;
    const parts =
      family.vcpuHour * size + family.gibHour * memoryOf(family, size) + (family.gpu?.hour ?? 0) * gpus;
    const level = region.factor * drift;
    const sku = skuOf(profile, family, size);
    return [
      ...runningRates(profile, family, size, region.code, parts * level * wobble),
      ...(family.extra ?? []).map((rate) => serviceRate(sku, region.code, rate, level)),
    ];
  });
}

/** Large sizes are missing here and there; some families are sold in few places. Always draws, so that the sequence is fixed. */
function isSold(family: FamilyProfile, size: number, region: RegionProfile, random: Random): boolean {
  const draw = random.next();
  if (family.onlyIn && !family.onlyIn.includes(region.water)) return false;
  if (size >= 80) return draw > 0.6;
  if (size >= 48) return draw > 0.2;
  return draw > 0.02;
}

function serviceOffer(profile: ProviderProfile, service: ServiceProfile): OfferRow {
  return {
    sku: `${profile.skuPrefix}-${service.code}`.toUpperCase(),
    kind: service.kind,
    name: service.name,
    family: '',
    processor: '',
    vcpu: null,
    memory: null,
    burstable: false,
    lifecycle: 'current',
    retires: null,
    replacedBy: null,
    note: '',
    ...service.more,
  };
}

function serviceRates(profile: ProviderProfile, service: ServiceProfile, revision: DemoRevision): RateRow[] {
  const { sku } = serviceOffer(profile, service);
  const drift = revision.number > 1 ? (service.drift ?? 1) : 1;
  return profile.regions
    .filter((region) => !service.onlyIn || service.onlyIn.includes(region.water))
    .flatMap((region) =>
      service.rates.map((rate) => serviceRate(sku, region.code, rate, region.factor * drift)),
    );
}

function serviceRate(sku: string, region: string, rate: ServiceRate, level: number): RateRow {
  const [meter, unit, charge, more] = rate;
  return {
    sku,
    region,
    meter,
    term: 'on-demand',
    unit,
    charge: charge(level),
    upfront: null,
    allowance: null,
    pool: 'component',
    ...(typeof more === 'function' ? more(level) : more),
  };
}
