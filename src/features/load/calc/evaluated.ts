/** One side of a curve: its amount at any place, quickly or exactly. */
import type { Decimal } from '@/engine/base';
import { type AmountOf, monthlyOf, type PricedDesign } from '@/engine/pricing';
import { MixedProgram } from '@/engine/program';
import type { CurveSide } from './model';

export class Evaluated {
  readonly program: MixedProgram;
  /** As it stands. */
  readonly unpriced: number;
  private readonly at: readonly number[] | null;
  private readonly known = new Map<number, number>();

  constructor(
    readonly side: CurveSide,
    private readonly what: AmountOf,
  ) {
    const { plan, varied } = side;
    this.program = new MixedProgram(plan, [varied]);
    this.unpriced = plan.pricer.price(plan, { case: 'likely' }).unpriced;
    const ids = idsOf(what, side);
    this.at = ids && this.program.lines.flatMap((line, at) => (ids.has(line) ? [at] : []));
  }

  /** NaN: no amount there. */
  near(x: number): number {
    const before = this.known.get(x);
    if (before !== undefined) return before;
    let amount = this.program.run([x]);
    if (this.at) {
      amount = 0;
      for (const line of this.at) amount += this.program.amounts[line]!;
    }
    this.known.set(x, amount);
    return amount;
  }

  /** The months of all lines at a place, in the order of the program. */
  lines(x: number): Float64Array {
    this.program.run([x]);
    return Float64Array.from(this.program.amounts);
  }

  priced(x: number): PricedDesign {
    return this.program.exact([x]);
  }

  /** Null: a line that has an amount as it stands has none there. */
  exact(x: number): Decimal | null {
    const priced = this.priced(x);
    if (priced.unpriced > this.unpriced) return null;
    const { what } = this;
    if (what.of === 'design') return priced.monthly.value;
    if (what.of === 'component') return monthlyOf(priced).get(what.id) ?? null;
    return priced.sections.find(({ id }) => id === what.id)?.monthly.value ?? null;
  }
}

/** Null: all of them. */
function idsOf(what: AmountOf, { plan }: CurveSide): ReadonlySet<string> | null {
  if (what.of === 'design') return null;
  if (what.of === 'component') return new Set([what.id]);
  const section = plan.design.sections.find(({ id }) => id === what.id);
  return new Set(section?.components.map(({ id }) => id));
}
