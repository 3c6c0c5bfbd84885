/**
 * A design that is asked for thousands of times with other values of a few entries. Lines that the program follows run
 * in doubles; those that it does not (a choice inside changes: an offer, hours above a commitment, units of an autoscale)
 * are priced by the engine, with what is tied to them and nothing else. Which is which is tried beforehand at many
 * points; relative differences above 1e-9 put a line on the engine's side. Source: pricing rules, "Load curves", "Three
 * cases".
 */
import { type Random, seededRandom } from '../base';
import { allComponents, type Component } from '../design';
import { DRIVERS, TRAFFIC } from '../drivers';
import type { DesignPlan, PricedDesign } from '../pricing';
import type { EntryOf } from '../trace';
import { agrees } from './followed';
import { nameOf, type Program, programOf } from './program';
import { underEntries } from './under';

/** An entry that varies, and between which values. */
export interface Varied extends EntryOf {
  readonly low: number;
  readonly high: number;
  /** What it is as the design stands. */
  readonly now: number;
  /** Counts are whole. */
  readonly whole?: boolean;
}

const CORNERS = 4;
const RANDOM = 4;

/** Beside a value of now: what makes a factor of one show in the traces. */
const TWICE = 2;

export class MixedProgram {
  private readonly program: Program;
  private readonly components: ReadonlyMap<string, Component>;
  /** Of each input of the program: its place among what varies. */
  private readonly places: Int32Array;
  private readonly given: Float64Array;
  /** The engine's side: a design of its own with those lines; null: the program follows all. */
  private readonly rest: DesignPlan | null;
  /** Ids of the lines of the design that have an amount, in order. */
  readonly lines: readonly string[];
  /** The month of each line, as the last run left it. NaN: there is none. */
  readonly amounts: Float64Array;
  /** Lines that the engine prices. */
  readonly plainLines: ReadonlySet<string>;
  private readonly follows: Int32Array;
  private readonly plainAt: ReadonlyMap<string, number>;
  /** How often the engine was asked since the beginning. */
  asked = 0;

  constructor(
    private readonly plan: DesignPlan,
    readonly varied: readonly Varied[],
  ) {
    this.components = new Map(allComponents(plan.design).map((each) => [each.id, each]));
    const names = new Map(varied.map((each, at) => [nameOf(each), at]));
    this.program = programOf(this.seen(), (input) => names.has(nameOf(input)));
    this.places = Int32Array.from(this.program.inputs, (input) => names.get(nameOf(input))!);
    this.given = new Float64Array(this.places.length);
    this.lines = this.program.lines;
    this.amounts = new Float64Array(this.lines.length);
    const wrong = this.tried();
    const { pricer } = plan;
    this.plainLines = wrong.size === 0 ? wrong : pricer.tiedTo(plan, wrong);
    this.rest = this.plainLines.size === 0 ? null : pricer.plan(this.only(this.plainLines));
    const plainAt = new Map<string, number>();
    const follows: number[] = [];
    this.lines.forEach((line, at) => (this.plainLines.has(line) ? plainAt.set(line, at) : follows.push(at)));
    this.plainAt = plainAt;
    this.follows = Int32Array.from(follows);
  }

  /** The month of the whole design with these values, one for each of what varies. NaN: a line has no amount there. */
  run(values: ArrayLike<number>): number {
    const { amounts, program } = this;
    this.fast(values);
    let total = 0;
    for (const at of this.follows) {
      amounts[at] = program.amounts[at]!;
      total += amounts[at]!;
    }
    if (!this.rest) return total;
    this.asked += 1;
    const priced = this.rest.pricer.price(this.rest, underEntries(this.varied, values, this.components));
    for (const { lines } of priced.sections) {
      for (const line of lines) {
        const at = this.plainAt.get(line.id);
        if (at === undefined) continue;
        amounts[at] = line.status === 'priced' ? line.monthly.value.toNumber() : Number.NaN;
        total += amounts[at]!;
      }
    }
    return total;
  }

  /** The same by the decimal path, whole. Values as text keep all their digits. */
  exact(values: ArrayLike<number | string>): PricedDesign {
    this.asked += 1;
    return this.plan.pricer.price(this.plan, underEntries(this.varied, values, this.components));
  }

  private fast(values: ArrayLike<number>): void {
    for (let at = 0; at < this.places.length; at += 1) this.given[at] = values[this.places[at]!]!;
    this.program.run(this.given);
  }

  /** Traces in which everything that varies shows: the usual traffic is no step of its own, twice the traffic is. */
  private seen(): PricedDesign {
    const { plan } = this;
    const traffic = this.varied.some(({ component, entry }) => component === DRIVERS && entry === TRAFFIC);
    if (!traffic) return plan.pricer.price(plan, { case: 'likely' });
    const values = this.varied.map(({ entry, component, now }) =>
      component === DRIVERS && entry === TRAFFIC ? TWICE : now,
    );
    return plan.pricer.price(plan, underEntries(this.varied, values, this.components));
  }

  /** Lines of which the program says anything else than the engine, at the ends, in the middle and at random. */
  private tried(): Set<string> {
    const random = seededRandom('tried');
    const wrong = new Set<string>();
    for (let probe = 0; probe < CORNERS + RANDOM; probe += 1) {
      const values = this.varied.map((each) => probed(each, probe, random));
      const priced = this.exact(values);
      this.fast(values);
      const expected = new Map(
        priced.sections.flatMap(({ lines }) =>
          lines.map((line) => [line.id, line.status === 'priced' ? line.monthly.value.toNumber() : null]),
        ),
      );
      this.lines.forEach((line, at) => {
        if (!agrees(this.program.amounts[at]!, expected.get(line) ?? null)) wrong.add(line);
      });
    }
    this.asked = 0;
    return wrong;
  }

  private only(lines: ReadonlySet<string>) {
    const { alternatives: _, ...design } = this.plan.design;
    return {
      ...design,
      sections: design.sections
        .map((section) => ({
          ...section,
          components: section.components.filter(({ id }) => lines.has(id)),
        }))
        .filter(({ components }) => components.length > 0),
    };
  }
}

function probed({ low, high, now, whole }: Varied, probe: number, random: Random): number {
  const [first, last] = [Math.min(low, now), Math.max(high, now)];
  const value =
    probe === 0
      ? first
      : probe === 1
        ? last
        : probe === 2
          ? now
          : probe === 3
            ? (first + last) / 2
            : between(first, last, random);
  return whole ? Math.round(value) : value;
}

/** Small values are as likely as large ones: that is where allowances end. */
function between(low: number, high: number, random: Random): number {
  const part = random.next();
  if (low <= 0 || random.next() < 0.5) return low + (high - low) * part;
  return low * (high / low) ** part;
}
