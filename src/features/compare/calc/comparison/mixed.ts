/**
 * The best of several sides: for each section (or line) the side that costs least among those that lack nothing of it.
 * What hangs on a design as a whole may cost more mixed than apart (tiers begin twice, plans are paid twice), so the mix is
 * priced anew, and the best pure side is taken where that costs less. Needs L19, L20.
 */
import type { AlternativeDesign, Alternator } from '../alternatives';
import { addAll, type Decimal, ZERO } from '@/engine/base';
import { allComponents, type Alternative, type Change, linesIn, type Scope } from '@/engine/design';
import { outsideOf } from '@/engine/moving';
import { type DesignPlan, monthlyOf, pinnedBooks } from '@/engine/pricing';
import { lacksSomething } from './stayed';

export interface MixedBest {
  /** What makes an alternative of it; empty: the design itself is the best. */
  readonly changes: readonly Change[];
  /** By section or line: the id of the side that was taken; null: the design. */
  readonly taken: ReadonlyMap<string, string | null>;
  readonly monthly: Decimal;
  /** How much more the mix costs than what was picked costs on its own sides; less than none: it saves. */
  readonly mixing: Decimal;
  /** Keys of the books that its lines stand in, in the order of the design. */
  readonly books: readonly string[];
  /** The id of the one side that was taken whole because no mix costs less; undefined: it is a mix. */
  readonly pure?: string | null;
}

interface Side {
  readonly id: string | null;
  readonly changes: readonly Change[];
  readonly amounts: ReadonlyMap<string, Decimal>;
  /** Lines that lack something here. */
  readonly lacking: ReadonlySet<string>;
  readonly monthly: Decimal;
  readonly books: readonly string[];
}

/**
 * Sides with a change that reaches the whole design and nothing less (another month, other prices) are left out.
 *
 * @example
 * const dearer = { id: 'x', name: 'X', note: '', changes: [{ change: 'move', what: { of: 'all' }, book: 'small', revision: 3, region: 'tasman' }] };
 * mixedBest(plan, [dearer], createAlternator(books), 'section').changes; // => []
 */
export function mixedBest(
  plan: DesignPlan,
  alternatives: readonly Alternative[],
  alternator: Alternator,
  by: 'section' | 'line',
): MixedBest {
  const { design, pricer } = plan;
  const price = (made: AlternativeDesign | null, id: string | null, changes: readonly Change[]): Side => {
    const own = made ? pricer.plan(made.design, plan) : plan;
    const priced = pricer.price(own, { case: 'likely' });
    const amounts = monthlyOf(priced);
    const lost = allComponents(made?.design ?? design).flatMap((line) =>
      amounts.has(line.id) ? [] : [line.id],
    );
    const outside = outsideOf(own.design, pinnedBooks(own.design, pricer.books)).map(({ line }) => line.id);
    const told = made?.outcomes.flatMap(({ lines }) =>
      lines.flatMap((line) =>
        line.issues.some((each) => lacksSomething(line.changed, each)) ? [line.id] : [],
      ),
    );
    return {
      id,
      changes,
      amounts,
      lacking: new Set([...lost, ...(told ?? []), ...outside]),
      monthly: priced.monthly.value,
      books: [...new Set(allComponents(own.design).flatMap(({ place }) => place?.book ?? []))],
    };
  };
  const sides = [
    price(null, null, []),
    ...alternatives
      .filter(({ changes }) => changes.every(isDivisible))
      .map((each) => price(alternator.apply(design, each), each.id, each.changes)),
  ];
  const parts: Scope[] =
    by === 'section'
      ? design.sections.map(({ id }) => ({ of: 'section', id }))
      : allComponents(design).map(({ id }) => ({ of: 'lines', ids: [id] }));
  const homes = new Map(
    design.sections.flatMap(({ id, components }) => components.map((each) => [each.id, id])),
  );
  const taken = new Map<string, string | null>();
  const changes: Change[] = [];
  let picked = ZERO;
  for (const part of parts) {
    const ids = linesIn(design, part).map(({ id }) => id);
    const { side, amount } = bestFor(ids, sides);
    picked = picked.plus(amount);
    taken.set(part.of === 'section' ? part.id : ids[0]!, side.id);
    changes.push(...side.changes.flatMap((change) => within(change, part, ids, homes)));
  }
  const mixed =
    changes.length === 0 ? sides[0]! : price(alternator.apply(design, { changes }), 'mixed', changes);
  const pure = sides
    .filter(({ lacking }) => [...lacking].every((id) => sides[0]!.lacking.has(id)))
    .reduce((best, side) => (side.monthly.lessThan(best.monthly) ? side : best), sides[0]!);
  if (pure.monthly.lessThanOrEqualTo(mixed.monthly)) {
    return {
      changes: pure.changes,
      taken,
      monthly: pure.monthly,
      mixing: mixed.monthly.minus(picked),
      books: pure.books,
      pure: pure.id,
    };
  }
  return {
    changes,
    taken,
    monthly: mixed.monthly,
    mixing: mixed.monthly.minus(picked),
    books: mixed.books,
  };
}

/** Of sides that lack nothing of these lines that the design has; the design itself always counts. */
function bestFor(
  ids: readonly string[],
  sides: readonly Side[],
): { readonly side: Side; readonly amount: Decimal } {
  const [own] = sides;
  const amountOf = ({ amounts }: Side): Decimal => addAll(ids.flatMap((id) => amounts.get(id) ?? []));
  let best = { side: own!, amount: amountOf(own!) };
  for (const side of sides.slice(1)) {
    if (ids.some((id) => side.lacking.has(id) && !own!.lacking.has(id))) continue;
    const amount = amountOf(side);
    if (amount.lessThan(best.amount)) best = { side, amount };
  }
  return best;
}

/** Whether a change can be made for a part of the design alone. */
function isDivisible(change: Change): boolean {
  switch (change.change) {
    case 'revision':
      return false;
    case 'edit':
      return change.edit.edit === 'set-component' || change.edit.edit === 'set-usage';
    // Leaving out is no way to do the same for less.
    case 'leave-out':
    case 'traffic':
      return false;
    default:
      return true;
  }
}

/** A change as far as it reaches into a part. */
function within(
  change: Change,
  part: Scope,
  ids: readonly string[],
  homes: ReadonlyMap<string, string>,
): Change[] {
  if (change.change === 'edit') return 'id' in change.edit && ids.includes(change.edit.id) ? [change] : [];
  if (change.change === 'revision') return [];
  const { what } = change;
  if (what.of === 'all') return [{ ...change, what: part }];
  const reached =
    what.of === 'lines'
      ? what.ids.filter((id) => ids.includes(id))
      : ids.filter((id) => homes.get(id) === what.id);
  if (what.of === 'section' && part.of === 'section' && reached.length > 0) return [change];
  return reached.length > 0 ? [{ ...change, what: { of: 'lines', ids: reached } }] : [];
}
