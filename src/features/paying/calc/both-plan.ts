/**
 * Commitments by line and a commitment for every hour, together. What a line's commitment pays, the other cannot: so the
 * two are found one after the other, each for what the other leaves, until neither changes. Four ways are priced by the
 * engine in all three cases: neither, each alone, both. Needs E15, F14, P7.
 */
import { decimal } from '@/engine/base';
import { type Component, type Design, findComponent } from '@/engine/design';
import type { DesignPlan } from '@/engine/pricing';
import type { Term } from '@/engine/terms';
import { byCase } from './by-case';
import type { ByCase } from './model';
import { hoursOfMonth } from './month-of';
import { leastRegret } from './regret';
import { costOfMoney, type SpendWish, TRIED, withCommitment, writeLevel } from './spend-line';
import { SpendWeek } from './spend-week';
import { committedTo, usagePlan } from './usage-plan';

/** So many changes of one line are tried at most, the lines that gain most first: a person waits for it. */
const MOST_TRIES = 100;
const MOST_ROUNDS = 4;

export interface BothRow {
  readonly way: 'neither' | 'lines' | 'hours' | 'both';
  /** Units by line; only lines that are committed. */
  readonly units: readonly { readonly id: string; readonly units: string }[];
  /** Money for every hour; `0`: none. */
  readonly level: string;
  /** The month of the design, exact. */
  readonly amounts: ByCase<string>;
}

export interface BothPlan {
  readonly currency: string;
  readonly lineTerm: Term;
  readonly hourTerm: Term;
  readonly rows: readonly BothRow[];
  /** Places among the rows: what costs least in each case, and what regrets least over the three. */
  readonly best: ByCase<number>;
  readonly calm: number;
  readonly regret: string;
}

type Units = ReadonlyMap<string, string>;

/**
 * @example
 * bothPlan(plan, '12-none', { book: 'small', region: 'severn', sku: 'PLEDGE', term: '12-none', level: null }).rows.map(({ way }) => way); // => ['neither', 'lines', 'hours', 'both']
 */
export function bothPlan(plan: DesignPlan, lineTerm: Term, wish: SpendWish): BothPlan {
  const { design, pricer } = plan;
  const usage = usagePlan(plan, lineTerm);
  const calm = new Map(
    usage.rows.flatMap((row): [string, string][] => {
      const { units } = row.levels[row.calm]!;
      return row.isBetter && units !== '0' ? [[row.id, units]] : [];
    }),
  );
  const { withLevel, month, levelFor } = pricedWith(plan, lineTerm, wish);
  const alone = levelFor(new Map());
  const both = together();
  const rows = (
    [
      ['neither', new Map(), '0'],
      ['lines', calm, '0'],
      ['hours', new Map(), alone],
      ['both', both.units, both.level],
    ] as const
  ).map(([way, units, level]): BothRow => {
    const made = withLevel(units, level);
    return {
      way,
      units: [...units].map(([id, each]) => ({ id, units: each })),
      level,
      amounts: byCase((which) => pricer.price(made, { case: which }).monthly.value.toString()),
    };
  });
  const {
    best,
    calm: chosen,
    regret,
  } = leastRegret(rows.map(({ amounts }) => byCase((which) => decimal(amounts[which]))));
  return {
    currency: design.currency,
    lineTerm,
    hourTerm: wish.term,
    rows,
    best,
    calm: chosen,
    regret: regret.toString(),
  };

  /** From both simpler ways: the best that is found, and never dearer than either. */
  function together(): { units: Units; level: string } {
    const starts: { units: Units; level: string }[] = [
      { units: calm, level: levelFor(calm) },
      { units: new Map(), level: alone },
    ];
    const simple = [
      { units: calm, level: '0' },
      { units: new Map<string, string>(), level: '0' },
    ];
    return [...starts.map(improved), ...simple].reduce((a, b) => (month(b).lessThan(month(a)) ? b : a));
  }

  /** Line by line as it is, without, or with its calm level; then the level anew; until nothing changes. */
  function improved(start: { units: Units; level: string }): { units: Units; level: string } {
    let now = start;
    let tries = MOST_TRIES / 2;
    for (let round = 0; round < MOST_ROUNDS; round += 1) {
      const before = month(now);
      for (const [id, units] of calm) {
        if (tries <= 0) return now;
        tries -= 1;
        const other = new Map(now.units);
        if (other.has(id)) other.delete(id);
        else other.set(id, units);
        for (const level of new Set([now.level, levelFor(other)])) {
          const tried = { units: other, level };
          if (month(tried).lessThan(month(now))) now = tried;
        }
      }
      if (!month(now).lessThan(before)) break;
    }
    return now;
  }
}

/** Prices of the design under any of the two, each asked once. */
function pricedWith(plan: DesignPlan, lineTerm: Term, wish: SpendWish) {
  const { design, pricer } = plan;
  const plans = new Map<string, DesignPlan>();
  const withLevel = (units: Units, level: string): DesignPlan => {
    const key = JSON.stringify([level, [...units].sort()]);
    const known = plans.get(key);
    if (known) return known;
    const made = pricer.plan(withCommitment(committed(design, lineTerm, units), wish, level), plan);
    plans.set(key, made);
    return made;
  };
  const months = new Map<DesignPlan, ReturnType<typeof priced>>();
  function priced(made: DesignPlan) {
    return pricer.price(made, { case: 'likely' }).monthly.value;
  }
  return {
    withLevel,
    month({ units, level }: { units: Units; level: string }) {
      const made = withLevel(units, level);
      const known = months.get(made) ?? priced(made);
      months.set(made, known);
      return known;
    },
    /** The level that costs least, likely, for what the lines leave. */
    levelFor(units: Units): string {
      const tried = withLevel(units, '1');
      const members = pricer.offeredTo(tried, { case: 'likely' }, TRIED);
      const cost = costOfMoney(tried, hoursOfMonth(tried, wish.book).toNumber());
      return writeLevel(SpendWeek.of(members, cost).best());
    },
  };
}

function committed(design: Design, term: Term, units: Units): Design {
  const instead = new Map(
    [...units].flatMap(([id, each]): [string, Component][] => {
      const component = findComponent(design, id);
      return component ? [[id, committedTo(component, term, each)]] : [];
    }),
  );
  const sections = design.sections.map((section) => ({
    ...section,
    components: section.components.map((each) => instead.get(each.id) ?? each),
  }));
  return units.size === 0 ? design : { ...design, sections };
}
