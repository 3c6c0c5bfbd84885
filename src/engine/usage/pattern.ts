/** Running patterns as data. Source: pricing rules, "Running patterns"; needs F1, F2, F5, F6, F9 to F14, F24. */
import type { Cased } from './cased';

export type Running =
  | { readonly pattern: 'always' }
  | { readonly pattern: 'hours'; readonly hoursPerMonth: Cased }
  | { readonly pattern: 'days'; readonly hoursPerDay: Cased; readonly daysPerMonth: Cased }
  | { readonly pattern: 'weekdays'; readonly hoursPerDay: Cased; readonly daysPerWeek: Cased }
  /** Seven days from Monday, 24 characters each: `#` runs, `.` does not. */
  | { readonly pattern: 'week'; readonly days: readonly string[] }
  /** Asleep for a share of the month; each waking stays awake for the idle delay. */
  | {
      readonly pattern: 'asleep';
      readonly share: Cased;
      readonly wakeUps?: Cased;
      readonly idleMinutes?: Cased;
    }
  /** So many runs a month of so many minutes each. */
  | { readonly pattern: 'runs'; readonly perMonth: Cased; readonly minutesEach: Cased }
  /** `baseline` units all week, `peak` units in a window of some weekdays (0 is Monday). */
  | {
      readonly pattern: 'peaks';
      readonly baseline: Cased;
      readonly peak: Cased;
      readonly days: readonly number[];
      readonly from: number;
      readonly hours: Cased;
    }
  /** As many units as the component's load needs, one for each `carries` requests a second, within bounds. */
  | {
      readonly pattern: 'autoscale';
      readonly floor: Cased;
      readonly ceiling: Cased;
      readonly carries: Cased;
    };

export const ALWAYS: Running = { pattern: 'always' };
