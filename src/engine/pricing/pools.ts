/**
 * Pools: minimums of the month, allowances and tiers are counted over the scope their rate names, once. Each member
 * pays by its own prices, at the tier that is reached together, by its share of the quantity; no member takes another's
 * price, and the order of lines changes nothing. Source: pricing rules, "Pools", "Where two rules meet", 1, 5, 9.
 */
import { assertNever, type Decimal, ONE, ZERO } from '../base';
import type { BookHead, Rate } from '../books';
import type { ChargeContext } from '../rates';
import { type Figure, given, product, quotient, relabel, restated, sum } from '../trace';
import { unitOf } from '../units';
import { afterAllowance, type AllowanceTerms, atLeastIfAny, type Included, includedFigure } from '../usage';
import { boughtBy, type Claim, inUnit, isPooled, usedBy } from './claim';
import { grantedTo, grantFigures, type Grants } from './grants';

/** What the allowance leaves of a claim's use, before any commitment. All in the rate's unit. */
export interface Left {
  /** All its use, and that of the pool. */
  readonly own: Figure;
  readonly total: Figure;
  readonly quantity: Figure;
  /** Of its use; null: all. */
  readonly share: Figure | null;
  /** Beyond its use, to fill a minimum of the month: on demand in `quantity`, or committed. */
  readonly missing: Figure | null;
  /** The whole pool's, each month; null: nothing is. */
  readonly included: Figure | null;
  /** The whole pool's, where it can be told in one figure; null: the sum of its members. */
  readonly whole: Figure | null;
}

export interface Pool {
  readonly members: readonly Claim[];
  readonly left: ReadonlyMap<Claim, Left>;
}

/** Every claim in its pool; those that are counted by component each in one of its own. */
export function poolsOf(claims: readonly Claim[], grants: Grants, allowances: AllowanceTerms): Pool[] {
  const byKey = new Map<string, Claim[]>();
  const pools: Claim[][] = [];
  for (const claim of claims) {
    if (!isPooled(claim.demand.rate)) {
      pools.push([claim]);
      continue;
    }
    const key = poolKey(claim);
    const members = byKey.get(key);
    if (members) {
      members.push(claim);
      continue;
    }
    const made = [claim];
    byKey.set(key, made);
    pools.push(made);
  }
  const granted = new ComponentGrants(claims, grants);
  return pools.map((members) => ({ members, left: leftOf(members, grants, granted, allowances) }));
}

/** Nothing stands between its use and its price, and nobody shares it: most lines, and little is worked out for them. */
export function isBare({ demand: { rate }, book }: Claim, grants: Grants): boolean {
  return (
    rate.allowance === null &&
    !rate.minimums?.total &&
    !isPooled(rate) &&
    grantedTo(grants, book.key, rate).length === 0
  );
}

export function bareLeft({ demand: { use } }: Claim): Left {
  const { quantity } = use;
  return {
    own: quantity,
    total: quantity,
    quantity,
    share: null,
    missing: null,
    included: null,
    whole: quantity,
  };
}

/** What is counted together has the same key. */
export function poolKey({ demand: { rate }, book }: Claim): string {
  const unit = unitOf(rate.unit);
  const what = `${book.key}\n${rate.meter}\n${rate.term}\n${unit.ok ? unit.value.dimension : rate.unit}`;
  switch (rate.pool) {
    case 'component':
      throw new Error('what is counted by component is in no pool');
    case 'region':
      return `region\n${rate.region}\n${rate.sku}\n${what}`;
    case 'provider':
      return `provider\n${rate.sku}\n${what}`;
    case 'workspace':
      // All that one meter measures, whichever offer of the book it is bought as.
      return `workspace\n${what}`;
    default:
      return assertNever(rate.pool);
  }
}

/** Where the rate counts by component, a grant is shared out by quantity over all components that it reaches. */
class ComponentGrants {
  private readonly totals = new Map<string, Decimal>();

  constructor(claims: readonly Claim[], grants: Grants) {
    if (grants.size === 0) return;
    for (const { demand, book } of claims) {
      if (isPooled(demand.rate)) continue;
      const key = this.key(demand.rate, book);
      const known = this.totals.get(key);
      const { value } = demand.use.quantity;
      this.totals.set(key, known ? known.plus(value) : value);
    }
  }

  private key({ sku, region, meter }: Rate, book: BookHead): string {
    return `${book.key}\n${sku}\n${region}\n${meter}`;
  }

  share({ demand, book }: Claim, granted: readonly Figure[]): readonly Figure[] {
    const total = this.totals.get(this.key(demand.rate, book));
    const { quantity } = demand.use;
    if (granted.length === 0 || !total || total.isZero() || total.equals(quantity.value)) return granted;
    const { unit } = demand.rate;
    const share = quotient('Share by quantity', '', [
      restated('This component', quantity, unit),
      given('All components that it reaches', total, unit),
    ]);
    return granted.map((each) => product('Share of what is included', unit, [each, share]));
  }
}

