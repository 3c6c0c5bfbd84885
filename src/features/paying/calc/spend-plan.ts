/**
 * How much to commit for every hour. What a commitment may buy is asked of the engine, hour by hour and after everything
 * that counts before it; the best level is found on that week, and every amount that is shown is priced by the engine.
 * Needs E15, F14, P7.
 */
import { decimal } from '@/engine/base';
import { roleOf } from '@/engine/books';
import { allComponents, type Design, type DesignEdit } from '@/engine/design';
import type { DesignPlan } from '@/engine/pricing';
import type { SpendMember } from '@/engine/terms';
import { CASES, unitHoursOf } from '@/engine/usage';
import { byCase } from './by-case';
import type { ByCase, SpendBand, SpendPlan, SpendReading } from './model';
import { hoursOfMonth } from './month-of';
import { commitmentLine, costOfMoney, type SpendWish, TRIED, withCommitment, writeLevel } from './spend-line';
import { SpendWeek } from './spend-week';

const POINTS = 80;
const SHOWN = 7;
/**
 * Null: nothing that runs is sold at a committed price under the term.
 *
 * @example
 * spendPlan(plan, { book: 'small', region: 'severn', sku: 'PLEDGE', term: '12-none', level: null }); // => null
 */
export function spendPlan(plan: DesignPlan, wish: SpendWish): SpendPlan | null {
  const { design, pricer } = plan;
  const withLevel = (level: string): DesignPlan => pricer.plan(withCommitment(design, wish, level), plan);
  const tried = withLevel('1');
  const members = byCase((which) => pricer.offeredTo(tried, { case: which }, TRIED));
  if (members.likely.length === 0) return null;
  const hours = hoursOfMonth(tried, wish.book).toNumber();
  const cost = costOfMoney(tried, hours);
  const weeks = byCase((which) => SpendWeek.of(members[which], cost));
  const best = byCase((which) => weeks[which].best());
  const { calm, regret } = calmLevel(weeks, best);
  const asked = wish.level ?? writeLevel(calm);
  const readings = [
    ...new Set(['0', ...CASES.map((which) => writeLevel(best[which])), writeLevel(calm), asked]),
  ]
    .sort((a, b) => Number(a) - Number(b))
    .map((level): SpendReading => {
      const at = withLevel(level);
      return {
        level,
        amounts: byCase((which) => {
          const priced = pricer.price(at, { case: which });
          return priced.monthly.value.toString();
        }),
      };
    });
  const most = Math.max(...CASES.map((which) => weeks[which].bends().at(-1) ?? 0), Number(asked)) * 1.05;
  const levels = Array.from({ length: POINTS + 1 }, (_, at) => (most * at) / POINTS);
  const weeksOfMonth = hours / 168;
  const nothing = readings.find(({ level }) => level === '0')!;
  return {
    currency: design.currency,
    book: wish.book,
    term: wish.term,
    before: existing(design, wish.book),
    bands: byCase((which) => bandsOf(members[which], design)),
    best: byCase((which) => writeLevel(best[which])),
    calm: writeLevel(calm),
    regret: decimal(regret * weeksOfMonth).toString(),
    readings,
    curve: {
      levels,
      amounts: byCase((which) => {
        const without = Number(nothing.amounts[which] ?? 0);
        const none = weeks[which].at(0);
        return levels.map((level) => without + (weeks[which].at(level) - none) * weeksOfMonth);
      }),
    },
    asked: { level: asked, ...weeks.likely.use(Number(asked)) },
  };
}

/** The level whose worst loss over the three cases is smallest: the greatest of three curves that bend upwards. */
function calmLevel(weeks: ByCase<SpendWeek>, best: ByCase<number>): { calm: number; regret: number } {
  const least = byCase((which) => weeks[which].at(best[which]));
  const loss = (level: number): number =>
    Math.max(...CASES.map((which) => weeks[which].at(level) - least[which]));
  let low = Math.min(...CASES.map((which) => best[which]));
  let high = Math.max(...CASES.map((which) => best[which]));
  for (let step = 0; step < 100 && high - low > 1e-9 * Math.max(1, high); step += 1) {
    const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
    if (loss(a) <= loss(b)) high = b;
    else low = a;
  }
  return { calm: low, regret: loss(low) };
}

function existing(design: Design, book: string): SpendPlan['before'] {
  return allComponents(design)
    .filter(({ kind, place }) => roleOf(kind) === 'spend-commitment' && place?.book === book)
    .map(({ id, name, usage, months }) => ({
      id,
      name,
      level: usage.committed?.amount.likely ?? '0',
      until: months?.to ?? null,
    }));
}

/** The largest lines by themselves, the rest together. */
function bandsOf(members: readonly SpendMember[], design: Design): SpendBand[] {
  const names = new Map(allComponents(design).map(({ id, name }) => [id, name]));
  const bands = members.map((member): SpendBand => {
    const [line = ''] = member.id.split('\n');
    const price = member.committed.toNumber();
    const hours = new Array<number>(168).fill(0);
    for (const { share, hours: week } of member.weeks) {
      week.forEach((hour, at) => (hours[at]! += unitHoursOf(hour).toNumber() * price * share.toNumber()));
    }
    return { id: member.id, name: names.get(line) ?? line, hours };
  });
  const size = ({ hours }: SpendBand): number => hours.reduce((sum, each) => sum + each, 0);
  const sorted = bands.sort((a, b) => size(b) - size(a) || (a.id < b.id ? -1 : 1));
  const rest = sorted.slice(SHOWN);
  if (rest.length === 0) return sorted;
  const hours = Array.from({ length: 168 }, (_, at) => rest.reduce((sum, each) => sum + each.hours[at]!, 0));
  return [...sorted.slice(0, SHOWN), { id: 'rest', name: `${rest.length} more`, hours }];
}

/**
 * The edits that take a level on: a line of its own, in the last section.
 *
 * @example
 * takeOnSpend(design, { book: 'small', region: 'severn', sku: 'PLEDGE', term: '12-none', level: null }, '2.5', 'new')[0]!.edit; // => 'add-component'
 */
export function takeOnSpend(design: Design, wish: SpendWish, level: string, id: string): DesignEdit[] {
  const section = design.sections[design.sections.length - 1];
  if (!section) return [];
  return [
    {
      edit: 'add-component',
      section: section.id,
      index: section.components.length,
      component: commitmentLine(wish, level, id),
    },
  ];
}
