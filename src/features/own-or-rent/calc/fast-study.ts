/** A study in doubles, asked thousands of times: a value for each assumption in, the difference out. Its sums are those of
 * the exact calculation, done in another arithmetic. */
import { type Doubles, doublesFor } from './algebra';
import { assumptionsOf, type Assumption } from './assumptions';
import { SumBook } from './flow-book';
import { flow, groundOf } from './flows';
import type { Study, Variant } from './model';
import { SetValues } from './read-values';
import { MONTHS } from './setting';

export interface FastAnswer {
  own: number;
  rent: number;
}

export class FastStudy {
  readonly assumptions: readonly Assumption[];
  /** Every assumption at likely. */
  readonly likely: Float64Array;
  readonly own: SumBook;
  readonly rent: SumBook;
  readonly months: number;
  private readonly set: SetValues;
  private readonly doubles: Doubles;
  private readonly pair: readonly [Variant, Variant];

  constructor(
    readonly study: Study,
    against: readonly [string, string] = study.against,
  ) {
    this.assumptions = assumptionsOf(study);
    this.likely = Float64Array.from(this.assumptions, ({ value }) => Number(value.likely));
    this.months = study.years * MONTHS;
    this.set = new SetValues(study);
    this.doubles = doublesFor(this.months);
    this.own = new SumBook(this.months);
    this.rent = new SumBook(this.months);
    const find = (id: string): Variant => study.variants.find((each) => each.id === id) ?? study.variants[0]!;
    this.pair = [find(against[0]), find(against[1])];
  }

  /** Fills both books; gives what each side comes to by the basis of the study. */
  run(values: ArrayLike<number>): FastAnswer {
    const { study } = this;
    this.doubles.again();
    for (let at = 0; at < this.likely.length; at += 1) this.set.set(at, values[at]!);
    const ground = groundOf(this.doubles, study, this.set.values);
    this.own.clear();
    this.rent.clear();
    flow(ground, this.pair[0], this.own);
    flow(ground, this.pair[1], this.rent);
    return { own: this.total(this.own), rent: this.total(this.rent) };
  }

  /** By how much renting costs more. */
  difference(values: ArrayLike<number>): number {
    const { own, rent } = this.run(values);
    return rent - own;
  }

  private total({ cash, spread, worth }: SumBook): number {
    let sum = 0;
    for (const amount of this.study.basis === 'cash' ? cash : spread) sum += amount;
    return this.study.basis === 'cash' && this.study.worthLeft ? sum - worth : sum;
  }
}
