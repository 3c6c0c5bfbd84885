/** An axis in words: which costs least, by how much, and what a cheaper one lacks. */
import { decimal } from '@/engine/base';
import type { AxisAnswer, AxisRow } from '@/features/compare/calc/axes';
import { writeMoney, writeShare } from '@/platform/words';
import { sentenceFor } from '@/platform/words';

/**
 * @example
 * axisSentence(axisOf('paying', plan, { of: 'all' })); // => '36 months, part upfront costs least: 76.80 USD less a month, 52.6 %.'
 */
export function axisSentence({ axis, rows, currency }: AxisAnswer): string {
  const priced = rows
    .filter(({ monthly }) => monthly !== null)
    .sort((a, b) => decimal(a.monthly!).comparedTo(decimal(b.monthly!)));
  const whole = priced.filter(({ missing }) => missing.length === 0);
  const best = whole[0];
  if (!best) return rows.length === 0 ? 'There is nothing to put beside it.' : 'None of them has everything.';
  // That less of it costs less goes without saying.
  const cheaper =
    axis === 'sizes'
      ? undefined
      : priced.find((row) => row.missing.length > 0 && decimal(row.monthly!).lessThan(best.monthly!));
  const but = cheaper ? ` ${cheaper.label} would cost less: ${missingText(cheaper)}` : '';
  if (best.now) return `What is chosen costs least.${but}`;
  if (best.change === null) return `${best.label} costs least.${but}`;
  const change = decimal(best.change);
  if (change.isZero()) return `${best.label} costs as much as what is chosen, and nothing costs less.${but}`;
  const share = best.share === null ? '' : `, ${writeShare(decimal(best.share).abs())}`;
  const amount = `${writeMoney(change.abs(), currency)} ${currency} ${change.isNegative() ? 'less' : 'more'} a month${share}`;
  return `${best.label} costs least: ${amount}.${but}`;
}

/**
 * What a row lacks, the first of it in words.
 *
 * @example
 * missingText({ missing: [{ id: 'a', name: 'Web', issue: issue('place.missing', []) }] }); // => '“Web”: No provider and region chosen yet.'
 */
export function missingText({ missing }: Pick<AxisRow, 'missing'>): string {
  const [first, ...others] = missing;
  if (!first) return '';
  const more = others.length > 0 ? ` And ${others.length} more.` : '';
  return `${first.name ? `“${first.name}”: ` : ''}${sentenceFor(first.issue)}${more}`;
}
