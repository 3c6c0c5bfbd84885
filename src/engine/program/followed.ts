/**
 * Which entries a program follows. The steps come from the traces; whatever a trace froze (hours above a commitment,
 * units of a rank) would go on with the old value. So every entry is tried: the design is priced with other values, and
 * where the program gives anything else the entry is refused. Nothing that cannot be followed is an input.
 */
import { Decimal, decimal, ONE } from '../base';
import { allComponents, type Component } from '../design';
import { DRIVERS } from '../drivers';
import type { DesignPlan, PricedDesign } from '../pricing';
import type { EntryOf } from '../trace';
import { withEntry } from './entries';
import { nameOf, type Program, type ProgramInput, programOf } from './program';

/** Counts stay whole, shares and hours go down only, sizes stay near: an offer may have limits. */
interface Probe {
  readonly whole: (value: Decimal) => Decimal;
  readonly size: string;
  readonly bounded: string;
  readonly free: string;
  /**
   * Every other entry, the even or the odd ones, goes so far that an offer may not be sold there: what has no amount then
   * says nothing. Every other one, because of two that are divided by one another nothing would be left.
   */
  readonly far?: 'even' | 'odd';
}

const PROBES: readonly Probe[] = [
  { whole: (value) => value.times(2).plus(1), size: '1.07', bounded: '0.83', free: '1.37' },
  { whole: (value) => value.plus(3), size: '0.93', bounded: '0.4', free: '0.4' },
  { whole: (value) => value.dividedBy(3).ceil(), size: '0.97', bounded: '0.05', free: '0.05' },
  { whole: (value) => Decimal.min(value, ONE), size: '1.03', bounded: '0.61', free: '2.9' },
  // Beyond what is included free: below it anything that a trace froze comes to the same nothing.
  { whole: (value) => value, size: '1.01', bounded: '0.9', free: '1000', far: 'even' },
  { whole: (value) => value, size: '1.01', bounded: '0.9', free: '1000', far: 'odd' },
];

function probed({ entry, value }: ProgramInput, probe: Probe, at: number): Decimal {
  const before = decimal(value);
  if (entry === 'count' || entry === 'committed') return probe.whole(before);
  if (entry.startsWith('size/')) return before.times(probe.size);
  if (entry.startsWith('running/') || entry === 'allocated') return before.times(probe.bounded);
  const stays = probe.far !== undefined && (at % 2 === 0) !== (probe.far === 'even');
  return stays ? before : before.times(probe.free);
}

/** So many entries are tried one by one before all that may be wrong are refused together. */
const MOST_ALONE = 400;
const ROUNDS = 4;

/** Relative, and of one unit of money. */
const NEAR = 1e-9;

export interface CompiledProgram {
  readonly program: Program;
  /** Entries that stand in the traces and are not followed. */
  readonly refused: readonly EntryOf[];
}

/**
 * The program of a plan's likely case with the entries that it follows; `wanted` says which are asked for.
 *
 * @example
 * const { program } = compileProgram(plan);
 * program.run(program.inputs.map(({ value }) => value)); // => 146
 */
export function compileProgram(
  plan: DesignPlan,
  wanted: (entry: EntryOf) => boolean = () => true,
): CompiledProgram {
  const likely = plan.pricer.price(plan, { case: 'likely' });
  const everything = programOf(likely, wanted);
  const trial = new Trial(plan, likely, everything);
  const followed = trial.followed();
  const kept = new Set(followed.map(nameOf));
  const refused = everything.inputs.filter((input) => !kept.has(nameOf(input)));
  const program = refused.length === 0 ? everything : programOf(likely, (input) => kept.has(nameOf(input)));
  return { program, refused };
}

class Trial {
  private readonly components: ReadonlyMap<string, Component>;
  private readonly drivers: ReadonlySet<string>;

  constructor(
    private readonly plan: DesignPlan,
    likely: PricedDesign,
    private readonly program: Program,
  ) {
    this.drivers = new Set((plan.design.assumptions.drivers ?? []).map(({ name }) => name));
    const priced = new Set(likely.sections.flatMap(({ lines }) => lines.map((line) => line.id)));
    this.components = new Map(
      allComponents(plan.design)
        .filter((each) => priced.has(each.id))
        .map((each) => [each.id, each]),
    );
  }

  /** Together first; where lines are wrong, the entries that reach them each alone; and together again. */
  followed(): readonly ProgramInput[] {
    let live = this.program.inputs.filter((input) => this.isKnown(input));
    for (let round = 0; round < ROUNDS; round += 1) {
      const wrong = this.wrong(live);
      if (wrong.size === 0) return live;
      const behind = this.program.inputsBehind(wrong);
      const suspects = live.filter(
        (input) => wrong.has(input.component) || behind.has(this.program.inputs.indexOf(input)),
      );
      const alone = round === 0 && suspects.length <= MOST_ALONE;
      const refused = new Set(alone ? suspects.filter((input) => this.wrong([input]).size > 0) : suspects);
      live = live.filter((input) => !refused.has(input));
    }
    return this.wrong(live).size === 0 ? live : [];
  }

  /** Whether the engine can be asked with another value of it. */
  private isKnown({ component, entry }: EntryOf): boolean {
    if (component === DRIVERS) return this.drivers.has(entry);
    return this.changed({ component, entry }, 1) !== null;
  }

  private changed({ component, entry }: EntryOf, value: Decimal | number): Component | null {
    const found = this.components.get(component);
    return found ? withEntry(found, entry, new Decimal(value).toString()) : null;
  }

  /** Lines of which the program says anything else than the engine, when `live` are changed together. */
  private wrong(live: readonly EntryOf[]): Set<string> {
    const { inputs } = this.program;
    const moved = new Set(live.map(nameOf));
    const found = new Set<string>();
    for (const probe of PROBES) {
      const values = inputs.map((input, at) =>
        moved.has(nameOf(input)) ? probed(input, probe, at).toNumber() : input.value,
      );
      const instead = new Map<string, Component>();
      const drivers = new Map<string, Decimal>();
      inputs.forEach((input, at) => {
        if (!moved.has(nameOf(input))) return;
        if (input.component === DRIVERS) {
          drivers.set(input.entry, new Decimal(values[at]!));
          return;
        }
        const component = instead.get(input.component) ?? this.components.get(input.component)!;
        instead.set(input.component, withEntry(component, input.entry, new Decimal(values[at]!).toString())!);
      });
      const priced = this.plan.pricer.price(this.plan, { case: 'likely', instead, drivers });
      this.program.run(values);
      for (const line of wrongLines(this.program, priced, probe.far !== undefined)) found.add(line);
    }
    return found;
  }
}

function wrongLines(program: Program, priced: PricedDesign, isFar: boolean): string[] {
  const expected = new Map(
    priced.sections.flatMap(({ lines }) =>
      lines.map(
        (line) => [line.id, line.status === 'priced' ? line.monthly.value.toNumber() : null] as const,
      ),
    ),
  );
  return program.lines.filter((line, at) => {
    const [ours, engine] = [program.amounts[at]!, expected.get(line) ?? null];
    return !(isFar && (engine === null || Number.isNaN(ours))) && !agrees(ours, engine);
  });
}

export function agrees(ours: number, engine: number | null): boolean {
  return engine !== null && Math.abs(ours - engine) <= NEAR * Math.max(1, Math.abs(engine));
}
