import { following, USERS } from '@tests/support/drivers';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import { describe, expect, it } from 'vitest';
import { decimal, must } from '../base';
import { planOf, priceCases } from '../pricing';
import { evaluate } from '../trace';
import {
  applyEdit,
  applyEdits,
  type Design,
  designInStep,
  entriesOf,
  findComponent,
  followEdits,
  formulaFaults,
  usualFormulas,
  withCased,
} from './';

const BOOKS = smallBooks();
const stated = (design: Design, ...drivers: (typeof USERS)[]): Design => ({
  ...design,
  assumptions: { ...design.assumptions, drivers },
});
const design = designInStep(
  stated(
    designOf([
      serverOf('web', { count: following('users / 150[user]') }),
      transferOf('out', following('users * 0.5[GB/user]')),
    ]),
    USERS,
  ),
);
const count = (of: Design) => findComponent(of, 'web')!.count;

describe('an entry that follows a driver', () => {
  it('has what its formula gives, in every case', () => {
    expect(count(design)).toEqual({ likely: '2', lean: '1', heavy: '6', formula: 'users / 150[user]' });
  });

  it('moves with the driver, and undo takes both back', () => {
    const more = [{ ...USERS, value: { likely: '600' } }];
    const { design: after, inverse } = must(
      applyEdit(design, { edit: 'set-assumption', field: 'drivers', value: more }),
    );
    expect(count(after)).toEqual({ likely: '4', formula: 'users / 150[user]' });
    expect(findComponent(after, 'out')!.usage.transferred!.amount.likely).toBe('300');
    expect(must(applyEdit(after, inverse)).design).toEqual(design);
  });

  it('follows no more once a number is typed over it', () => {
    const typed = { edit: 'set-component', id: 'web', field: 'count', value: { likely: '9' } } as const;
    const { design: after } = must(applyEdit(design, typed));
    const more = {
      edit: 'set-assumption',
      field: 'drivers',
      value: [{ ...USERS, value: { likely: '1' } }],
    } as const;
    expect(count(must(applyEdit(after, more)).design)).toEqual({ likely: '9' });
  });

  it('is bound and let go by edits', () => {
    const web = findComponent(design, 'web')!;
    const bound = must(
      applyEdits(design, followEdits(web, 'count', 'ceil(users / 40[user])', [USERS])),
    ).design;
    expect(count(bound)).toMatchObject({ likely: '5', heavy: '23' });
    const free = must(
      applyEdits(bound, followEdits(findComponent(bound, 'web')!, 'count', null, [USERS])),
    ).design;
    expect(count(free)).toEqual({ likely: '5', lean: '3', heavy: '23' });
  });

  it('costs what the same numbers by hand cost, and its trace works out', () => {
    const byHand = (which: 'lean' | 'likely' | 'heavy'): string => {
      const one = (of: string) => entriesOf(findComponent(design, of)!);
      const plain = ['web', 'out'].map((id) => {
        let component = findComponent(design, id)!;
        for (const { entry, value } of one(id)) {
          component = withCased(component, entry, { likely: value[which] ?? value.likely })!;
        }
        return component;
      });
      return priceCases(designOf(plain), BOOKS).likely.monthly.value.toString();
    };
    const cases = priceCases(design, BOOKS);
    for (const which of ['lean', 'likely', 'heavy'] as const) {
      expect(cases[which].monthly.value.toString()).toBe(byHand(which));
      expect(evaluate(cases[which].monthly).toString()).toBe(byHand(which));
    }
  });

  it('is not priced where its formula gives nothing, with the reason', () => {
    const lost = stated(design);
    const priced = priceCases(lost, BOOKS).likely;
    expect(priced.unpriced).toBe(2);
    expect(formulaFaults(lost).map(({ issue }) => issue.code)).toEqual([
      'formula.refers-to-nothing',
      'formula.refers-to-nothing',
    ]);
    const line = priced.sections[0]!.lines[0]!;
    expect(line.status === 'unpriced' && line.issues.map(({ code }) => code)).toEqual([
      'formula.refers-to-nothing',
    ]);
  });

  it('takes over what did not change when a driver is asked with another value', () => {
    const plan = planOf(design, BOOKS);
    const { pricer } = plan;
    const under = (users: string) =>
      pricer.price(plan, { case: 'likely', drivers: new Map([['users', decimal(users)]]) });
    const before = pricer.price(plan, { case: 'likely' });
    const more = stated(design, { ...USERS, value: { likely: '750' } });
    expect(under('750').monthly.value.toString()).toBe(
      priceCases(designInStep(more), BOOKS).likely.monthly.value.toString(),
    );
    expect(pricer.price(plan, { case: 'likely' })).toBe(before);
  });
});

it('suggests formulas that give what the entry takes', () => {
  const web = findComponent(design, 'web')!;
  const out = findComponent(design, 'out')!;
  for (const component of [web, out]) {
    for (const head of entriesOf(component)) {
      for (const formula of usualFormulas(head, USERS)) {
        const edits = followEdits(component, head.entry, formula, [USERS]);
        expect(formulaFaults(must(applyEdits(design, edits)).design)).toEqual([]);
      }
    }
  }
});
