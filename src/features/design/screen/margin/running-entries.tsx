/** When it runs: the pattern, and what the pattern asks for. */
'use client';
import type { Result } from '@/engine/base';
import { sentenceFor } from '@/platform/words';
import { type Cased, type Running, inAllCases } from '@/engine/usage';
import { Choice } from '@/platform/ui/field';
import { runningEdit } from '../cells/use-text';
import { CasedEntry } from './cased-entry';
import { percentText, readPercent } from '../cells/percent-text';
import { RunningSummary } from './running-summary';
import type { SettingsProps } from './settings-props';
import { readAmount, readNumber, readWhole } from '../cells/number-text';
import { WeekEditor } from './week-editor';
import { WeeklyWindow } from './weekly-window';

const OFFICE = `${'.'.repeat(8)}${'#'.repeat(10)}${'.'.repeat(6)}`;
const SHUT = '.'.repeat(24);

const PATTERNS: readonly (readonly [Running['pattern'], string, Running])[] = [
  ['always', 'always', { pattern: 'always' }],
  ['hours', 'hours a month', { pattern: 'hours', hoursPerMonth: inAllCases('300') }],
  [
    'days',
    'hours a day, days a month',
    { pattern: 'days', hoursPerDay: inAllCases('10'), daysPerMonth: inAllCases('22') },
  ],
  [
    'weekdays',
    'hours a day, days a week',
    { pattern: 'weekdays', hoursPerDay: inAllCases('10'), daysPerWeek: inAllCases('5') },
  ],
  ['week', 'a drawn week', { pattern: 'week', days: [OFFICE, OFFICE, OFFICE, OFFICE, OFFICE, SHUT, SHUT] }],
  [
    'asleep',
    'asleep for a share of the month',
    { pattern: 'asleep', share: inAllCases('0.6'), wakeUps: inAllCases('0'), idleMinutes: inAllCases('0') },
  ],
  [
    'runs',
    'so many runs a month',
    { pattern: 'runs', perMonth: inAllCases('30'), minutesEach: inAllCases('20') },
  ],
  [
    'peaks',
    'a baseline and peaks',
    {
      pattern: 'peaks',
      baseline: inAllCases('1'),
      peak: inAllCases('3'),
      days: [0, 1, 2, 3, 4],
      from: 7,
      hours: inAllCases('3'),
    },
  ],
  [
    'autoscale',
    'as many as the load needs',
    { pattern: 'autoscale', floor: inAllCases('1'), ceiling: inAllCases('6'), carries: inAllCases('50') },
  ],
];

type Read = (text: string) => Result<string>;

export function RunningEntries({ component, monthHours, apply, preview }: SettingsProps) {
  const { running } = component;
  const check = (next: Running) => runningEdit(component, next, monthHours);
  const cased = (
    label: string,
    unit: string,
    value: Cased | undefined,
    read: Read,
    make: (value: Cased) => Running,
  ) => (
    <CasedEntry
      key={label}
      label={label}
      unit={unit}
      write={unit.startsWith('%') ? percentText : undefined}
      value={value ?? null}
      read={read}
      preview={(next) => {
        const edit = next ? check(make(next)) : null;
        preview(edit?.ok ? [edit.value] : []);
        return edit && !edit.ok ? sentenceFor(edit.issue) : null;
      }}
      commit={(next) => {
        const edit = check(make(next));
        if (edit.ok) apply([edit.value]);
      }}
      cancel={() => preview([])}
    />
  );
  const set = (next: Running): void =>
    apply([{ edit: 'set-component', id: component.id, field: 'running', value: next }]);
  return (
    <div className="space-y-2">
      <Choice
        label="Pattern"
        value={running.pattern}
        options={PATTERNS.map(([pattern, label]) => [pattern, label])}
        onChange={(chosen) => set(PATTERNS.find(([pattern]) => pattern === chosen)![2])}
      />
      {entriesOf(running, cased)}
      {running.pattern === 'week' && (
        <WeekEditor days={running.days} onChange={(days) => set({ pattern: 'week', days })} />
      )}
      {running.pattern === 'peaks' && (
        <WeeklyWindow window={running} onChange={(window) => set({ ...running, ...window })} />
      )}
      {running.pattern === 'autoscale' && !component.load && (
        <p className="text-xs text-soft">It follows the load; enter one below.</p>
      )}
      <RunningSummary component={component} monthHours={monthHours} />
    </div>
  );
}

type CasedField = (
  label: string,
  unit: string,
  value: Cased | undefined,
  read: Read,
  make: (value: Cased) => Running,
) => React.ReactNode;

function entriesOf(running: Running, cased: CasedField): React.ReactNode {
  const hours = readAmount('hour');
  switch (running.pattern) {
    case 'hours':
      return cased('Hours a month', 'hours, each', running.hoursPerMonth, hours, (hoursPerMonth) => ({
        ...running,
        hoursPerMonth,
      }));
    case 'days':
      return [
        cased('Hours a day', 'hours, each', running.hoursPerDay, hours, (hoursPerDay) => ({
          ...running,
          hoursPerDay,
        })),
        cased('Days a month', 'days', running.daysPerMonth, readNumber, (daysPerMonth) => ({
          ...running,
          daysPerMonth,
        })),
      ];
    case 'weekdays':
      return [
        cased('Hours a day', 'hours, each', running.hoursPerDay, hours, (hoursPerDay) => ({
          ...running,
          hoursPerDay,
        })),
        cased('Days a week', 'days', running.daysPerWeek, readNumber, (daysPerWeek) => ({
          ...running,
          daysPerWeek,
        })),
      ];
    case 'asleep':
      return [
        cased(
          'Asleep',
          '% of the month',
          running.share,
          (text) => readPercent(text, 100),
          (share) => ({
            ...running,
            share,
          }),
        ),
        cased('Wakings', 'a month', running.wakeUps, readNumber, (wakeUps) => ({ ...running, wakeUps })),
        cased('Awake after each', 'minutes', running.idleMinutes, readNumber, (idleMinutes) => ({
          ...running,
          idleMinutes,
        })),
      ];
    case 'runs':
      return [
        cased('Runs', 'a month', running.perMonth, readNumber, (perMonth) => ({ ...running, perMonth })),
        cased('Each takes', 'minutes', running.minutesEach, readNumber, (minutesEach) => ({
          ...running,
          minutesEach,
        })),
      ];
    case 'peaks':
      return [
        cased('Baseline', 'units', running.baseline, readWhole, (baseline) => ({ ...running, baseline })),
        cased('At peaks', 'units', running.peak, readWhole, (peak) => ({ ...running, peak })),
        cased('Hours of a peak', 'hours', running.hours, readNumber, (length) => ({
          ...running,
          hours: length,
        })),
      ];
    case 'autoscale':
      return [
        cased('At least', 'units', running.floor, readWhole, (floor) => ({ ...running, floor })),
        cased('At most', 'units', running.ceiling, readWhole, (ceiling) => ({ ...running, ceiling })),
        cased('One carries', 'requests a second', running.carries, readNumber, (carries) => ({
          ...running,
          carries,
        })),
      ];
    case 'always':
    case 'week':
      return null;
  }
}
