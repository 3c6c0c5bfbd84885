/** The colours of the light that is on; asked of the page, because charts do not know its variables. */
'use client';
import { useEffect, useState } from 'react';

const NAMES = ['--brand', '--soft', '--line', '--ink', '--ember', '--tide', '--surface'] as const;
/** Told apart by dash and marker too. */
export const SERIES = [1, 2, 3, 4, 5, 6].map((number) => `--series-${number}` as const);

export type ChartColours = Readonly<Record<(typeof NAMES)[number] | (typeof SERIES)[number], string>>;

/** Null before the page is there. */
export function useChartColours(): ChartColours | null {
  const [colours, setColours] = useState<ChartColours | null>(null);
  useEffect(() => {
    const probe = document.createElement('span');
    document.body.append(probe);
    const read = (): void => {
      const entries = [...NAMES, ...SERIES].map((name) => {
        probe.style.color = `var(${name})`;
        return [name, getComputedStyle(probe).color] as const;
      });
      setColours(Object.fromEntries(entries) as unknown as ChartColours);
    };
    read();
    const watch = new MutationObserver(read);
    watch.observe(document.documentElement, { attributeFilter: ['data-theme'] });
    const media = window.matchMedia('(prefers-color-scheme: dark)');
    media.addEventListener('change', read);
    return () => {
      watch.disconnect();
      media.removeEventListener('change', read);
      probe.remove();
    };
  }, []);
  return colours;
}

/** The first six are whole lines, the next six broken ones. */
export const dashOf = (series: number): number => (Math.floor(series / SERIES.length) % 2 === 1 ? 5 : 0);
