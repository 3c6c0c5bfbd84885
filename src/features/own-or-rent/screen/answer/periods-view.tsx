/** What each side spends when: by kind of cost and year, or by quarter, as finance plans. */
'use client';
import { useState } from 'react';
import { QuartersView } from './quarters-view';
import { type PeriodsProps, YearsView } from './years-view';

const PERIODS = [
  ['years', 'by kind and year'],
  ['quarters', 'by quarter'],
] as const;

export function PeriodsView(props: PeriodsProps) {
  const [by, setBy] = useState<(typeof PERIODS)[number][0]>('years');
  return (
    <section aria-label="Year by year" className="mt-6">
      <div className="flex flex-wrap items-center gap-x-4">
        <h2 className="text-sm font-semibold">What does each side spend when?</h2>
        <div role="radiogroup" aria-label="Periods" className="flex gap-3 text-sm">
          {PERIODS.map(([which, words]) => (
            <label key={which} className="flex items-center gap-1.5">
              <input
                type="radio"
                name="periods"
                checked={by === which}
                onChange={() => setBy(which)}
                className="accent-brand"
              />
              {words}
            </label>
          ))}
        </div>
      </div>
      {by === 'years' ? <YearsView {...props} /> : <QuartersView {...props} />}
    </section>
  );
}
