/** A value for some months, as one types it: "3: 2.5, 9: 1.8" is 2.5 in the third month and 1.8 in the ninth. */
import { err, issue, ok, parseDecimal, type Result } from '@/engine/base';

export interface MonthValue {
  /** The first is 1. */
  readonly month: number;
  readonly value: string;
}

/** As far as a design looks ahead. */
const LAST_MONTH = 120;

export function monthValuesText(rows: readonly MonthValue[]): string {
  return rows.map(({ month, value }) => `${month}: ${value}`).join(', ');
}

/** In the order of the months; empty text is no rows. */
export function readMonthValues(text: string): Result<MonthValue[]> {
  const rows: MonthValue[] = [];
  for (const part of text.split(',').filter((each) => each.trim() !== '')) {
    const [, month = '', value = ''] = /^\s*(\d{1,3})\s*:\s*(\S+)\s*$/.exec(part) ?? [];
    const number = Number(month);
    if (number < 1) return refused('write the month and the value, such as 3: 2.5, 9: 1.8.');
    if (number > LAST_MONTH) return refused(`a month is a whole number from 1 to ${LAST_MONTH}.`);
    const amount = parseDecimal(value);
    if (!amount.ok) return amount;
    if (amount.value.isNegative()) return err(issue('quantity.negative', [], { amount: value }));
    if (rows.some((each) => each.month === number)) return refused(`month ${number} stands twice.`);
    rows.push({ month: number, value: amount.value.toString() });
  }
  return ok(rows.sort((a, b) => a.month - b.month));
}

function refused(reason: string): Result<never> {
  return err(issue('edit.invalid', [], { reason }));
}