function leftOf(
  members: readonly Claim[],
  grants: Grants,
  granted: ComponentGrants,
  allowances: AllowanceTerms,
): Map<Claim, Left> {
  const wholes = new Map<Rate, Whole>();
  const wholeOf = (claim: Claim): Whole => {
    const { rate } = claim.demand;
    let whole = wholes.get(rate);
    if (!whole) wholes.set(rate, (whole = wholeFor(claim, members, grants, granted, allowances)));
    return whole;
  };
  const all = members.map(wholeOf);
  const alike = all.every(
    (each) => each.left.value.equals(all[0]!.left.value) && each.left.unit === all[0]!.left.unit,
  );
  const plain = alike && members.every((member) => !member.committed?.running);
  return new Map(members.map((member, at) => [member, memberLeft(member, members.length, all[at]!, plain)]));
}

/** A pool as one of its rates sees it, in that rate's unit. */
interface Whole {
  readonly total: Figure;
  readonly missing: Decimal;
  readonly bought: Decimal;
  readonly left: Figure;
  readonly share: Figure | null;
  readonly included: Figure | null;
}

function wholeFor(
  claim: Claim,
  members: readonly Claim[],
  grants: Grants,
  granted: ComponentGrants,
  allowances: AllowanceTerms,
): Whole {
  const { rate } = claim.demand;
  const { unit } = rate;
  const quantities = members.map((member) => inUnit(usedBy(member), unit));
  const where = rate.pool === 'region' ? rate.region : claim.book.provider;
  const used =
    quantities.length === 1
      ? quantities[0]!
      : sum(`All of it in ${where}, ${members.length} components`, unit, quantities);
  const least = rate.minimums?.total ?? null;
  const committed = least !== null && members.some((member) => member.committed?.running);
  const bought = committed
    ? members.reduce((total, member) => total.plus(inUnit(boughtBy(member), unit).value), ZERO)
    : used.value;
  const missing = least && !bought.isZero() && bought.lessThan(least) ? least.minus(bought) : ZERO;
  const onDemand = committed ? missing.times(onDemandShare(members, unit, bought)) : missing;
  const raised = !committed
    ? atLeastIfAny('Minimum of the month', used, least)
    : onDemand.isZero()
      ? used
      : sum('With what the minimum of the month adds', unit, [
          used,
          given('Missing to the minimum, on demand', onDemand, unit, `at least ${least}`),
        ]);
  const every = grantFigures(grants, claim.book.key, rate);
  const others = members.flatMap((member) =>
    member.demand.rate.sku === rate.sku ? [] : [member.demand.rate],
  );
  const skus = new Map(others.map((each) => [each.sku, each]));
  const included: Included = {
    amount: rate.allowance,
    months: rate.allowanceMonths,
    granted: isPooled(rate)
      ? [
          ...every,
          ...[...skus.values()].flatMap((each) =>
            grantFigures(grants, claim.book.key, each).map((one) => inUnit(one, unit)),
          ),
        ]
      : granted.share(claim, every),
  };
  const left = afterAllowance(raised, included, allowances);
  const share =
    left === raised || raised.value.isZero() || left.value.equals(raised.value)
      ? null
      : quotient('Left after the allowance', '', [
          restated('Charged', left, unit),
          restated('All of it', raised, unit),
        ]);
  return { total: used, missing, bought, left, share, included: includedFigure(included, unit, allowances) };
}

/** The part of what is bought that no commitment pays. */
function onDemandShare(members: readonly Claim[], unit: string, bought: Decimal): Decimal {
  if (bought.isZero()) return ONE;
  const own = members
    .filter((member) => !member.committed?.running)
    .reduce((total, member) => total.plus(inUnit(usedBy(member), unit).value), bought.times(0));
  return own.dividedBy(bought);
}

function memberLeft(claim: Claim, members: number, whole: Whole, plain: boolean): Left {
  const { demand, committed } = claim;
  const { unit } = demand.rate;
  const { total, share, included } = whole;
  const own = usedBy(claim);
  const missing =
    whole.missing.isZero() || whole.bought.isZero()
      ? null
      : given(
          'Missing to the minimum of the month',
          whole.missing.times(boughtBy(claim).value).dividedBy(whole.bought),
          unit,
          'shared by quantity',
        );
  if (members === 1 && !committed?.running) {
    return { own: total, total, quantity: whole.left, share, missing, included, whole: whole.left };
  }
  const filled =
    missing && !committed?.running ? sum('With what the minimum adds', unit, [own, missing]) : own;
  const quantity = share ? product('Left after the allowance', unit, [filled, share]) : filled;
  return { own, total, quantity, share, missing, included, whole: plain ? whole.left : null };
}

/** A member's share of an amount that was worked out for the whole pool. */
export function shareOfPool(
  amount: Figure,
  own: Figure,
  whole: Figure,
  { currency, agreement }: Pick<ChargeContext, 'currency' | 'agreement'>,
): Figure {
  if (whole.value.isZero())
    return product('Nothing of the pool', currency, [amount, given('Share', own.value, '')]);
  return product('Share of the pool', currency, [
    relabel(amount, 'The whole pool', agreement ? `at the prices of “${agreement}”` : 'at its own prices'),
    quotient('Share by quantity', '', [
      restated('This component', own, whole.unit),
      restated('All of the pool', whole, whole.unit),
    ]),
  ]);
}
