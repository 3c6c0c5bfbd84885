/** What is used, in words: the running pattern and the quantities of a component. */
import { kindOf, mainMeter, meterOfKind } from '@/engine/books';
import type { Component, UsageEntry } from '@/engine/design';
import type { Running } from '@/engine/usage';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/**
 * Whether the one "use" of the component is its running time and not a quantity.
 *
 * @example
 * usesRunning(server); // => true
 */
export function usesRunning(component: Component): boolean {
  return mainMeter(component.kind)?.from === 'running';
}

/**
 * "always", "10 h × 22 d", "drawn week, 50 h", "2 to 6 units by load". Likely values.
 *
 * @example
 * describeRunning({ pattern: 'hours', hoursPerMonth: { likely: '200' } }); // => '200 h'
 */
export function describeRunning(running: Running): string {
  switch (running.pattern) {
    case 'always':
      return 'always';
    case 'hours':
      return `${running.hoursPerMonth.likely} h`;
    case 'days':
      return `${running.hoursPerDay.likely} h × ${running.daysPerMonth.likely} d`;
    case 'weekdays':
      return `${running.hoursPerDay.likely} h × ${running.daysPerWeek.likely} d a week`;
    case 'week':
      return `drawn week, ${running.days.join('').split('#').length - 1} h`;
    case 'asleep':
      return `asleep ${running.share.likely} of the month`;
    case 'runs':
      return `${running.perMonth.likely} runs × ${running.minutesEach.likely} min`;
    case 'peaks':
      return `${running.baseline.likely} units, ${running.peak.likely} at ${peakWindow(running)}`;
    case 'autoscale':
      return `${running.floor.likely} to ${running.ceiling.likely} units by load`;
  }
}

function peakWindow(running: Extract<Running, { pattern: 'peaks' }>): string {
  const days = running.days.map((day) => WEEKDAYS[day] ?? '?').join(' ');
  return `${days} from ${running.from}:00 for ${running.hours.likely} h`;
}

/**
 * "always", "Kept 500 GiB; Requests 3000 request", "Seats 12 user": everything that was entered.
 *
 * @example
 * describeUse(server); // => 'always'
 */
export function describeUse(component: Component): string {
  if (component.kind === 'custom') {
    const charges = component.custom ?? [];
    return charges.map(({ label, amount, unit }) => `${label} ${amount.likely} ${unit}`).join('; ');
  }
  const known = kindOf(component.kind).meters.map((meter) => meter.meter);
  const others = Object.keys(component.usage).filter((meter) => !known.includes(meter));
  const quantities = [...known, ...others].flatMap((meter) => {
    const entry = component.usage[meter];
    return entry ? [`${meterOfKind(component.kind, meter)?.label ?? meter} ${quantityText(entry)}`] : [];
  });
  const time = usesRunning(component) ? [describeRunning(component.running)] : [];
  return [...time, ...quantities].join('; ');
}

function quantityText({ amount, unit, sizes }: UsageEntry): string {
  if (!sizes) return `${amount.likely} ${unit}`;
  return `${sizes.map((row) => `${row.count} of ${row.amount}`).join(', ')} ${unit}`;
}
