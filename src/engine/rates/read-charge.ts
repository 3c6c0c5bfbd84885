/** From a charge whose numbers are text, as files and designs hold it, to one the computation reads. */
import { assertNever, type Decimal, decimal } from '../base';
import type { Charge, Tier } from './structure';

export type ChargeText = Charge<string>;

/**
 * Call it on checked text: plain decimals only.
 *
 * @example
 * readCharge({ structure: 'per-unit', price: '0.1' }).structure; // => 'per-unit'
 */
export function readCharge(row: ChargeText): Charge {
  switch (row.structure) {
    case 'per-unit':
      return { structure: 'per-unit', price: decimal(row.price) };
    case 'per-block':
      return { structure: 'per-block', block: decimal(row.block), price: decimal(row.price) };
    case 'graduated':
      return { structure: 'graduated', tiers: row.tiers.map(readTier) };
    case 'volume':
      return { structure: 'volume', tiers: row.tiers.map(readTier) };
    case 'stepped':
      return {
        structure: 'stepped',
        bands: row.bands.map((each) => ({ upTo: decimal(each.upTo), fee: decimal(each.fee) })),
        beyond: row.beyond && { block: decimal(row.beyond.block), fee: decimal(row.beyond.fee) },
      };
    case 'greatest-of':
      return {
        ...row,
        dimensions: row.dimensions.map((each) => ({ ...each, carries: decimal(each.carries) })),
        unitPrice: decimal(row.unitPrice),
        basePrice: optional(row.basePrice),
      };
    case 'by-parts':
      return {
        structure: 'by-parts',
        vcpu: decimal(row.vcpu),
        memory: decimal(row.memory),
        gpu: optional(row.gpu),
      };
    case 'share-of-spend':
      return {
        structure: 'share-of-spend',
        tiers: row.tiers.map(({ upTo, share }) => ({ upTo: optional(upTo), share: decimal(share) })),
        floor: optional(row.floor),
        base: row.base,
      };
    case 'flat':
      return { structure: 'flat', amount: decimal(row.amount), once: row.once };
    default:
      return assertNever(row);
  }
}

function readTier({ upTo, price }: Tier<string>): Tier {
  return { upTo: optional(upTo), price: decimal(price) };
}

function optional(text: string | null): Decimal | null {
  return text === null ? null : decimal(text);
}
