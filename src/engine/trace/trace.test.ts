import { describe, expect, it } from 'vitest';
import { decimal } from '../base';
import {
  difference,
  evaluate,
  type Figure,
  formulaOf,
  given,
  greatest,
  least,
  product,
  quotient,
  rate,
  relabel,
  sum,
  toPlain,
  toText,
} from './';

const leaf = (label: string, value: string, unit = 'hour'): Figure => given(label, decimal(value), unit);
const source = { book: 'Small', revision: 3, effective: '2026-11-01', sku: 'A-4', region: 'severn' };

describe('figures', () => {
  it.each<[string, Figure, string]>([
    ['sum', sum('s', 'hour', [leaf('a', '2'), leaf('b', '3'), leaf('c', '4')]), '9'],
    ['sum of nothing', sum('s', 'hour', []), '0'],
    ['difference', difference('d', 'hour', [leaf('a', '2'), leaf('b', '3')]), '-1'],
    ['product', product('p', 'hour', [leaf('a', '2'), leaf('b', '3'), leaf('c', '4')]), '24'],
    ['quotient', quotient('q', 'hour', [leaf('a', '3'), leaf('b', '4')]), '0.75'],
    ['least', least('l', 'hour', [leaf('a', '3'), leaf('b', '4')]), '3'],
    ['greatest', greatest('g', 'hour', [leaf('a', '3'), leaf('b', '4')]), '4'],
  ])('a %s has the value of its parts', (_, figure, value) => {
    expect(figure.value.toString()).toBe(value);
    expect(evaluate(figure).toString()).toBe(value);
  });

  it('a figure that says something else than its parts is found out', () => {
    const honest = product('p', 'USD', [leaf('a', '2'), leaf('b', '3')]);
    const forged = { ...honest, value: decimal('7') };
    expect(evaluate(forged).equals(forged.value)).toBe(false);
  });

  it('relabelling changes words only', () => {
    const figure = relabel(product('p', 'USD', [leaf('a', '2'), leaf('b', '3')]), 'Twice three', 'by hand');
    expect(figure).toMatchObject({ label: 'Twice three', note: 'by hand' });
    expect(evaluate(figure).toString()).toBe('6');
  });
});

describe('outward forms', () => {
  const figure = product('Running', 'USD', [
    leaf('Hours', '730'),
    rate('Price per hour', decimal('0.1'), 'USD per hour', source),
  ]);

  it('the structured form keeps values as text and sources whole', () => {
    expect(toPlain(figure)).toEqual({
      operation: 'product',
      label: 'Running',
      value: '73',
      unit: 'USD',
      parts: [
        { operation: 'given', label: 'Hours', value: '730', unit: 'hour', parts: [] },
        { operation: 'rate', label: 'Price per hour', value: '0.1', unit: 'USD per hour', parts: [], source },
      ],
    });
  });

  it('the text form is one step a line, with formula and source', () => {
    expect(toText(toPlain(figure)).split('\n')).toEqual([
      'Running: 73 USD = 730 hour × 0.1 USD per hour',
      '  Hours: 730 hour',
      '  Price per hour: 0.1 USD per hour  [Small r3, 2026-11-01, A-4, severn]',
    ]);
  });

  it('a leaf has no formula', () => {
    expect(formulaOf(toPlain(leaf('Hours', '730')))).toBe('');
  });
});
