/** What is to be said of a watch now: each step once in a period, once ahead and once when it is reached; calm after. */
import { dayAfter } from '@/features/bills/calc';
import type { WatchStanding } from './watched';

export const ALERT_KINDS = ['reached', 'coming'] as const;
export type AlertKind = (typeof ALERT_KINDS)[number];

/** What was said, or is to be. */
export interface SaidStep {
  readonly kind: AlertKind;
  readonly step: string;
}

export interface DueAlert {
  readonly kind: AlertKind;
  /** What is said of it. */
  readonly step: string;
  readonly day: string | null;
  /** All that counts as said with it: lower steps that were passed at once. */
  readonly with: readonly string[];
}

/**
 * At most one of each kind: of steps that are passed at once the highest is said, and the others count as said. What has
 * been reached is not said to be coming.
 *
 * @example
 * const standing = { unit: 'USD', value: '85', limit: '100', share: '0.85', newest: '2026-11-10', coming: [{ step: '1', day: '2026-11-13' }], reached: [{ step: '0.5', day: '2026-11-04' }, { step: '0.8', day: '2026-11-09' }] };
 * dueAlerts(standing, [], 5).map(({ kind, step }) => [kind, step]); // => [['reached', '0.8'], ['coming', '1']]
 * dueAlerts(standing, [{ kind: 'reached', step: '0.8' }, { kind: 'reached', step: '0.5' }], 2); // => []
 */
export function dueAlerts(standing: WatchStanding, said: readonly SaidStep[], ahead: number): DueAlert[] {
  const isSaid = (kind: AlertKind, step: string): boolean =>
    said.some((each) => each.kind === kind && each.step === step);
  const reached = standing.reached.filter(({ step }) => !isSaid('reached', step));
  const until = dayAfter(standing.newest, ahead);
  const coming = standing.coming.filter(
    ({ step, day }) => day <= until && !isSaid('coming', step) && !isSaid('reached', step),
  );
  return [
    ...highest('reached', reached),
    // What is higher comes later: it is said for itself when it is near.
    ...highest('coming', coming),
  ];
}

function highest(
  kind: AlertKind,
  steps: readonly { readonly step: string; readonly day: string | null }[],
): DueAlert[] {
  const last = steps.at(-1);
  return last ? [{ kind, step: last.step, day: last.day, with: steps.map(({ step }) => step) }] : [];
}
