/**
 * A formula worked out as steps of the trace, with the values of its drivers. Units are checked on the way; what cannot
 * be worked out is an issue, never a zero. Source: pricing rules, "Load curves".
 */
import { decimal, err, type Issue, issue, ok, ONE, type Result, ZERO } from '../base';
import {
  ceiling,
  difference,
  entered,
  type Figure,
  given,
  greatest,
  least,
  product,
  quotient,
  relabel,
  sum,
} from '../trace';
import { type Case, readCase } from '../usage';
import {
  isOwnThing,
  joined,
  type Measure,
  NO_MEASURE,
  readMeasure,
  scaleBetween,
  writeMeasure,
} from './measure';
import type { Driver } from './model';
import type { Formula, Node } from './parse';

/** Whose entry a driver is, where traces and programs name entries. */
export const DRIVERS = 'drivers';

/** The driver that every design has: all that follows traffic, so many times. No name of a driver is like it. */
export const TRAFFIC = '*';

/** What a formula is to fill. */
export interface Filled {
  readonly label: string;
  /** The entry's unit; empty: a mere number. */
  readonly unit: string;
  /** Counts: rounded up, whatever the formula gives. */
  readonly whole: boolean;
}

interface Worked {
  readonly figure: Figure;
  readonly measure: Measure;
}

class Fault extends Error {
  constructor(readonly issue: Issue) {
    super(issue.code);
  }
}

/**
 * The steps of a formula in one case. Refused: `formula.refers-to-nothing`, `formula.unit`, `formula.divides-by-zero`,
 * `formula.negative`.
 *
 * @example
 * const users = { name: 'users', title: 'Users', unit: 'user', value: { likely: '200' }, from: '1', to: '900', scale: 'linear' };
 * const formula = must(parseFormula('users * 30[request/user]'));
 * must(formulaSteps(formula, [users], 'likely', { label: 'Requests', unit: 'request', whole: false })).value.toString(); // => '6000'
 */
export function formulaSteps(
  formula: Formula,
  drivers: readonly Driver[],
  which: Case,
  filled: Filled,
): Result<Figure> {
  try {
    const worked = new Working(drivers, which, formula.text).of(formula.root);
    return ok(filledBy(worked, formula, filled));
  } catch (error) {
    if (error instanceof Fault) return err(error.issue);
    throw error;
  }
}

function filledBy({ figure, measure }: Worked, { text }: Formula, { label, unit, whole }: Filled): Figure {
  const wanted = readMeasure(unit);
  // A counted thing of one's own is a count; what is entered is for one month.
  const own = wanted.length === 0 && isOwnThing(measure) ? NO_MEASURE : measure;
  const scale =
    scaleBetween(own, wanted) ?? scaleBetween(own, joined(wanted, readMeasure('month'), -1).measure);
  if (scale === null) {
    const values = { text, given: writeMeasure(measure), wanted: unit, label };
    throw new Fault(issue('formula.unit', ['formula'], values));
  }
  const note = `follows ${text}`;
  let made = scale.equals(ONE)
    ? figure
    : product(label, unit, [figure, given(`1 ${writeMeasure(measure)} in ${unit}`, scale, unit)]);
  if (whole) made = ceiling(label, unit, made, 'whole units: rounded up');
  if (made.value.isNegative()) {
    throw new Fault(
      issue('formula.negative', ['formula'], { text, amount: made.value.toSignificantDigits(6).toString() }),
    );
  }
  // A leaf stays the entry that it is.
  if (made.parts.length === 0) return product(label, unit, [made], note);
  return relabel({ ...made, unit }, label, note);
}

class Working {
  private readonly drivers: ReadonlyMap<string, Driver>;

  constructor(
    drivers: readonly Driver[],
    private readonly which: Case,
    private readonly text: string,
  ) {
    this.drivers = new Map(drivers.map((each) => [each.name, each]));
  }

  of(node: Node): Worked {
    switch (node.is) {
      case 'number':
        return {
          figure: given('Number', node.value, node.unit),
          measure: readMeasure(node.unit),
        };
      case 'driver':
        return this.driver(node.name);
      case 'sum':
      case 'difference':
        return this.alike([node.left, node.right], node.is);
      case 'least':
      case 'greatest':
        return this.alike(node.parts, node.is);
      case 'product':
      case 'quotient':
        return this.joined(this.of(node.left), this.of(node.right), node.is);
      case 'ceiling': {
        const { figure, measure } = this.of(node.part);
        return { figure: ceiling('Rounded up', figure.unit, figure), measure };
      }
    }
  }

  private driver(name: string): Worked {
    const driver = this.drivers.get(name);
    if (!driver) {
      const all = [...this.drivers.keys()].join(', ');
      throw new Fault(issue('formula.refers-to-nothing', ['formula'], { name, all, text: this.text }));
    }
    const { title, unit, value } = driver;
    const amount = decimal(readCase(value, this.which));
    return {
      figure: entered(title, amount, unit, { component: DRIVERS, entry: name }),
      measure: readMeasure(unit),
    };
  }

  /** Parts that have to be measured in the same. */
  private alike(nodes: readonly Node[], is: 'sum' | 'difference' | 'least' | 'greatest'): Worked {
    const parts = nodes.map((node) => this.of(node));
    // Zero is none of anything.
    const first = parts.find(({ figure }) => !isNothing(figure)) ?? parts[0]!;
    const { measure } = first;
    const unit = writeMeasure(measure);
    const figures = parts.map((part) => (isNothing(part.figure) ? part.figure : this.inUnit(part, first)));
    const label = { sum: 'Together', difference: 'Less', least: 'At most', greatest: 'At least' }[is];
    const make = { sum, least, greatest }[is as 'sum'];
    const figure =
      is === 'difference' ? difference(label, unit, figures as [Figure, Figure]) : make(label, unit, figures);
    return { figure, measure };
  }

  private inUnit({ figure, measure }: Worked, first: Worked): Figure {
    const scale = scaleBetween(measure, first.measure);
    const [from, to] = [writeMeasure(measure), writeMeasure(first.measure)];
    if (scale === null) {
      throw new Fault(issue('formula.mixes-units', ['formula'], { text: this.text, from, to }));
    }
    if (scale.equals(ONE)) return figure;
    return product(`In ${to}`, to, [figure, given(`1 ${from} in ${to}`, scale, to)]);
  }

  private joined(left: Worked, right: Worked, is: 'product' | 'quotient'): Worked {
    const { measure, scale } = joined(left.measure, right.measure, is === 'product' ? 1 : -1);
    const unit = writeMeasure(measure);
    const factor = scale.equals(ONE) ? null : given('Between units', scale, '');
    if (is === 'product') {
      const parts = [left.figure, right.figure, ...(factor ? [factor] : [])];
      return { figure: product('Times', unit, parts), measure };
    }
    if (right.figure.value.isZero()) {
      throw new Fault(issue('formula.divides-by-zero', ['formula'], { text: this.text }));
    }
    const divided = quotient('Divided', unit, [left.figure, right.figure]);
    return { figure: factor ? product('Divided', unit, [divided, factor]) : divided, measure };
  }
}

function isNothing(figure: Figure): boolean {
  return figure.operation === 'given' && !figure.input && figure.unit === '' && figure.value.equals(ZERO);
}
