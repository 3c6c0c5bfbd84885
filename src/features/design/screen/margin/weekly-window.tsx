/** On which weekdays something is, and from which hour: peaks of what runs, and of a load. */
'use client';
import { Field } from '@/platform/ui/field';
import { WEEKDAYS } from './week-editor';

interface Window {
  /** 0 is Monday. */
  readonly days: readonly number[];
  readonly from: number;
}

interface WeeklyWindowProps {
  readonly window: Window;
  readonly onChange: (window: Window) => void;
}

export function WeeklyWindow({ window: { days, from }, onChange }: WeeklyWindowProps) {
  return (
    <div className="flex items-end gap-2">
      <fieldset className="min-w-0 flex-1">
        <legend className="mb-0.5 text-xs text-soft">on</legend>
        <div className="grid grid-cols-7">
          {WEEKDAYS.map((name, day) => (
            <label key={name} className="flex flex-col items-center text-xs text-soft">
              {name}
              <input
                type="checkbox"
                checked={days.includes(day)}
                onChange={(event) =>
                  onChange({
                    from,
                    days: event.target.checked ? [...days, day].sort() : days.filter((each) => each !== day),
                  })
                }
                className="accent-brand"
              />
            </label>
          ))}
        </div>
      </fieldset>
      <Field label="from">
        {(field) => (
          <select
            {...field}
            value={from}
            onChange={(event) => onChange({ days, from: Number(event.target.value) })}
          >
            {Array.from({ length: 24 }, (_, hour) => (
              <option key={hour} value={hour}>
                {hour}:00
              </option>
            ))}
          </select>
        )}
      </Field>
    </div>
  );
}
