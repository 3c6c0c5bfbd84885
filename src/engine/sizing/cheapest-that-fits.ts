/**
 * Cheapest that fits: a need resolves to the offer with the least monthly cost under the component's own running
 * hours and term, in its region. Ties: fewer vCPU, then less memory, then SKU. Where nothing fits, the nearest
 * misses and why. Source: pricing rules, "Cheapest that fits"; needs B6.
 */
import { comparedWithoutHair, type Decimal, decimal, type Issue, type Result, ZERO } from '../base';
import type { Offer } from '../books';

export interface Need {
  readonly vcpu: string;
  /** `thread`: an offer whose vCPU is a whole core has two for each. Absent: as each offer counts. */
  readonly countedIn?: 'thread';
  /** GiB. */
  readonly memory: string;
  readonly family?: string;
  readonly processor?: string;
  readonly allowBurstable?: boolean;
  readonly allowRetiring?: boolean;
  readonly gpu?: string;
  /** Each must be among the offer's own. */
  readonly capabilities?: readonly string[];
  /** Each must be equal: grade, medium, redundancy, edition. */
  readonly attributes?: Readonly<Record<string, string>>;
}

export type Lack =
  | 'vcpu'
  | 'memory'
  | 'gpu'
  | 'family'
  | 'processor'
  | 'burstable'
  | 'retiring'
  | 'announced'
  | 'capability'
  | 'attribute'
  | 'term';

export interface Miss {
  readonly offer: Offer;
  readonly lacks: readonly Lack[];
}

export type Fit =
  | { readonly fits: true; readonly offer: Offer }
  /** `why`: what satisfies the need has no amount, and this is the reason; null: nothing satisfies it. */
  | { readonly fits: false; readonly nearest: readonly Miss[]; readonly why: Issue | null };

const TWO = decimal('2');

/**
 * How many threads run at once on an offer. What one vCPU is, a core of two threads or a thread, is the offer's
 * attribute `vcpu-is`; not said, it is a thread.
 *
 * @example
 * threadsOf({ ...book.offer('A-4')!, attributes: { 'vcpu-is': 'core' } }).toString(); // => '8'
 */
export function threadsOf({ vcpu, attributes }: Offer): Decimal {
  return (vcpu ?? ZERO).times(attributes?.['vcpu-is'] === 'core' ? TWO : 1);
}

function vcpuOf(offer: Offer, need: Need): Decimal {
  return need.countedIn === 'thread' ? threadsOf(offer) : (offer.vcpu ?? ZERO);
}

/**
 * What an offer lacks for a need; empty: it satisfies it.
 *
 * @example
 * lacksOf({ vcpu: '8', memory: '16' }, book.offer('A-4')!); // => ['vcpu']
 */
export function lacksOf(need: Need, offer: Offer): Miss['lacks'] {
  const lacks: Lack[] = [];
  if (vcpuOf(offer, need).lessThan(need.vcpu)) lacks.push('vcpu');
  if ((offer.memory ?? ZERO).lessThan(need.memory)) lacks.push('memory');
  if (need.family && offer.family !== need.family) lacks.push('family');
  if (need.processor && offer.processor !== need.processor) lacks.push('processor');
  if (offer.burstable && !need.allowBurstable) lacks.push('burstable');
  if (offer.lifecycle === 'retiring' && !need.allowRetiring) lacks.push('retiring');
  if (offer.lifecycle === 'announced') lacks.push('announced');
  if (need.gpu && (offer.gpu ?? ZERO).lessThan(need.gpu)) lacks.push('gpu');
  if ((need.capabilities ?? []).some((each) => !offer.capabilities?.includes(each))) lacks.push('capability');
  if (Object.entries(need.attributes ?? {}).some(([name, value]) => offer.attributes?.[name] !== value))
    lacks.push('attribute');
  return lacks;
}

/**
 * `monthlyCost` prices all that the component needs of an offer, under its term and pattern; or says why it cannot.
 *
 * @example
 * const fit = cheapestThatFits({ vcpu: '4', memory: '16' }, [book.offer('A-8')!, book.offer('A-4')!], (offer) => ok(offer.vcpu!));
 * fit.fits && fit.offer.sku; // => 'A-4'
 */
export function cheapestThatFits(
  need: Need,
  offers: readonly Offer[],
  monthlyCost: (offer: Offer) => Result<Decimal>,
): Fit {
  let best: { offer: Offer; cost: Decimal } | undefined;
  const misses: Miss[] = [];
  let why: Issue | null = null;
  for (const offer of offers) {
    const lacks = lacksOf(need, offer);
    if (lacks.length > 0) {
      misses.push({ offer, lacks });
      continue;
    }
    const cost = monthlyCost(offer);
    if (!cost.ok) {
      // A way of paying that is not sold says less than an entry that cannot be.
      if (!why || why.code === 'term.not-offered') why = cost.issue;
      misses.push({ offer, lacks: ['term'] });
      continue;
    }
    if (!best || cheaper(cost.value, offer, best.cost, best.offer)) best = { offer, cost: cost.value };
  }
  if (best) return { fits: true, offer: best.offer };
  const nearest = misses.sort((a, b) => distance(need, a) - distance(need, b)).slice(0, 3);
  return { fits: false, nearest, why };
}

function cheaper(cost: Decimal, offer: Offer, bestCost: Decimal, best: Offer): boolean {
  const order =
    comparedWithoutHair(cost, bestCost) ||
    (offer.vcpu ?? ZERO).comparedTo(best.vcpu ?? ZERO) ||
    (offer.memory ?? ZERO).comparedTo(best.memory ?? ZERO);
  return order < 0 || (order === 0 && offer.sku < best.sku);
}

/** Fewest lacks first, then the smallest shortfall; only for ranking misses, never for money. */
function distance(need: Need, miss: Miss): number {
  const short = (have: Decimal | null, want: string): number => {
    const wanted = decimal(want);
    if (!have || wanted.isZero()) return have ? 0 : 1;
    return Math.max(0, 1 - have.dividedBy(wanted).toNumber());
  };
  return miss.lacks.length * 10 + short(miss.offer.vcpu, need.vcpu) + short(miss.offer.memory, need.memory);
}
