/** Hours of the month that a line is planned with: its book may count its own. */
import { type Decimal, decimal } from '@/engine/base';
import type { DesignPlan } from '@/engine/pricing';
import { monthHours } from '@/engine/time';

const USUAL = '730';

/**
 * @example
 * hoursOfMonth(plan, 'small').toString(); // => '730'
 */
export function hoursOfMonth({ design, pricer }: DesignPlan, book: string | undefined): Decimal {
  const pin = design.books.find((each) => each.book === book);
  const known = pin && pricer.books.get(pin.book, pin.revision);
  return monthHours(design.assumptions.month, known?.monthHours ?? decimal(USUAL));
}
