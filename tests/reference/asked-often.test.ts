/**
 * A pricer that is asked many things one after the other says of each what a fresh one says that has heard nothing
 * before, prices all lines as one group and takes nothing over; and the fast way was taken.
 */
import { describe, expect, it } from 'vitest';
import { decimal } from '@/engine/base';
import { allComponents, type Component, type Design } from '@/engine/design';
import {
  type Conditions,
  createPricer,
  designUnder,
  planOf,
  type PricedDesign,
  settingsOf,
  whenOf,
} from '@/engine/pricing';
import { contextFor } from '@/engine/pricing/context';
import { run, runLine } from '@/engine/pricing/run';
import { toPlain } from '@/engine/trace';
import { CASES } from '@/engine/usage';
import { amounts, DESIGNS, fresh, mapAll } from './anew';
import { Dice } from './dice';
import { mixed } from './mixed-design';

/** The plain way: objects of its own, one group, nothing taken over. */
function plainly(seed: number, design: Design, under: Conditions): PricedDesign {
  const { books } = fresh(mixed(seed));
  const own = structuredClone(design);
  const instead = new Map([...(under.instead ?? [])].map(([id, each]) => [id, structuredClone(each)]));
  const when = whenOf(own, under.month ?? 0);
  const asked = designUnder(own, { ...under, instead });
  const context = contextFor(asked, under.case, when);
  return run(asked, books, context, settingsOf(asked, books, when), { together: true }).priced;
}

const full = (priced: PricedDesign) => ({
  lines: amounts(priced),
  notices: priced.sections.flatMap(({ lines }) =>
    lines.map((line) => (line.status === 'priced' ? line.notices.map(({ code }) => code).sort() : [])),
  ),
  total: priced.monthly.value.toSignificantDigits(22).toString(),
  unpriced: priced.unpriced,
});

function changedCount(component: Component, dice: Dice): Component {
  return { ...component, count: { likely: String(dice.number(1, 9)) } };
}

/** The next version of a design: as edits leave it, all that did not change the same objects. */
function next(design: Design, dice: Dice): Design {
  const all = allComponents(design);
  const one = all[dice.number(0, all.length - 1)]!;
  switch (dice.number(0, 5)) {
    case 0:
      return mapAll(design, (each) => (each === one ? changedCount(each, dice) : each));
    case 1:
      return mapAll(design, (each) => (each === one ? { ...each, name: `${each.name} again` } : each));
    case 2:
      return { ...design, sections: [...design.sections].reverse() };
    case 3: {
      const sections = design.sections.map((section) => ({
        ...section,
        components: all.length > 2 ? section.components.filter((each) => each !== one) : section.components,
      }));
      return { ...design, sections };
    }
    case 4: {
      const copy = { ...changedCount(one, dice), id: `copy-${dice.number(0, 1_000_000)}` };
      const [first, ...rest] = design.sections;
      return { ...design, sections: [{ ...first!, components: [...first!.components, copy] }, ...rest] };
    }
    default: {
      const { assumptions } = design;
      return { ...design, assumptions: { ...assumptions, countAllowances: !assumptions.countAllowances } };
    }
  }
}

function anyConditions(design: Design, dice: Dice): Conditions {
  const which = dice.one(...CASES);
  switch (dice.number(0, 4)) {
    case 0:
      return { case: which, month: dice.number(0, 14) };
    case 1:
      return { case: which, load: decimal(dice.one('0', '0.5', '3', '40')) };
    case 2: {
      const all = allComponents(design);
      const some = all.filter(() => dice.number(0, 2) === 0);
      return { case: which, instead: new Map(some.map((each) => [each.id, changedCount(each, dice)])) };
    }
    default:
      return { case: which };
  }
}

describe('a pricer', () => {
  it('says at any time what a fresh one says', () => {
    for (const seed of DESIGNS) {
      const dice = new Dice(seed);
      const { design, books } = fresh(mixed(seed));
      const pricer = createPricer(books);
      let plan = pricer.plan(design);
      for (let question = 0; question < 8; question += 1) {
        const under = anyConditions(plan.design, dice);
        const said = full(pricer.price(plan, under));
        expect(said, `seed ${seed}, question ${question}`).toEqual(full(plainly(seed, plan.design, under)));
        // An older plan may be asked again.
        const older = plan;
        if (dice.number(0, 1) === 0) plan = pricer.plan(next(plan.design, dice), plan);
        else if (dice.number(0, 3) === 0) {
          expect(full(pricer.price(older, under)), `seed ${seed}, again`).toEqual(said);
        }
      }
    }
  }, 240_000);

  it('explains one line as it stands in the whole, without pricing the rest', () => {
    let alone = 0;
    let lines = 0;
    for (const seed of DESIGNS) {
      const { design, books } = fresh(mixed(seed));
      const all = planOf(design, books);
      const whole = all.pricer.price(all, { case: 'likely' });
      const when = whenOf(design, 0);
      const context = contextFor(design, 'likely', when);
      for (const line of whole.sections.flatMap((each) => each.lines)) {
        lines += 1;
        const own = runLine(line.id, design, books, context, settingsOf(design, books, when));
        if (own) alone += 1;
        const plan = planOf(structuredClone(design), books);
        const figure = plan.pricer.explain(plan, { case: 'likely' }, { of: 'component', id: line.id });
        const said = line.status === 'priced' ? toPlain(line.monthly) : null;
        expect(figure && toPlain(figure), `seed ${seed}, ${line.id}`).toEqual(said);
      }
    }
    // The others are shares of spend, or stand beside prepaid credit.
    expect(alone / lines).toBeGreaterThan(0.35);
  }, 240_000);

  it('takes over what did not change: lines, pools, and what commitments do not reach', () => {
    let lines = 0;
    let kept = 0;
    for (const seed of DESIGNS) {
      const { design, books } = fresh(mixed(seed));
      const pricer = createPricer(books);
      const plan = pricer.plan(design);
      const before = new Set(pricer.price(plan, { case: 'likely' }).sections.flatMap((each) => each.lines));
      const [first] = allComponents(design);
      const instead = new Map([[first!.id, { ...first!, count: { likely: '4' } }]]);
      const after = pricer.price(plan, { case: 'likely', instead }).sections.flatMap((each) => each.lines);
      lines += after.length;
      kept += after.filter((line) => before.has(line)).length;
    }
    expect(kept / lines).toBeGreaterThan(0.3);
    process.stdout.write(`  taken over after one change: ${kept} of ${lines} lines of mixed designs\n`);
  });
});
