/** The two outward forms of a figure: structured (values as strings, for JSON and workers) and plain text. */
import type { Figure, Operation, RateSource } from './model';

export interface PlainFigure {
  readonly operation: Operation;
  readonly label: string;
  readonly value: string;
  readonly unit: string;
  readonly note?: string;
  readonly source?: RateSource;
  readonly parts: readonly PlainFigure[];
}

/**
 * @example
 * toPlain(given('Hours', decimal('730'), 'hour')).value; // => '730'
 */
export function toPlain(figure: Figure): PlainFigure {
  return {
    operation: figure.operation,
    label: figure.label,
    value: figure.value.toString(),
    unit: figure.unit,
    ...(figure.note ? { note: figure.note } : {}),
    ...(figure.source ? { source: figure.source } : {}),
    parts: figure.parts.map(toPlain),
  };
}

const SIGNS: Readonly<Record<Operation, string>> = {
  given: '',
  rate: '',
  sum: ' + ',
  difference: ' \u2212 ',
  product: ' × ',
  quotient: ' ÷ ',
  least: ' or, if less, ',
  greatest: ' or, if more, ',
  ceiling: '',
  band: '',
  within: '',
};

/**
 * One step in words: "8 × 22", "2.54 rounded up"; empty for a leaf.
 *
 * @example
 * formulaOf(toPlain(product('Cost', 'USD', [given('Hours', decimal('730'), 'hour'), given('Price', decimal('0.1'), 'USD per hour')]))); // => '730 hour × 0.1 USD per hour'
 */
export function formulaOf(figure: PlainFigure, write: (value: string) => string = (value) => value): string {
  if (figure.operation === 'ceiling') return `${write(figure.parts[0]!.value)} rounded up`;
  if (figure.operation === 'band' || figure.operation === 'within') {
    const [quantity, from, end] = figure.parts;
    const upTo = figure.parts.length === 4 ? ` and up to ${write(end!.value)}` : '';
    return `${write(quantity!.value)} is above ${write(from!.value)}${upTo}`;
  }
  if (figure.parts.length < 2) return '';
  return figure.parts.map((part) => `${write(part.value)} ${part.unit}`.trim()).join(SIGNS[figure.operation]);
}

/**
 * Indented lines, two spaces a level, for terminals and files.
 *
 * @example
 * toText(toPlain(given('Hours', decimal('730'), 'hour'))); // => 'Hours: 730 hour'
 */
export function toText(figure: PlainFigure, depth = 0): string {
  const formula = formulaOf(figure);
  const from = figure.source
    ? `  [${figure.source.book} r${figure.source.revision}, ${figure.source.effective}, ${figure.source.sku}, ${figure.source.region}]`
    : '';
  const note = figure.note ? `  (${figure.note})` : '';
  const head = `${'  '.repeat(depth)}${figure.label}: ${figure.value} ${figure.unit}`;
  const line = `${head}${formula ? ` = ${formula}` : ''}${from}${note}`;
  return [line, ...figure.parts.map((part) => toText(part, depth + 1))].join('\n');
}
