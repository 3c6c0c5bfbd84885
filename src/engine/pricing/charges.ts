/**
 * The parts of a line: what is committed, what spend commitments pay, what is on demand, in this order, each working on
 * what the one before left. All in the book's currency, before credit and agreements. Source: pricing rules, "Where two
 * rules meet", 1.
 */
import { type Decimal, type Issue, ok, type Result, ZERO } from '../base';
import { type BookHead, head } from '../books';
import type { Charge } from '../rates';
import { type Figure, given, product, relabel, sum } from '../trace';
import type { AllowanceTerms, Case } from '../usage';
import type { Grants } from './grants';
import { type OnDemand, onDemandAmount, PoolAmounts } from './on-demand';
import type { Claim } from './claim';
import { committedPartOf } from './committed-amount';
import { type LinePart, nothing, plainPart } from './line-part';
import { bareLeft, isBare, type Left, type Pool, poolsOf } from './pools';
import type { Resolved } from './resolved';
import { openOf, plainRest, type Rest, restOf } from './rest';
import {
  type Buyable,
  coverSpend,
  mayBeBought,
  type SpendCost,
  type SpendCover,
  type SpendPaid,
  spendCommitments,
} from './spend-cover';

export interface ChargedLine {
  readonly parts: readonly LinePart[];
  /** All use on demand; null where it is not sold so. */
  readonly onDemand: Figure | null;
}

export interface Charged {
  readonly lines: Map<string, Result<ChargedLine>>;
  readonly notices: ReadonlyMap<string, readonly Issue[]>;
  /** By spend commitment: what it may buy. */
  readonly offered: SpendCover['offered'];
}

/** Charges all components at once; what cannot be charged comes back as an issue. */
export function chargeLines(
  resolved: readonly Resolved[],
  grants: Grants,
  allowances: AllowanceTerms,
  which: Case,
): Charged {
  const claims = new Map<string, Claim[]>();
  const found = new Map<Claim, OnDemand>();
  const others: Claim[] = [];
  const commitments = spendCommitments(resolved);
  for (const owner of resolved) {
    const own = claimsOf(owner);
    claims.set(owner.component.id, own);
    const bought = commitments.get(owner.book.key);
    for (const claim of own) {
      const bare = isBare(claim, grants) && !claim.committed && !(bought && mayBeBought(claim, bought));
      if (bare) found.set(claim, aloneOf(claim, bareLeft(claim)));
      else others.push(claim);
    }
  }
  const cover = others.length === 0 && commitments.size === 0 ? NO_COVER : charge();
  const books: Books = { found, cover, alone: (claim) => aloneAmount(claim, grants, allowances) };
  return {
    lines: new Map(
      resolved.map((owner) => [owner.component.id, lineOf(owner, claims.get(owner.component.id)!, books)]),
    ),
    notices: cover.notices,
    offered: cover.offered,
  };

  /** Those that share a pool, an allowance, a minimum or a commitment. */
  function charge(): SpendCover {
    const pools = poolsOf(others, grants, allowances);
    const poolOf = new Map<Claim, Pool>();
    for (const pool of pools) for (const member of pool.members) poolOf.set(member, pool);
    const { rests, cover: made } = restsOf(poolOf, commitments, which);
    for (const { members, left } of pools) {
      const pool = members.length === 1 ? null : new PoolAmounts(members, left, rests);
      for (const claim of members) {
        found.set(claim, { claim, left: left.get(claim)!, rest: rests.get(claim)!, pool });
      }
    }
    return made;
  }
}

function aloneOf(claim: Claim, left: Left): OnDemand {
  return { claim, left, rest: plainRest(claim, left), pool: null };
}

/** A claim for everything that has an on-demand rate, with the commitment that stands before it. */
export function claimsOf(owner: Resolved): Claim[] {
  const book = head(owner.book);
  return owner.demands.onDemand.flatMap((demand): Claim[] => {
    const committed = owner.demands.committed.find((part) => part.meter === demand.meter) ?? null;
    // Committed as a whole: nothing of it is on demand. Nothing committed: all of it is.
    if (committed && !committed.running) return [];
    return [{ demand, book, committed: committed?.units.value.isZero() ? null : committed, owner }];
  });
}

