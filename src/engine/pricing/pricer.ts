/**
 * The engine: design × books → lines, pools, totals, each with its trace. A plan is a design that has been looked at
 * once; it can be asked many times, under many conditions, and only what differs is worked out. What a pricer keeps is
 * its own, and none of it can change an answer: a property test holds every way of asking against pricing anew. Source:
 * pricing rules, "From usage to amount", "Three cases".
 */
import type { Design } from '../design';
import type { SpendMember } from '../terms';
import { type Figure, relabel } from '../trace';
import { type Case, CASES } from '../usage';
import type { BookSet } from './book-set';
import { type Conditions, designUnder, settingsOf, whenOf } from './conditions';
import { contextFor, type When } from './context';
import { CostMemory } from './cost-memory';
import type { Run } from './run-state';
import type { PricedDesign, PricedLine } from './priced';
import { run, runLine } from './run';

/** A design as a pricer knows it. Nothing in it ever changes. */
export interface DesignPlan {
  readonly design: Design;
  readonly pricer: Pricer;
}

/** Which amount: the design's, a section's, a component's. */
export type AmountOf =
  { readonly of: 'design' } | { readonly of: 'section' | 'component'; readonly id: string };

export interface Pricer {
  readonly books: BookSet;
  /** `from`: an earlier plan of this pricer, of which everything is taken over that did not change. */
  plan(design: Design, from?: DesignPlan): DesignPlan;
  /** Never throws on what a person can enter: a line without an amount says why. */
  price(plan: DesignPlan, under: Conditions): PricedDesign;
  /** The very calculation behind an amount; null where there is none. */
  explain(plan: DesignPlan, under: Conditions, amount: AmountOf): Figure | null;
  /** What a spend commitment of the plan may buy in a case, hour by hour, as those before it left it. */
  offeredTo(plan: DesignPlan, under: Conditions, commitment: string): readonly SpendMember[];
  /** These lines and all that share a pool, a grant, a commitment or a credit with one of them, as they stand. */
  tiedTo(plan: DesignPlan, lines: ReadonlySet<string>): ReadonlySet<string>;
}

/**
 * A pricer over books. The set may come to hold more of a revision later; a revision itself never changes.
 *
 * @example
 * const pricer = createPricer(books);
 * const plan = pricer.plan(design);
 * pricer.price(plan, { case: 'likely' }).monthly.value.toString(); // => '146'
 * const more = new Map([['a', { ...design.sections[0]!.components[0]!, count: { likely: '3' } }]]);
 * pricer.price(plan, { case: 'likely', instead: more }).monthly.value.toString(); // => '219'
 */
export function createPricer(books: BookSet): Pricer {
  return new Engine(books);
}

/**
 * A plan of its own pricer, for a design that is asked about once.
 *
 * @example
 * planOf(design, books).design === design; // => true
 */
export function planOf(design: Design, books: BookSet): DesignPlan {
  return createPricer(books).plan(design);
}

/** What a pricer keeps of a plan. */
interface Memory {
  /** As it stands, with the steps of what follows a driver. */
  readonly design: Design;
  readonly own: Map<Case, Run>;
  /** Of the plan before; given up once this one has a run of its own for the case. */
  readonly before: Map<Case, Run>;
  /** Under other conditions, the last. */
  recent: Run | null;
}

/** The three cases, of the design and of a month or two. */
const MOST_SETTINGS = 9;

class Engine implements Pricer {
  private readonly memories = new WeakMap<DesignPlan, Memory>();

  constructor(readonly books: BookSet) {}

  plan(design: Design, from?: DesignPlan): DesignPlan {
    const plan: DesignPlan = { design, pricer: this };
    const earlier = from && this.memories.get(from);
    const before = new Map([...(earlier?.before ?? []), ...(earlier?.own ?? [])]);
    const stands = designUnder(design, { case: 'likely' });
    this.memories.set(plan, { design: stands, own: new Map(), before, recent: null });
    return plan;
  }

  price(plan: DesignPlan, under: Conditions): PricedDesign {
    return this.runUnder(plan, under).priced;
  }

  private runUnder(plan: DesignPlan, under: Conditions): Run {
    const memory = this.memories.get(plan);
    if (!memory) throw new Error('the plan is of another pricer');
    if (isPlain(under)) return this.ownRun(memory, under.case);
    const design = designUnder(plan.design, under);
    if (under.month === undefined && design === memory.design) return this.ownRun(memory, under.case);
    // A month may be asked for where the design as it stands never is.
    const base = under.month === undefined ? this.ownRun(memory, under.case) : null;
    const earlier = base
      ? [base, memory.recent]
      : [memory.recent, memory.own.get(under.case), memory.before.get(under.case)];
    const from = earlier.filter((each): each is Run => !!each);
    memory.recent = this.run(design, under.case, whenOf(plan.design, under.month ?? 0), from);
    return memory.recent;
  }

  explain(plan: DesignPlan, under: Conditions, amount: AmountOf): Figure | null {
    const alone = amount.of === 'component' ? this.lineAlone(plan, under, amount.id) : null;
    if (alone) return alone.status === 'priced' ? alone.monthly : null;
    const priced = this.price(plan, under);
    if (amount.of === 'design') return designFigure(priced);
    for (const section of priced.sections) {
      if (amount.of === 'section' && section.id === amount.id) return section.monthly;
      const line = section.lines.find((each) => each.id === amount.id);
      if (amount.of === 'component' && line) return line.status === 'priced' ? line.monthly : null;
    }
    return null;
  }

