/** How much something is used, as it is typed: one amount, a range, three cases; in any unit that fits. */
import { sentenceFor } from '@/platform/words';
import type { SaidUse } from '@/features/review/format/review/load-file';
import { readCased } from '@/features/design/screen/cells/cases-text';
import { readAmount } from '@/features/design/screen/cells/number-text';

export type ReadUse =
  | { readonly ok: true; readonly value: Pick<SaidUse, 'amount' | 'unit'> }
  | { readonly ok: false; readonly message: string };

export function readSaidUse(text: string, unit: string): ReadUse {
  const read = readCased(text.trim(), null, readAmount(unit));
  if (!read.ok) return { ok: false, message: sentenceFor(read.issue) };
  const { likely, lean, heavy } = read.value;
  const ends = { ...(lean !== undefined && { lean }), ...(heavy !== undefined && { heavy }) };
  return { ok: true, value: { amount: { likely, ...ends }, unit } };
}
