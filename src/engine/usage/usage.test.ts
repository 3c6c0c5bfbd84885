import { describe, expect, it } from 'vitest';
import { decimal } from '../base';
import { given } from '../trace';
import { monthHours } from '../time';
import { afterAllowance, type Running, runningHours, inAllCases } from './';

const hours = (running: Running, month = '730') => runningHours(running, decimal(month), 'likely');

describe('running hours', () => {
  it('runs always for the whole month', () => {
    expect(hours({ pattern: 'always' })).toMatchObject({ ok: true });
    const result = hours({ pattern: 'always' }, '720');
    expect(result.ok && result.value.value.toString()).toBe('720');
  });

  it('multiplies hours a day by days a month', () => {
    const result = hours({ pattern: 'days', hoursPerDay: inAllCases('10'), daysPerMonth: inAllCases('22') });
    expect(result.ok && result.value.value.toString()).toBe('220');
  });

  it.each([
    [{ pattern: 'hours', hoursPerMonth: inAllCases('800') }, 'hours.exceed-month'],
    [{ pattern: 'hours', hoursPerMonth: inAllCases('-1') }, 'quantity.negative'],
    [{ pattern: 'days', hoursPerDay: inAllCases('25'), daysPerMonth: inAllCases('1') }, 'hours.day-too-long'],
    [{ pattern: 'days', hoursPerDay: inAllCases('1'), daysPerMonth: inAllCases('32') }, 'days.exceed-month'],
    [
      { pattern: 'days', hoursPerDay: inAllCases('24'), daysPerMonth: inAllCases('31') },
      'hours.exceed-month',
    ],
  ] as const)('refuses %j with %s', (running, code) => {
    expect(hours(running)).toMatchObject({ ok: false, issue: { code } });
  });

  it('allows 744 hours in a month of 744', () => {
    expect(
      hours({ pattern: 'days', hoursPerDay: inAllCases('24'), daysPerMonth: inAllCases('31') }, '744').ok,
    ).toBe(true);
  });
});

describe('month conventions', () => {
  it.each([
    [{ hours: '730' }, '730'],
    [{ hours: '744' }, '744'],
    [{ hours: 'book' }, '720'],
    [{ hours: 'calendar', year: 2027, month: 2 }, '672'],
    [{ hours: 'calendar', year: 2028, month: 2 }, '696'],
    [{ hours: 'calendar', year: 2026, month: 11 }, '720'],
    [{ hours: 'calendar', year: 2100, month: 2 }, '672'],
  ] as const)('%j has %s hours', (convention, expected) => {
    expect(monthHours(convention, decimal('720')).toString()).toBe(expected);
  });
});

describe('allowance', () => {
  const used = (amount: string) => given('Used', decimal(amount), 'GB');

  it('charges only what exceeds it, never less than nothing', () => {
    expect(afterAllowance(used('130'), { amount: decimal('100') }, { counted: true }).value.toString()).toBe(
      '30',
    );
    expect(afterAllowance(used('70'), { amount: decimal('100') }, { counted: true }).value.toString()).toBe(
      '0',
    );
  });

  it('charges everything where allowances are not counted, and says so', () => {
    const figure = afterAllowance(used('130'), { amount: decimal('100') }, { counted: false });
    expect(figure.value.toString()).toBe('130');
    expect(figure.note).toContain('not counted');
  });
});
