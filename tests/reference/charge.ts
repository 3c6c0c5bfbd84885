/** What a quantity costs under each charge structure. */
import type { Charge } from '@/engine/rates';
import { f, type Fraction, most, sum, ZERO } from './fraction';
import type { Quantity } from './quantity';
import { Refused } from './week';

export type ChargeRow = Charge<string>;

export interface Parts {
  readonly vcpu: Fraction;
  readonly memory: Fraction;
  readonly gpu: Fraction | null;
}

export function chargeOf(
  charge: ChargeRow,
  amount: Fraction,
  { sizes, deviceHours }: Pick<Quantity, 'sizes' | 'deviceHours'> = {},
  parts: Parts | null = null,
): Fraction {
  switch (charge.structure) {
    case 'per-unit':
      return amount.times(f(charge.price));
    case 'per-block':
      return amount.over(f(charge.block)).ceiling().times(f(charge.price));
    case 'graduated':
      return tiered(charge.tiers, amount);
    case 'volume': {
      const tier = charge.tiers.find(({ upTo }) => upTo === null || amount.compare(f(upTo)) <= 0)!;
      return amount.times(f(tier.price));
    }
    case 'stepped':
      return sum((sizes ?? []).map(({ size, count }) => count.times(fee(charge, size))));
    case 'greatest-of': {
      const hourly = charge.basePrice === null ? ZERO : f(charge.basePrice).times(deviceHours ?? ZERO);
      return amount.times(f(charge.unitPrice)).plus(hourly);
    }
    case 'by-parts':
      if (!parts) throw new Refused('size.missing');
      return amount.times(partsPrice(charge, parts));
    case 'share-of-spend': {
      const shares = tiered(
        charge.tiers.map(({ upTo, share }) => ({ upTo, price: share })),
        amount,
      );
      return charge.floor === null ? shares : most(shares, f(charge.floor));
    }
    case 'flat':
      return amount.times(f(charge.amount));
  }
}

export function partsPrice(charge: Extract<ChargeRow, { structure: 'by-parts' }>, parts: Parts): Fraction {
  const gpu = parts.gpu && charge.gpu !== null ? parts.gpu.times(f(charge.gpu)) : ZERO;
  return parts.vcpu
    .times(f(charge.vcpu))
    .plus(parts.memory.times(f(charge.memory)))
    .plus(gpu);
}

function tiered(tiers: readonly { upTo: string | null; price: string }[], amount: Fraction): Fraction {
  let from = ZERO;
  let total = ZERO;
  for (const { upTo, price } of tiers) {
    const end = upTo === null ? amount : f(upTo);
    const within = most(ZERO, (amount.compare(end) < 0 ? amount : end).minus(from));
    total = total.plus(within.times(f(price)));
    from = end;
  }
  return total;
}

function fee(charge: Extract<ChargeRow, { structure: 'stepped' }>, size: Fraction): Fraction {
  if (size.isZero) return ZERO;
  const band = charge.bands.find(({ upTo }) => size.compare(f(upTo)) <= 0);
  if (band) return f(band.fee);
  if (!charge.beyond) throw new Refused('size.out-of-range');
  const last = charge.bands[charge.bands.length - 1]!;
  const blocks = size.minus(f(last.upTo)).over(f(charge.beyond.block)).ceiling();
  return f(last.fee).plus(blocks.times(f(charge.beyond.fee)));
}

/** The price of the first unit: what a spend commitment's saving is told by. */
export function firstPrice(charge: ChargeRow, parts: Parts | null): Fraction | null {
  switch (charge.structure) {
    case 'per-unit':
      return f(charge.price);
    case 'per-block':
      return f(charge.price).over(f(charge.block));
    case 'graduated':
    case 'volume':
      return f(charge.tiers[0]!.price);
    case 'by-parts':
      return parts && partsPrice(charge, parts);
    default:
      return null;
  }
}
