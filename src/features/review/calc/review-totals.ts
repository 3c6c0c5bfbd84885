/** Totals of a review: by module, kind, provider and region; sums of printed rows. */
import { addAll, type Decimal, decimal, ZERO } from '@/engine/base';
import { kindOf } from '@/engine/books';
import { halfAwayFromZero, minorDigits } from '@/engine/money';
import type { PricedComponent, PricedDesign } from '@/engine/pricing';
import { HELD } from './designs';
import type { GroupSum, ReviewLine, ReviewRow, ReviewTotals, Sums } from './model';
import type { PricedSide } from './priced-side';

interface Sides {
  readonly before: PricedSide;
  readonly after: PricedSide;
}

export function totalsOf(rows: readonly ReviewRow[], sides: Sides): ReviewTotals {
  const digits = minorDigits(sides.after.priced.currency);
  const total = (which: 'before' | 'after'): Decimal =>
    halfAwayFromZero(sides[which].priced.monthly.value, digits);
  const rounding = (which: 'before' | 'after'): Decimal =>
    total(which).minus(addAll([...sides[which].printed.values()]));
  const all = rows.flatMap((row) => row.lines.map((line) => [row, line] as const));
  const lines = all.filter(([, { half }]) => !half);
  const halves = all.flatMap(([, line]) => (line.half ? [line] : []));
  const aside = (which: 'before' | 'after'): Decimal =>
    addAll(halves.map((line) => decimal(line[which] ?? '0')));
  const held = heldSum(sides);
  return {
    ...sumsOf(total('before').minus(aside('before')), total('after').minus(aside('after'))),
    rounding: sumsOf(rounding('before'), rounding('after')),
    aside: sumsOf(aside('before'), aside('after')),
    upfront: priced(sides, halves, ({ upfront }) => upfront),
    twelveMonths: priced(sides, halves, ({ upfront, recurring }) => upfront.plus(recurring.times(12))),
    byModule: [...grouped(lines, ([{ module }]) => [module, module]), ...(held ? [held] : [])],
    byKind: grouped(lines, ([, { kind }]) => kind && [kind, kindOf(kind).label]),
    byProvider: grouped(lines, ([, { book }]) => book && [book, book]),
    byRegion: grouped(
      lines,
      ([, { book, region }]) => book && region && [`${book}/${region}`, `${book}, ${region}`],
    ),
  };
}

export function sumsOf(before: Decimal, after: Decimal): Sums {
  return { before: before.toString(), after: after.toString(), difference: after.minus(before).toString() };
}

type Paid = Pick<PricedComponent & PricedDesign, 'upfront' | 'recurring'>;

/** Of both designs, without what is known by half. */
function priced(sides: Sides, halves: readonly ReviewLine[], of: (paid: Paid) => Decimal): Sums {
  const sum = ({ priced: design, lines }: PricedSide): Decimal => {
    const apart = halves.flatMap(({ id }) => {
      const line = lines.get(id);
      return line?.status === 'priced' ? [of(line)] : [];
    });
    return halfAwayFromZero(of(design).minus(addAll(apart)), minorDigits(design.currency));
  };
  return sumsOf(sum(sides.before), sum(sides.after));
}

type Pair = readonly [ReviewRow, ReviewLine];

/** The largest difference first. */
function grouped(
  lines: readonly Pair[],
  keyOf: (pair: Pair) => readonly [key: string, name: string] | null | '',
): GroupSum[] {
  const groups = new Map<string, { name: string; before: Decimal; after: Decimal }>();
  for (const pair of lines) {
    const key = keyOf(pair);
    const [, { before, after }] = pair;
    if (!key || (before === null && after === null)) continue;
    const known = groups.get(key[0]) ?? { name: key[1], before: ZERO, after: ZERO };
    groups.set(key[0], {
      name: known.name,
      before: known.before.plus(decimal(before ?? '0')),
      after: known.after.plus(decimal(after ?? '0')),
    });
  }
  return [...groups]
    .map(([key, { name, before, after }]): GroupSum => ({ key, name, ...sumsOf(before, after) }))
    .sort(
      (a, b) =>
        decimal(b.difference).abs().comparedTo(decimal(a.difference).abs()) || (a.key < b.key ? -1 : 1),
    );
}

/** Money that is held already stands in the sums, under its own name. */
function heldSum({ before, after }: Sides): GroupSum | null {
  const sum = ({ priced: { sections }, printed }: Sides['before']): Decimal =>
    addAll(
      sections
        .filter(({ id }) => id === HELD)
        .flatMap(({ lines }) => lines.map(({ id }) => printed.get(id) ?? ZERO)),
    );
  const [a, b] = [sum(before), sum(after)];
  return a.isZero() && b.isZero() ? null : { key: HELD, name: 'Held already', ...sumsOf(a, b) };
}
