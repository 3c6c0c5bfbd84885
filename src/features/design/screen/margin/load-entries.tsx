/** The load of a component: what arrives, how long one takes, how large it is. Meters not entered follow from it. */
'use client';
import type { ReactNode } from 'react';
import { type Cased, type Load, type LoadPeak, inAllCases } from '@/engine/usage';
import { Button } from '@/platform/ui/button';
import { CasedEntry } from './cased-entry';
import { setField, type SettingsProps } from './settings-props';
import { readAmount, readNumber } from '../cells/number-text';
import { WeeklyWindow } from './weekly-window';

const FIRST: Load = { rate: { by: 'requests', perSecond: inAllCases('10') } };

export function LoadEntries({ component, apply, preview }: SettingsProps) {
  const load = component.load ?? null;
  if (!load) {
    return (
      <Button onClick={() => apply([setField(component, 'load', FIRST)])}>
        Enter a load: requests a second, sizes
      </Button>
    );
  }
  const cased = (
    label: string,
    unit: string,
    value: Cased | null,
    make: (value: Cased) => Load,
    read = readNumber,
    rising = false,
  ) => (
    <CasedEntry
      label={label}
      rising={rising}
      unit={unit}
      value={value}
      read={read}
      preview={(next) => {
        preview(next ? [setField(component, 'load', make(next))] : []);
        return null;
      }}
      commit={(next) => apply([setField(component, 'load', make(next))])}
      cancel={() => preview([])}
    />
  );
  const { rate } = load;
  return (
    <div className="space-y-2">
      <div className="flex items-center justify-between">
        <span className="text-sm font-semibold">Load of all units</span>
        <Button tone="bare" onClick={() => apply([setField(component, 'load', null)])}>
          Take it away
        </Button>
      </div>
      <label className="flex items-center gap-2 text-xs text-soft">
        known as
        <select
          value={rate.by}
          onChange={(event) =>
            apply([
              setField(component, 'load', {
                ...load,
                rate:
                  event.target.value === 'requests'
                    ? FIRST.rate
                    : { by: 'viewers', viewers: inAllCases('1000'), refreshSeconds: inAllCases('30') },
              }),
            ])
          }
          className="h-6 rounded border border-edge bg-surface px-1 text-xs text-ink"
        >
          <option value="requests">requests a second</option>
          <option value="viewers">viewers who refresh</option>
        </select>
      </label>
      {rate.by === 'requests' ? (
        cased(
          'Requests',
          'a second',
          rate.perSecond,
          (perSecond) => ({ ...load, rate: { ...rate, perSecond } }),
          readNumber,
          true,
        )
      ) : (
        <>
          {cased(
            'Viewers',
            'at once',
            rate.viewers,
            (viewers) => ({ ...load, rate: { ...rate, viewers } }),
            readNumber,
            true,
          )}
          {cased('Each refreshes every', 'seconds', rate.refreshSeconds, (refreshSeconds) => ({
            ...load,
            rate: { ...rate, refreshSeconds },
          }))}
        </>
      )}
      {cased('One takes', 'seconds', load.secondsEach ?? null, (secondsEach) => ({ ...load, secondsEach }))}
      {cased(
        'Question',
        'kB',
        load.requestSize?.amount ?? null,
        (amount) => ({ ...load, requestSize: { amount, unit: load.requestSize?.unit ?? 'kB' } }),
        readAmount(load.requestSize?.unit ?? 'kB'),
      )}
      {cased(
        'Answer',
        'kB',
        load.replySize?.amount ?? null,
        (amount) => ({ ...load, replySize: { amount, unit: load.replySize?.unit ?? 'kB' } }),
        readAmount(load.replySize?.unit ?? 'kB'),
      )}
      {cased(
        'Requests on one connection',
        '',
        load.requestsPerConnection ?? null,
        (requestsPerConnection) => ({
          ...load,
          requestsPerConnection,
        }),
      )}
      <LoadPeakEntries
        load={load}
        cased={cased}
        onChange={(next) => apply([setField(component, 'load', next)])}
      />
    </div>
  );
}

const FIRST_PEAK: LoadPeak = {
  times: inAllCases('3'),
  days: [0, 1, 2, 3, 4],
  from: 9,
  hours: inAllCases('2'),
};

interface LoadPeakEntriesProps {
  readonly load: Load;
  readonly cased: (
    label: string,
    unit: string,
    value: Cased | null,
    make: (value: Cased) => Load,
  ) => ReactNode;
  readonly onChange: (load: Load) => void;
}

/** When the load is higher than usual; autoscale and capacity units follow it hour by hour. */
function LoadPeakEntries({ load, cased, onChange }: LoadPeakEntriesProps) {
  const peak = load.peak ?? null;
  return (
    <>
      <label className="flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          checked={peak !== null}
          onChange={(event) => onChange({ ...load, peak: event.target.checked ? FIRST_PEAK : null })}
          className="accent-brand"
        />
        higher at certain hours
      </label>
      {peak && (
        <>
          {cased('Times the usual', '', peak.times, (times) => ({ ...load, peak: { ...peak, times } }))}
          {cased('For', 'hours', peak.hours, (hours) => ({ ...load, peak: { ...peak, hours } }))}
          <WeeklyWindow
            window={peak}
            onChange={(window) => onChange({ ...load, peak: { ...peak, ...window } })}
          />
        </>
      )}
    </>
  );
}
