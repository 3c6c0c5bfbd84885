/** Commitments that are held already, in words: how far each is used before and after. Opening 39. */
import { decimal } from '@/engine/base';
import type { GroupSum, HeldCover, HeldRow, Review } from '@/features/review/calc';
import { HELD } from '@/features/review/calc';
import { writeMoney, writeNumber } from '@/platform/words';

const cover = ({ covered, alike }: HeldCover, units: string): string =>
  `${writeNumber(covered)} of ${writeNumber(units)}, of ${writeNumber(alike)} alike`;

/**
 * @example
 * heldSentence({ name: 'Ours', units: '4', before: { covered: '4', alike: '5' }, after: { covered: '2', alike: '2' }, paid: { before: '0', after: '60', difference: '60' } }, 'USD'); // => '“Ours” covers 4 of 4, of 5 alike before, and 2 of 4, of 2 alike after. What covers nothing costs 60.00 USD a month after, 0.00 before.'
 */
export function heldSentence({ name, units, before, after, paid }: HeldRow, currency: string): string {
  if (!paid) return `“${name}” is held and has no price: it is in no sum.`;
  const both = `${writeMoney(paid.after, currency)} ${currency} a month after, ${writeMoney(paid.before, currency)} before`;
  if (!before || !after) return `“${name}” is held: what it buys nothing with costs ${both}.`;
  const idle = decimal(paid.before).isZero() && decimal(paid.after).isZero();
  const said = `“${name}” covers ${cover(before, units)} before, and ${cover(after, units)} after.`;
  return idle ? said : `${said} What covers nothing costs ${both}.`;
}

/**
 * What is paid for them beside the resources: its row stands with those of the modules. Null: nothing.
 *
 * @example
 * heldSum({ ...review.totals, byModule: [] }); // => null
 */
export function heldSum({ byModule }: Review['totals']): GroupSum | null {
  return byModule.find(({ key }) => key === HELD) ?? null;
}
