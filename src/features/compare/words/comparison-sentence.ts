/**
 * A comparison in words: by how much a column is above or below the baseline, which lines make most of it, and what it
 * lacks. What lacks something is never called cheaper without saying what. Needs L1, L16, L21.
 */
import { decimal, type Decimal } from '@/engine/base';
import type { ComparedColumn, Comparison, MixedBest, WithoutFree } from '@/features/compare/calc/comparison';
import { writeMoney, writeShare } from '@/platform/words';

/** So many lines are named as those that make most of a difference. */
const NAMED = 3;
/** Less than this share of a difference is not worth naming. */
const WORTH_NAMING = '0.08';

/**
 * @example
 * const own = { id: null, name: 'Design', note: '', changes: [], outcomes: [], design, summary: summarise(design, books) };
 * columnSentence(comparisonOf([own, { ...own, id: 'x', name: 'Same' }], books), 1); // => 'Same costs as much as the design.'
 */
export function columnSentence(comparison: Comparison, at: number): string {
  const { currency, columns } = comparison;
  const column = columns[at]!;
  const change = decimal(column.change ?? '0');
  const lacking = lacksOf(column);
  const but = lacking ? ` ${lacking}` : '';
  if (column.change === null) {
    return `${column.name} cannot be compared as a whole: some line has an amount on one side only.${but}`;
  }
  if (change.isZero()) return `${column.name} costs as much as the design.${but}`;
  const below = change.isNegative();
  const share = column.share === null ? '' : `${writeShare(decimal(column.share).abs())} `;
  const amount = `${money(change.abs(), currency)} a month`;
  const most = mostOf(comparison, at, change);
  const parts = most.length > 0 ? `; ${most.join(', ')}` : '';
  return `${column.name} is ${share}${below ? 'below' : 'above'} the design, ${amount}${parts}.${but}`;
}

/**
 * The answer above the table.
 *
 * @example
 * const own = { id: null, name: 'Design', note: '', changes: [], outcomes: [], design, summary: summarise(design, books) };
 * comparisonAnswer(comparisonOf([own], books)); // => 'There is nothing to compare yet.'
 */
export function comparisonAnswer(comparison: Comparison): string {
  const { columns, cheapest } = comparison;
  if (columns.length < 2) return 'There is nothing to compare yet.';
  const lowest = columns.reduce(
    (best, { printed }, at) => (decimal(printed).lessThan(columns[best]!.printed) ? at : best),
    0,
  );
  const lacking = lowest !== cheapest && lowest !== 0 ? ` ${columnSentence(comparison, lowest)}` : '';
  if (cheapest === null) return `No column has everything.${lacking}`;
  if (cheapest === 0) return `Nothing that has everything costs less than the design.${lacking}`;
  return `${columnSentence(comparison, cheapest)}${lacking}`;
}

/** The lines that make most of a difference, those that go the same way. */
function mostOf({ groups, currency }: Comparison, at: number, change: Decimal): string[] {
  const rows = groups
    .flatMap(({ lines }) => lines)
    .flatMap(({ name, cells }) => {
      const own = cells[at]!.change;
      return own === null ? [] : [{ name, change: decimal(own) }];
    })
    .filter((row) => !row.change.isZero() && row.change.isNegative() === change.isNegative())
    .sort((a, b) => b.change.abs().comparedTo(a.change.abs()));
  const worth = rows.filter((row) => row.change.abs().gte(change.abs().times(WORTH_NAMING)));
  return worth
    .slice(0, NAMED)
    .map((row, index) =>
      index === 0
        ? `${money(row.change.abs(), currency)} ${row.change.abs().gt(change.abs()) ? 'alone' : 'of it'} is “${row.name}”`
        : `${money(row.change.abs(), currency)} “${row.name}”`,
    );
}

function lacksOf({ unpriced, stayed, lacks, refused }: ComparedColumn): string {
  const names = (list: readonly { readonly name: string }[]): string => {
    const all = [...new Set(list.map(({ name }) => `“${name}”`))];
    return all.length > NAMED
      ? `${all.slice(0, NAMED).join(', ')} and ${all.length - NAMED} more`
      : all.join(', ');
  };
  const capabilities = [...new Set(lacks.map(({ issue }) => issue.values.capabilities ?? ''))].join(', ');
  const kept = refused.filter(({ why }) => why.code !== 'change.nothing').length;
  const parts = [
    ...(unpriced > 0 ? [`${unpriced} of its lines ${unpriced === 1 ? 'has' : 'have'} no amount`] : []),
    ...(stayed.length > 0
      ? [`${names(stayed)} cannot follow and ${stayed.length === 1 ? 'stays' : 'stay'}`]
      : []),
    ...(lacks.length > 0 ? [`it lacks ${capabilities} for ${names(lacks)}`] : []),
    ...(kept > 0 ? [`${kept} of its changes ${kept === 1 ? 'does' : 'do'} not apply`] : []),
  ];
  const text = parts.join('; ');
  return text ? `But ${text}.` : '';
}

/** Whole units where there are many: a sentence is read aloud. */
function money(value: Decimal, currency: string): string {
  const text = writeMoney(value, currency);
  return `${value.gte(100) ? text.replace(/[.,]\d+$/, '') : text} ${currency}`;
}

/**
 * What mixing costs and saves.
 *
 * @example
 * mixedSentence(mixedBest(plan, [], createAlternator(books), 'section'), 'USD', new Map()); // => 'No mix of the sides costs less than the design as it is.'
 */
export function mixedSentence(
  { pure, mixing, books }: MixedBest,
  currency: string,
  names: ReadonlyMap<string, string>,
): string {
  if (pure === null) return 'No mix of the sides costs less than the design as it is.';
  if (pure !== undefined) return `No mix costs less than “${names.get(pure) ?? pure}” taken whole.`;
  const apart =
    books.length > 1
      ? ` It stands at ${books.length} providers; what passes between them is not known to the design and not in it.`
      : '';
  if (mixing.isZero()) {
    return `Each part is taken from where it costs least; mixing them costs nothing more.${apart}`;
  }
  const amount = `${money(mixing.abs(), currency)} a month`;
  return mixing.isNegative()
    ? `Each part is taken from where it costs least; together they save another ${amount}.${apart}`
    : `Each part is taken from where it costs least; mixing costs ${amount} of that, for what begins or is paid twice.${apart}`;
}

/**
 * How much of a difference is made by what is included free of charge.
 *
 * @example
 * freeSentence({ change: decimal('-30'), without: decimal('10') }, 'Far', 'USD'); // => 'Without what is included free Far would be 10.00 USD a month above the design; what is included makes 40.00 USD of the difference.'
 */
export function freeSentence({ change, without }: WithoutFree, name: string, currency: string): string {
  const made = change.minus(without).abs();
  if (made.isZero()) return 'What is included free makes no difference between the two.';
  const where = without.isZero()
    ? 'would cost as much as the design'
    : `would be ${money(without.abs(), currency)} a month ${without.isNegative() ? 'below' : 'above'} the design`;
  return `Without what is included free ${name} ${where}; what is included makes ${money(made, currency)} of the difference.`;
}
