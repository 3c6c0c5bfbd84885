/**
 * What ties lines together: pools, allowances that others bring, spend commitments. Lines that nothing ties are charged
 * each by itself, and a change of one is a change of its own group only. Source: pricing rules, "Pools", "Where two
 * rules meet".
 */
import { roleOf } from '../books';
import { claimsOf } from './charges';
import { isPooled } from './claim';
import { grantedTo, grantKey, type Grants, grantsByMeter, NO_GRANTS } from './grants';
import type { Open } from './opening';
import { poolKey } from './pools';
import type { Resolved } from './resolved';
import { mayBeBought, spendCommitments } from './spend-cover';

/** Groups in the order of their first members, each with its members in the order given. */
export function groupsOf(opens: readonly Open[]): Open[][] {
  const grants = opens.some((each) => each.grants.length > 0)
    ? grantsByMeter(opens.flatMap((each) => each.grants))
    : NO_GRANTS;
  const commitments = opens.some((each) => roleOf(each.value.component.kind) === 'spend-commitment')
    ? spendCommitments(opens.map((each) => each.value))
    : null;
  const ties = new Ties();
  opens.forEach((open, at) => {
    const pooled = poolsOf(open);
    ties.add(
      at,
      grants.size === 0 && !commitments ? pooled : [...pooled, ...rarer(open, grants, commitments)],
    );
  });
  return ties.groups().map((members) => members.map((at) => opens[at]!));
}

function rarer(
  open: Open,
  grants: Grants,
  commitments: ReturnType<typeof spendCommitments> | null,
): string[] {
  const { book } = open.value;
  const own = commitments?.get(book.key);
  return [
    ...(grants.size === 0 ? [] : grantKeys(open, grants)),
    ...(own && isBought(open, own) ? [`spend\n${book.key}`] : []),
  ];
}

/** Whether it is one of the commitments of its book, or may be bought by one. */
function isBought({ value }: Open, commitments: readonly Resolved[]): boolean {
  return commitments.includes(value) || claimsOf(value).some((claim) => mayBeBought(claim, commitments));
}

const pools = new WeakMap<Open, readonly string[]>();

function poolsOf(open: Open): readonly string[] {
  let known = pools.get(open);
  if (!known) {
    known = claimsOf(open.value).flatMap((claim) => (isPooled(claim.demand.rate) ? [poolKey(claim)] : []));
    pools.set(open, known);
  }
  return known;
}

/** What it brings to others, and what others (or itself) bring to it. */
function grantKeys({ value, grants: own }: Open, grants: Grants): string[] {
  const brought = own.map((each) => grantKey(each.book, each.grant));
  const reached = claimsOf(value).flatMap(({ demand: { rate } }) =>
    grantedTo(grants, value.book.key, rate).length > 0 ? [grantKey(value.book.key, rate)] : [],
  );
  return [...brought, ...reached].map((key) => `grant\n${key}`);
}

/** Numbers that share a key, directly or over others, are together. They are added in rising order. */
class Ties {
  private readonly found: number[][] = [];
  private readonly groupOf = new Map<string, number>();
  /** A group that another took up, and by which. */
  private readonly takenUp = new Map<number, number>();

  add(member: number, keys: readonly string[]): void {
    if (keys.length === 0) {
      this.found.push([member]);
      return;
    }
    const known = keys.flatMap((key) => {
      const group = this.groupOf.get(key);
      return group === undefined ? [] : [this.leader(group)];
    });
    const group = known.length === 0 ? this.found.push([]) - 1 : Math.min(...known);
    for (const each of known) this.join(each, group);
    this.found[group]!.push(member);
    for (const key of keys) this.groupOf.set(key, group);
  }

  groups(): number[][] {
    return this.found.filter((members) => members.length > 0);
  }

  private join(from: number, into: number): void {
    if (from === into || this.takenUp.has(from)) return;
    this.takenUp.set(from, into);
    this.found[into] = [...this.found[into]!, ...this.found[from]!].sort((a, b) => a - b);
    this.found[from] = [];
  }

  private leader(group: number): number {
    let found = group;
    while (this.takenUp.has(found)) found = this.takenUp.get(found)!;
    return found;
  }
}
