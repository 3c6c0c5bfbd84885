import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { componentOf, serverOf, storeOf } from '@tests/support/designs';
import { decimal } from '@/engine/base';
import type { Component, Edit } from '@/engine/design';
import type { Cased } from '@/engine/usage';
import { readWhole } from './number-text';
import { casedText, readCased } from './cases-text';
import { editTextOfUse, readCount, readUse } from './use-text';

const month = decimal('730');
const valueOf = (read: { readonly ok: true; readonly value: Edit } | { readonly ok: false }): unknown =>
  read.ok && 'value' in read.value ? read.value.value : null;
const count = (text: string, before: Cased = { likely: '4' }): unknown =>
  valueOf(readCount(serverOf('a', { count: before }), text));

describe('a count of three cases', () => {
  it.each<[string, Cased]>([
    ['3 / 4 / 6', { lean: '3', likely: '4', heavy: '6' }],
    ['3/4/6', { lean: '3', likely: '4', heavy: '6' }],
    ['3..6', { lean: '3', likely: '4', heavy: '6' }],
    ['3 … 6', { lean: '3', likely: '4', heavy: '6' }],
    ['5..8', { lean: '5', likely: '7', heavy: '8' }],
    ['4 / 4 / 9', { likely: '4', heavy: '9' }],
    ['4 / 4 / 4', { likely: '4' }],
    ['5', { likely: '5' }],
  ])('“%s” is read', (text, value) => expect(count(text)).toEqual(value));

  it.each([
    ['3 / 4', 'range.parts'],
    ['1 / 2 / 3 / 4', 'range.parts'],
    ['3 / 4 / 2', 'range.order'],
    ['5 / 4 / 6', 'range.order'],
    ['6..3', 'range.order'],
    ['3 / 4.5 / 6', 'count.not-whole'],
    ['3 / x / 6', 'range.parts'],
    ['3..x', 'decimal.not-plain'],
    ['-1..3', 'quantity.negative'],
  ])('“%s” is refused: %s', (text, code) =>
    expect(readCount(serverOf('a'), text)).toMatchObject({ ok: false, issue: { code } }),
  );
});

describe('a quantity of three cases', () => {
  const store = (amount: Cased, unit = 'GB'): Component => storeOf('a', { stored: { amount, unit } });
  const read = (text: string, component = store({ likely: '500' })): unknown =>
    valueOf(readUse(component, text, month));

  it('takes the unit of the last for those without one', () => {
    expect(read('300 / 500 / 900 GB')).toMatchObject({
      amount: { lean: '300', likely: '500', heavy: '900' },
      unit: 'GB',
    });
    expect(read('1..2 TB')).toMatchObject({ amount: { lean: '1', likely: '1.5', heavy: '2' }, unit: 'TB' });
  });

  it('brings other units into that of the likely one', () => {
    expect(read('300 GB / 500 GB / 1 TB')).toMatchObject({
      amount: { lean: '300', likely: '500', heavy: '1000' },
      unit: 'GB',
    });
  });

  it('leaves units with a stroke alone', () => {
    const volume = componentOf({ id: 'v', kind: 'block-volume' });
    expect(readUse(volume, '5 MB/s', month)).toMatchObject({ ok: false, issue: { code: 'unit.mismatch' } });
  });

  it('holds for hours', () => {
    expect(valueOf(readUse(serverOf('a'), '200 / 300 / 500 h', month))).toEqual({
      pattern: 'hours',
      hoursPerMonth: { lean: '200', likely: '300', heavy: '500' },
    });
    expect(readUse(serverOf('a'), '200 / 300 / 800 h', month)).toMatchObject({
      ok: false,
      issue: { code: 'hours.exceed-month' },
    });
  });

  it('is edited as the text that it reads back from', () => {
    const whole = fc.integer({ min: 0, max: 99_999 });
    fc.assert(
      fc.property(fc.tuple(whole, whole, whole), fc.constantFrom('GB', 'TB', 'GiB'), (values, unit) => {
        const [lean, likely, heavy] = [...values].sort((a, b) => a - b).map(String) as [
          string,
          string,
          string,
        ];
        const component = store({ lean, likely, heavy }, unit);
        const text = editTextOfUse(component);
        expect(valueOf(readUse(component, text, month))).toMatchObject({ unit });
        const again = valueOf(readUse(component, text, month)) as { amount: Cased };
        const { lean: low = again.amount.likely, heavy: high = again.amount.likely } = again.amount;
        expect([low, again.amount.likely, high]).toEqual([lean, likely, heavy]);
      }),
    );
  });
});

describe('the text of cases', () => {
  it('is one value where they are one', () => {
    const plain = (value: string): string => value;
    expect(casedText({ likely: '4' }, plain)).toBe('4');
    expect(casedText({ likely: '4', heavy: '9' }, plain)).toBe('4 / 4 / 9');
    expect(readCased('4 / 4 / 9', null, readWhole)).toEqual({ ok: true, value: { likely: '4', heavy: '9' } });
  });
});
