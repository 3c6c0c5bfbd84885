/** How the days of the live sailing map differ from what its design says: weekends, a storm, and a page that asks too often. */
import { type Decimal, decimal, ONE, seededRandom } from '@/engine/base';
import type { ExpectedMeter } from '@/features/bills/calc';

/** By meter: how many times the design's day. */
export function factor(meter: ExpectedMeter, day: string): Decimal {
  if (meter.meter === 'running' || meter.meter === 'stored') return ONE;
  const weekday = new Date(`${day}T00:00:00Z`).getUTCDay();
  const week = [0, 6].includes(weekday) ? '1.3' : weekday === 5 ? '1.1' : '0.82';
  const noise = seededRandom(`${day} ${meter.component} ${meter.meter}`).next() * 0.12 + 0.93;
  const usual = decimal(week).times(noise.toFixed(6));
  const isAsked = meter.meter === 'reads';
  const isSent = meter.meter === 'transferred';
  if (day >= '2026-10-24' && day <= '2026-10-26' && (isAsked || isSent)) return usual.times('2.4');
  if (day >= '2026-11-09' && isAsked) return usual.times('4.1');
  if (day >= '2026-11-09' && isSent) return usual.times('1.7');
  return usual;
}