  offeredTo(plan: DesignPlan, under: Conditions, commitment: string): readonly SpendMember[] {
    for (const { charged } of this.runUnder(plan, under).groups.values()) {
      const found = charged.offered.get(commitment);
      if (found) return found;
    }
    return [];
  }

  tiedTo(plan: DesignPlan, lines: ReadonlySet<string>): ReadonlySet<string> {
    const memory = this.memories.get(plan);
    if (!memory) throw new Error('the plan is of another pricer');
    if (lines.size === 0) return lines;
    const { groups, credits, shares, opened } = this.ownRun(memory, 'likely');
    // Credit and shares of spend look at everything.
    if (credits.size > 0 || shares.size > 0) return new Set(opened.keys());
    const tied = new Set(lines);
    for (const { members } of groups.values()) {
      const ids = members.map(({ value }) => value.component.id);
      if (ids.some((each) => lines.has(each))) for (const each of ids) tied.add(each);
    }
    return tied;
  }

  /** Where nothing of the plan was priced yet, one line needs what is tied to it and no more. */
  private lineAlone(plan: DesignPlan, under: Conditions, id: string): PricedLine | null {
    const memory = this.memories.get(plan);
    if (!memory || memory.own.has(under.case) || memory.recent || memory.before.size > 0) return null;
    const design = designUnder(plan.design, under);
    const when = whenOf(plan.design, under.month ?? 0);
    const settings = this.settings(design, when);
    const context = contextFor(design, under.case, when, this.costs(settings, under.case));
    return runLine(id, design, this.books, context, settings);
  }

  private ownRun({ design, own, before }: Memory, which: Case): Run {
    const known = own.get(which);
    if (known) return known;
    // First the same case of the plan before, then whatever other case is here: most lines are the same in all three.
    const others = CASES.flatMap((each) => (each === which ? [] : [own.get(each), before.get(each)]));
    const from = [before.get(which), ...others].filter((each): each is Run => each !== undefined);
    const made = this.run(design, which, whenOf(design, 0), from);
    own.set(which, made);
    before.delete(which);
    return made;
  }

  private run(design: Design, which: Case, when: When, from: readonly Run[]): Run {
    const settings = this.settings(design, when);
    const context = contextFor(design, which, when, this.costs(settings, which));
    return run(design, this.books, context, settings, { from });
  }

  private readonly costsBy = new Map<string, CostMemory>();

  /** Of the newest settings only: months and variations come one after the other. */
  private costs(settings: string, which: Case): CostMemory {
    const key = `${which}\n${settings}`;
    const known = this.costsBy.get(key);
    if (known) return known;
    if (this.costsBy.size >= MOST_SETTINGS) this.costsBy.clear();
    const made = new CostMemory();
    this.costsBy.set(key, made);
    return made;
  }

  private lastSettings: { readonly design: Design; readonly when: When; readonly text: string } | null = null;

  /** Variations of a design are mostly asked for under the settings of the one before. */
  private settings(design: Design, when: When): string {
    const { lastSettings: last } = this;
    const same =
      last?.design.assumptions === design.assumptions &&
      last.design.agreements === design.agreements &&
      last.design.currency === design.currency &&
      last.design.sold === design.sold &&
      last.when.month === 0 &&
      when.month === 0 &&
      last.when.date === when.date;
    if (same) return last!.text;
    const text = settingsOf(design, this.books, when);
    this.lastSettings = { design, when, text };
    return text;
  }
}

/** The design as it stands, whatever the case. */
function isPlain({ month, load, instead, drivers }: Conditions): boolean {
  return month === undefined && !load && !instead?.size && !drivers?.size;
}

/** The design's own figure stops at its sections; each of those opens by itself. */
function designFigure({ monthly }: PricedDesign): Figure {
  const parts = monthly.parts.map((part) => ({ ...part, parts: [], operation: 'given' as const }));
  return relabel({ ...monthly, parts }, 'Design');
}

/**
 * One case of a design, priced once. `when` is the month it stands for, the first if not said.
 *
 * @example
 * priceDesign(design, books, 'likely').monthly.value.toString(); // => '146'
 */
export function priceDesign(design: Design, books: BookSet, which: Case, when?: When): PricedDesign {
  const at = when ?? whenOf(design, 0);
  const stands = designUnder(design, { case: which });
  const settings = settingsOf(stands, books, at);
  return run(stands, books, contextFor(stands, which, at), settings).priced;
}

/**
 * All three cases of a design, priced once. What is the same in all of them is worked out once.
 *
 * @example
 * Object.keys(priceCases(design, books)); // => ['lean', 'likely', 'heavy']
 */
export function priceCases(design: Design, books: BookSet): Record<Case, PricedDesign> {
  return casesOf(planOf(design, books));
}

/**
 * The three cases of a plan as it stands.
 *
 * @example
 * casesOf(plan).heavy.monthly.value.toString(); // => '146'
 */
export function casesOf(plan: DesignPlan): Record<Case, PricedDesign> {
  const price = (which: Case): PricedDesign => plan.pricer.price(plan, { case: which });
  const likely = price('likely');
  return { lean: price('lean'), likely, heavy: price('heavy') };
}