const NO_COVER: SpendCover = {
  left: new Map(),
  paid: new Map(),
  unused: new Map(),
  ahead: new Map(),
  notices: new Map(),
  offered: new Map(),
};

function restsOf(
  poolOf: ReadonlyMap<Claim, Pool>,
  commitments: ReadonlyMap<string, readonly Resolved[]>,
  which: Case,
): { rests: Map<Claim, Rest>; cover: SpendCover } {
  const rests = new Map<Claim, Rest>();
  const buyable = new Map<string, Buyable[]>();
  const opened: Buyable[] = [];
  for (const [claim, pool] of poolOf) {
    const left = pool.left.get(claim)!;
    const running = claim.demand.use.running ?? null;
    const own = commitments.get(claim.book.key);
    const bought = own !== undefined && mayBeBought(claim, own);
    if (!running || !(bought || claim.committed)) {
      rests.set(claim, plainRest(claim, left));
      continue;
    }
    const open = { claim, running, open: openOf(claim, left, running) };
    opened.push(open);
    if (!bought) continue;
    const known = buyable.get(claim.book.key);
    if (known) known.push(open);
    else buyable.set(claim.book.key, [open]);
  }
  const covers = [...commitments].map(([book, own]) =>
    coverSpend(own, buyable.get(book) ?? [], spendCost, which),
  );
  const cover = covers.length === 0 ? NO_COVER : covers.length === 1 ? covers[0]! : merged(covers);
  for (const { claim, running, open } of opened) {
    const left = poolOf.get(claim)!.left.get(claim)!;
    const weeks = cover.left.get(claim) ?? open.weeks;
    const untouched = weeks === open.weeks && !claim.committed;
    rests.set(claim, untouched ? plainRest(claim, left) : restOf(claim, left, running, open, weeks));
  }
  return { rests, cover };
}

function merged(covers: readonly SpendCover[]): SpendCover {
  return {
    left: new Map(covers.flatMap((each) => [...each.left])),
    paid: new Map(covers.flatMap((each) => [...each.paid])),
    unused: new Map(covers.flatMap((each) => [...each.unused])),
    ahead: new Map(covers.flatMap((each) => [...each.ahead])),
    notices: new Map(covers.flatMap((each) => [...each.notices])),
    offered: new Map(covers.flatMap((each) => [...each.offered])),
  };
}

/** What a spend commitment costs in a month, all of it; null: it cannot be charged. */
function spendCost(owner: Resolved): SpendCost | null {
  const [part] = owner.demands.committed;
  const charged = part && committedPartOf(owner, part, null, null);
  if (!charged?.ok) return null;
  return { monthly: charged.value.monthly.value, recurring: charged.value.recurring };
}

interface Books {
  readonly found: ReadonlyMap<Claim, OnDemand>;
  readonly cover: SpendCover;
  readonly alone: (claim: Claim) => Figure | null;
}

function lineOf(owner: Resolved, claims: readonly Claim[], books: Books): Result<ChargedLine> {
  const parts: LinePart[] = [];
  const onDemand: Figure[] = [];
  for (const part of owner.demands.committed) {
    const claim = claims.find((each) => each.demand.meter === part.meter) ?? null;
    const left = claim && books.found.get(claim)!.left;
    const committed = committedPartOf(owner, part, claim, left);
    if (!committed.ok) return committed;
    parts.push(committed.value);
    if (!claim) onDemand.push(...wholeOnDemand(owner, part.meter, books));
  }
  for (const claim of claims) {
    const charged = onDemandParts(claim, books);
    if (!charged.ok) return charged;
    parts.push(...charged.value.parts);
    if (charged.value.onDemand) onDemand.push(charged.value.onDemand);
  }
  const share = books.cover.unused.get(owner.component.id);
  const book = head(owner.book);
  return ok({
    parts: share === undefined ? parts : parts.map((part) => unusedOnly(part, share)),
    onDemand: onDemand.length > 0 ? joined(onDemand, book) : null,
  });
}

