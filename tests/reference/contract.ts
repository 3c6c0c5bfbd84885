/** Agreements. Rule 7. */
import type { Component } from '@/engine/design';
import type { Agreement } from '@/engine/terms';
import type { ChargeRow } from './charge';
import { type Fraction, ONE, f } from './fraction';
import { KINDS } from './kinds';
import { type Owner, type Part, type Scene, timesAll } from './shapes';
import { convert } from './units';

export function inForce(scene: Scene): readonly Agreement[] {
  const { date } = scene.when;
  return (scene.design.agreements ?? []).filter(
    ({ from, to }) => date === null || ((from === null || from <= date) && (to === null || date <= to)),
  );
}

export function narrowest(
  scene: Scene,
  part: Part,
  component: Component,
  owner: Owner | null,
  what: 'discount' | 'margin',
): Agreement | null {
  const payer = what === 'discount' && part.bought ? part.bought.by : null;
  const { kind } = payer?.component ?? component;
  const meter = payer ? '' : part.meter;
  const term = payer ? payer.component.term : part.term;
  const sku = payer ? payer.offer.sku : (owner?.offer.sku ?? '');
  let best: { agreement: Agreement; rank: number } | null = null;
  for (const agreement of inForce(scene)) {
    const { covers, discount } = agreement;
    if (what === 'margin' ? agreement.margin === null : discount === null) continue;
    if (what === 'discount' && discount!.by !== 'share') {
      if (discount!.meter !== meter || (discount!.term ?? 'on-demand') !== term) continue;
    }
    const lists: [readonly string[], string][] = [
      [covers.books, owner?.book.book.key ?? ''],
      [covers.categories, KINDS[kind]!.category],
      [covers.kinds, kind],
      [covers.skus, sku],
    ];
    if (lists.some(([list, value]) => list.length > 0 && !list.includes(value))) continue;
    const rank = lists.reduce((narrow, [list], index) => (list.length > 0 ? index + 1 : narrow), 0);
    if (!best || rank > best.rank) best = { agreement, rank };
  }
  return best?.agreement ?? null;
}

/** Rule 7: what is charged in which way is known; an agreement changes its price. */
export function contractedPart(scene: Scene, part: Part, component: Component, owner: Owner | null): Part {
  const discount = narrowest(scene, part, component, owner, 'discount')?.discount;
  if (!discount) return part;
  if (discount.by === 'share') {
    const left = ONE.minus(f(discount.share));
    return timesAll(part, left);
  }
  const factor = convert(part.unit, discount.unit ?? part.unit);
  if (!part.at || !factor) return part;
  const charge: ChargeRow =
    discount.by === 'price' ? { structure: 'per-unit', price: '1' } : { structure: 'graduated', tiers: [] };
  const agreed = part.at(exactCharge(charge, discount, factor));
  if (!part.once.isZero) return { ...part, once: agreed };
  if (!part.committed) return { ...part, monthly: agreed, recurring: agreed };
  const { months, upfront } = part.committed;
  return {
    ...part,
    monthly: agreed.plus(upfront.over(f(months))),
    recurring: agreed,
    committed: { months, recurring: agreed, upfront },
  };
}

/** An agreed price in the rate's unit. Prices are text, so they are written with as many digits as they have. */
export function exactCharge(
  shape: ChargeRow,
  discount: Exclude<NonNullable<Agreement['discount']>, { by: 'share' }>,
  factor: Fraction,
): ChargeRow {
  const write = (value: Fraction): string => value.toText(30);
  if (discount.by === 'price' && shape.structure === 'per-unit') {
    return { structure: 'per-unit', price: write(f(discount.price).times(factor)) };
  }
  if (discount.by !== 'tiers') throw new Error('no such agreement');
  return {
    structure: 'graduated',
    tiers: discount.tiers.map(({ upTo, price }) => ({
      upTo: upTo === null ? null : write(f(upTo).over(factor)),
      price: write(f(price).times(factor)),
    })),
  };
}
