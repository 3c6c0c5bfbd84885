/** A billing period as people call it. */
import { type BillPeriod, dayAfter } from '@/features/bills/calc';

const MONTHS = [
  ...['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October'],
  ...['November', 'December'],
];

/** "November 2026" where it is one, else its first and last day. */
export function periodWords({ from, to }: BillPeriod): string {
  const [year, month, day] = from.split('-').map(Number) as [number, number, number];
  const next = new Date(Date.UTC(year, month, 1)).toISOString().slice(0, 10);
  if (day === 1 && to === next) return `${MONTHS[month - 1]} ${year}`;
  const last = dayAfter(to, -1);
  return `${from} to ${last}`;
}