function onDemandParts(
  claim: Claim,
  { found, cover, alone }: Books,
): Result<{ parts: LinePart[]; onDemand: Figure | null }> {
  const { demand, committed, owner } = claim;
  const { meter, label, rate } = demand;
  const of = found.get(claim)!;
  const amount = onDemandAmount(of);
  if (!amount.ok) return amount;
  const paid = cover.paid.get(claim) ?? [];
  const once = rate.charge.structure === 'flat' && rate.charge.once;
  const parts: LinePart[] = paid.map((each) => spendPart(claim, each, cover));
  const touched = committed !== null || paid.length > 0;
  const words = committed ? 'Above the commitment' : paid.length > 0 ? `${label}, on demand` : label;
  const figure = relabel(amount.value, words);
  if (!touched || !figure.value.isZero()) {
    parts.push({
      ...plainPart(meter, owner.offer.sku, rate.unit, once ? nothing(figure) : figure, demand.use.quantity),
      term: rate.term,
      once: once ? figure.value : ZERO,
      atPrice: (agreed) =>
        onDemandAmount(of, { ...agreed, charge: agreedCharge(rate.charge, agreed.charge) }),
    });
  }
  const all = touched ? alone(claim) : figure;
  return ok({ parts, onDemand: once || !all ? null : relabel(all, label) });
}

/** A fixed price stands in for the list's structure; an hourly fee beside capacity units stays. */
function agreedCharge(listed: Charge, agreed: Charge): Charge {
  if (listed.structure === 'greatest-of' && agreed.structure === 'per-unit') {
    return { ...listed, unitPrice: agreed.price };
  }
  if (listed.structure === 'flat' && agreed.structure === 'per-unit') {
    return { ...listed, amount: agreed.price };
  }
  return agreed;
}

/** The same use without any commitment and by itself: what a saving is told against. */
function aloneAmount(claim: Claim, grants: Grants, allowances: AllowanceTerms): Figure | null {
  const free: Claim = { ...claim, committed: null };
  const [pool] = poolsOf([free], grants, allowances);
  const amount = onDemandAmount(aloneOf(free, pool!.left.get(free)!));
  return amount.ok ? amount.value : null;
}

function wholeOnDemand(owner: Resolved, meter: string, { alone }: Books): Figure[] {
  const demand = owner.demands.onDemand.find((each) => each.meter === meter);
  const figure = demand && alone({ demand, book: head(owner.book), committed: null, owner });
  return figure ? [relabel(figure, demand.label)] : [];
}

/** What a spend commitment pays of a line: month by month, or out of what was paid ahead. */
function spendPart({ demand, owner }: Claim, paid: SpendPaid, cover: SpendCover): LinePart {
  const share = cover.ahead.get(paid.by.component.id) ?? ZERO;
  const ahead = paid.amount.value.times(share);
  return {
    ...plainPart(demand.meter, owner.offer.sku, demand.rate.unit, paid.amount, demand.use.quantity),
    term: paid.term,
    recurring: paid.amount.value.minus(ahead),
    bought: { by: paid.by, ahead },
  };
}

/** A commitment's own line: only the share of it that bought nothing. Its upfront money leaves whole. */
function unusedOnly(part: LinePart, share: Decimal): LinePart {
  const unused = given(
    'Share that buys nothing',
    share,
    '',
    'worked out hour by hour; the rest is in the lines it pays for',
  );
  const monthly = product('Commitment not used', part.monthly.unit, [part.monthly, unused]);
  return { ...part, monthly, recurring: part.recurring.times(share) };
}

function joined(figures: readonly Figure[], book: BookHead): Figure {
  return figures.length === 1 ? figures[0]! : sum('All meters', book.currency, figures);
}
