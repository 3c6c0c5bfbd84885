import { following, USERS } from '@tests/support/drivers';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import { describe, expect, it } from 'vitest';
import { must } from '../base';
import { applyEdits, type Edit } from './edit';
import { type Design, findComponent } from './design';
import { designInStep } from './following';
import { measuredEntryEdits } from './measured';
import { letGoBy, withoutStaleMarks } from './typed-over';

const made = designOf([
  serverOf('a', { count: following('ceil(users / 100[user])') }),
  transferOf('out', { likely: '900' }),
]);
const design: Design = designInStep({ ...made, assumptions: { ...made.assumptions, drivers: [USERS] } });
const count = (likely: string): Edit => ({
  edit: 'set-component',
  id: 'a',
  field: 'count',
  value: { likely },
});

describe('typing over what was measured', () => {
  const out = findComponent(design, 'out')!;
  const entry = `usage/${Object.keys(out.usage)[0]!}`;
  const measured = must(applyEdits(design, measuredEntryEdits(out, entry, { likely: '850' }))).design;
  const meter = Object.keys(out.usage)[0]!;
  const typed = (likely: string): Edit => {
    const value = findComponent(measured, 'out')!.usage[meter]!;
    return { edit: 'set-usage', id: 'out', meter, value: { ...value, amount: { likely } } };
  };

  it('takes the mark away, and undo brings both back', () => {
    const along = withoutStaleMarks(measured, [typed('1000')]);
    expect(along).toEqual([{ edit: 'set-component', id: 'out', field: 'measured', value: null }]);
    const applied = must(applyEdits(measured, [typed('1000'), ...along]));
    expect(findComponent(applied.design, 'out')!.measured ?? null).toBeNull();
    expect(must(applyEdits(applied.design, applied.inverse)).design).toEqual(measured);
  });

  it('leaves it where the value stays, where another entry is changed, and where it is measured anew', () => {
    expect(withoutStaleMarks(measured, [typed('850')])).toEqual([]);
    expect(
      withoutStaleMarks(measured, [
        { edit: 'set-component', id: 'out', field: 'count', value: { likely: '2' } },
      ]),
    ).toEqual([]);
    const again = measuredEntryEdits(findComponent(measured, 'out')!, entry, { likely: '700' });
    expect(withoutStaleMarks(measured, again)).toEqual([]);
  });
});

describe('typing over what follows a driver', () => {
  it('says what it let go, and only that', () => {
    expect(letGoBy(design, [count('7')])).toEqual([
      {
        component: 'a',
        name: findComponent(design, 'a')!.name,
        label: 'Count',
        formula: 'ceil(users / 100[user])',
      },
    ]);
    expect(letGoBy(design, [{ edit: 'remove-component', id: 'a' }])).toEqual([]);
    expect(letGoBy(design, [{ edit: 'set-component', id: 'a', field: 'name', value: 'Web' }])).toEqual([]);
    expect(
      letGoBy(design, [
        { edit: 'set-component', id: 'a', field: 'count', value: following('users / 50[user]') },
      ]),
    ).toEqual([]);
  });
});
