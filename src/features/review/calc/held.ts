/**
 * Commitments that are held already: they are paid whatever a change does, and what they cover is not paid again. What is
 * there on both sides is covered first, so that a change does not seem to move what it leaves alone; the rest in the order of
 * their ids, so that the order of a plan changes nothing. Need E4; opening 39.
 */
import { Decimal, decimal, ZERO } from '@/engine/base';
import type { Kind } from '@/engine/books';
import type { Component } from '@/engine/design';
import type { Term } from '@/engine/terms';
import { inAllCases } from '@/engine/usage';

export interface HeldCommitment {
  readonly name: string;
  readonly kind: Kind;
  readonly book: string;
  readonly region: string;
  readonly sku: string;
  readonly term: Term;
  /** Units that are committed; of a commitment of money, how much an hour. */
  readonly units: string;
}

/** Units that it covers, of so many that are alike. */
export interface HeldCover {
  readonly covered: string;
  readonly alike: string;
}

export interface CoveredLines {
  /** By id of a line; those that nothing covers are not in it. */
  readonly covered: ReadonlyMap<string, Component>;
  /** What is committed and covers nothing is paid all the same. */
  readonly unused: readonly Component[];
  /** Of each that is held; null: it is money, and what it buys stands in the trace of its line. */
  readonly uses: readonly (HeldCover | null)[];
}

/** Of the line that is paid for what covers nothing; of money: its line. */
export const heldId = (at: number): string => `held ${at}`;

const isMoney = ({ kind }: HeldCommitment): boolean => kind === 'spend-commitment';

/**
 * `stays`: ids of lines that are there on both sides.
 *
 * @example
 * const held = { name: 'Ours', kind: 'server', book: 'x', region: 'y', sku: 'z', term: '12-none', units: '2' };
 * coverHeld([], [held], new Set()).uses; // => [{ covered: '0', alike: '0' }]
 */
export function coverHeld(
  lines: readonly Component[],
  held: readonly HeldCommitment[],
  stays: ReadonlySet<string>,
): CoveredLines {
  const covered = new Map<string, Component>();
  const unused: Component[] = [];
  const taken = new Map<string, Decimal>();
  const uses = held.map((each, at): HeldCover | null => {
    if (isMoney(each)) {
      unused.push(moneyLine(each, at));
      return null;
    }
    // What another of the same term covers in part is covered further.
    const alike = lines
      .filter((line) => isAlike(line, each) && (covered.get(line.id)?.term ?? each.term) === each.term)
      .sort(inOrder(stays));
    let left = decimal(each.units);
    let all = ZERO;
    for (const line of alike) {
      const count = decimal(line.count.likely);
      const free = count.minus(taken.get(line.id) ?? ZERO);
      all = all.plus(free);
      const more = Decimal.min(left, free);
      if (more.isZero()) continue;
      left = left.minus(more);
      const sum = count.minus(free).plus(more);
      taken.set(line.id, sum);
      const committed = sum.lessThan(count) ? { committed: inAllCases(sum.toString()) } : {};
      covered.set(line.id, { ...line, term: each.term, ...committed });
    }
    if (!left.isZero()) unused.push(unusedLine(each, at, left));
    return { covered: decimal(each.units).minus(left).toString(), alike: all.toString() };
  });
  return { covered, unused, uses };
}

/** What pays otherwise already is not covered again. */
function isAlike({ kind, place, choice, term }: Component, held: HeldCommitment): boolean {
  return (
    kind === held.kind &&
    place?.book === held.book &&
    place.region === held.region &&
    choice.by === 'sku' &&
    choice.sku === held.sku &&
    term === 'on-demand'
  );
}

const inOrder =
  (stays: ReadonlySet<string>) =>
  (a: Component, b: Component): number =>
    Number(stays.has(b.id)) - Number(stays.has(a.id)) || (a.id < b.id ? -1 : 1);

function heldLine({ name, kind, book, region, sku, term }: HeldCommitment, at: number): Component {
  return {
    id: heldId(at),
    name,
    kind,
    count: inAllCases('1'),
    place: { book, region },
    choice: { by: 'sku', sku },
    running: { pattern: 'always' },
    usage: {},
    term,
  };
}

const moneyLine = (held: HeldCommitment, at: number): Component => ({
  ...heldLine(held, at),
  usage: { committed: { amount: inAllCases(held.units), unit: 'money' } },
});

/** Nothing of it runs, and all of it is paid. */
const unusedLine = (held: HeldCommitment, at: number, left: Decimal): Component => ({
  ...heldLine(held, at),
  count: inAllCases('0'),
  committed: inAllCases(left.toString()),
});
