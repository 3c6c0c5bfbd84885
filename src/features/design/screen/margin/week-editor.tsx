/** The drawn week: seven days of 24 hours, painted by dragging, or by arrows and the space bar. */
'use client';
import { type KeyboardEvent, type PointerEvent, useId, useState } from 'react';
import { Button } from '@/platform/ui/button';

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
const HOURS = 24;

interface WeekEditorProps {
  /** Seven texts of 24 marks, `#` where it runs. */
  readonly days: readonly string[];
  readonly onChange: (days: readonly string[]) => void;
}

/** The week with every hour of a rectangle between two cells set. */
export function painted(
  days: readonly string[],
  from: { readonly day: number; readonly hour: number },
  to: { readonly day: number; readonly hour: number },
  runs: boolean,
): string[] {
  const [top, bottom] = [Math.min(from.day, to.day), Math.max(from.day, to.day)];
  const [left, right] = [Math.min(from.hour, to.hour), Math.max(from.hour, to.hour)];
  const mark = (runs ? '#' : '.').repeat(right - left + 1);
  return days.map((text, day) =>
    day < top || day > bottom ? text : text.slice(0, left) + mark + text.slice(right + 1),
  );
}

interface Drawing {
  readonly from: { readonly day: number; readonly hour: number };
  readonly runs: boolean;
  readonly days: readonly string[];
}

export function WeekEditor({ days, onChange }: WeekEditorProps) {
  const id = useId();
  const [active, setActive] = useState({ day: 0, hour: 8 });
  const [drawing, setDrawing] = useState<Drawing | null>(null);
  const shown = drawing?.days ?? days;
  const runsAt = (day: number, hour: number): boolean => shown[day]?.[hour] === '#';

  const begin = (event: PointerEvent, day: number, hour: number): void => {
    event.preventDefault();
    event.currentTarget.closest<HTMLElement>('[role=grid]')?.focus();
    const at = { day, hour };
    const runs = days[day]?.[hour] !== '#';
    setActive(at);
    setDrawing({ from: at, runs, days: painted(days, at, at, runs) });
  };
  const reach = (day: number, hour: number): void => {
    if (!drawing) return;
    setActive({ day, hour });
    setDrawing({ ...drawing, days: painted(days, drawing.from, { day, hour }, drawing.runs) });
  };
  const end = (): void => {
    if (drawing) onChange(drawing.days);
    setDrawing(null);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const { day, hour } = active;
    const moves: Record<string, readonly [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      ArrowLeft: [0, -1],
      ArrowRight: [0, 1],
    };
    const move = moves[event.key];
    if (move) {
      event.preventDefault();
      const next = {
        day: Math.max(0, Math.min(6, day + move[0])),
        hour: Math.max(0, Math.min(HOURS - 1, hour + move[1])),
      };
      setActive(next);
      // With Shift the hour one comes from is taken along.
      if (event.shiftKey) onChange(painted(days, next, next, runsAt(day, hour)));
    } else if (event.key === ' ' || event.key === 'Enter') {
      event.preventDefault();
      onChange(painted(days, active, active, !runsAt(day, hour)));
    }
  };
  const whole = (label: string, make: (day: number) => string) => (
    <Button tone="bare" onClick={() => onChange(WEEKDAYS.map((_, day) => make(day)))}>
      {label}
    </Button>
  );
  return (
    <div>
      <div
        role="grid"
        aria-label="Hours of the week in which it runs"
        aria-activedescendant={`${id}-${active.day}-${active.hour}`}
        tabIndex={0}
        onKeyDown={onKeyDown}
        onPointerUp={end}
        onPointerLeave={end}
        className="group touch-none rounded select-none"
      >
        {WEEKDAYS.map((name, day) => (
          <div key={name} role="row" className="flex items-center">
            <span role="rowheader" className="w-8 text-xs text-soft">
              {name}
            </span>
            {Array.from({ length: HOURS }, (_, hour) => {
              const runs = runsAt(day, hour);
              const here = active.day === day && active.hour === hour;
              return (
                <span
                  key={hour}
                  id={`${id}-${day}-${hour}`}
                  role="gridcell"
                  aria-selected={runs}
                  aria-label={`${name} ${hour}:00, ${runs ? 'runs' : 'stopped'}`}
                  onPointerDown={(event) => begin(event, day, hour)}
                  onPointerEnter={() => reach(day, hour)}
                  className={`h-[15px] flex-1 border-r border-b border-surface ${hour % 6 === 0 ? 'border-l border-l-edge' : ''} ${runs ? 'bg-brand' : 'bg-line'} ${here ? 'group-focus-visible:outline-2 group-focus-visible:outline-ink' : ''}`}
                />
              );
            })}
          </div>
        ))}
      </div>
      <div className="mt-0.5 flex pl-8 text-xs text-soft" aria-hidden="true">
        {[0, 6, 12, 18].map((hour) => (
          <span key={hour} className="flex-1">
            {hour}
          </span>
        ))}
      </div>
      <div className="-ml-2.5">
        {whole('Always', () => '#'.repeat(HOURS))}
        {whole('Office hours', (day) =>
          day < 5 ? '.'.repeat(8) + '#'.repeat(10) + '.'.repeat(6) : '.'.repeat(24),
        )}
        {whole('Never', () => '.'.repeat(HOURS))}
      </div>
    </div>
  );
}
