/** The pattern in the three ways people think of it, and its week as a small chart. */
'use client';
import type { Decimal } from '@/engine/base';
import type { Component } from '@/engine/design';
import { writeNumber, writeShare } from '@/platform/words';
import { averageWeek, runningTime } from '@/engine/usage';

/** Days of an average month, to tell hours a day. */
const DAYS = 30.42;

export function RunningSummary({
  component,
  monthHours,
}: {
  readonly component: Component;
  readonly monthHours: Decimal;
}) {
  const time = runningTime(component.running, monthHours, 'likely', component.load ?? null);
  if (!time.ok) return null;
  const hours = time.value.hours.value;
  const { weeks, placed } = time.value.profile;
  const units = averageWeek(weeks);
  const most = Math.max(1, ...units.map(Number));
  const share = hours.dividedBy(monthHours);
  const several = units.some((each) => each.greaterThan(1));
  const words = several
    ? `${writeNumber(hours, undefined, 1)} unit-hours a month, ${writeNumber(share, undefined, 2)} units on average`
    : `${writeNumber(hours, undefined, 1)} h a month, ${writeNumber(hours.dividedBy(DAYS), undefined, 1)} h a day, asleep ${writeShare(share.negated().plus(1))}`;
  return (
    <figure>
      <figcaption className="text-xs text-soft">
        {words}
        {!placed && '; which hours is not known'}
      </figcaption>
      <svg
        viewBox="0 0 168 24"
        preserveAspectRatio="none"
        className="mt-1 h-6 w-full border-b border-edge"
        role="img"
        aria-label={`The week, Monday to Sunday: ${words}`}
      >
        {units.map((each, hour) => {
          const height = (Number(each) / most) * 22;
          return <rect key={hour} x={hour} y={24 - height} width="1" height={height} fill="var(--brand)" />;
        })}
        {[1, 2, 3, 4, 5, 6].map((day) => (
          <line key={day} x1={day * 24} x2={day * 24} y1="0" y2="24" stroke="var(--page)" strokeWidth="0.6" />
        ))}
      </svg>
    </figure>
  );
}
