/** The top line: our mark, the places in words, the find field, the light. */
'use client';
import { Moon, Sun, SunMoon } from 'lucide-react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { type ReactNode, useState } from 'react';
import { Mark } from '@/platform/ui/mark';
import { Find } from './find';

/** A place in words, and where it is. */
export interface Place {
  readonly href: string;
  readonly label: string;
}

const THEMES = ['system', 'light', 'dark'] as const;
export type Theme = (typeof THEMES)[number];
const ICONS = { system: SunMoon, light: Sun, dark: Moon } as const;

export function TopLine({
  theme,
  places,
  notes,
}: {
  readonly theme: Theme;
  readonly places: readonly Place[];
  /** What is under way in a feature, wherever one is. */
  readonly notes: ReactNode;
}) {
  const path = usePathname();
  // Who came by a link has no places here.
  if (path.startsWith('/shared/')) {
    return (
      <header className="flex h-11 shrink-0 items-center justify-between border-b border-line px-[18px] print:hidden">
        <span className="flex items-center gap-2.5 text-base font-bold">
          <Mark />
          Wick Tally
        </span>
        <ThemeSwitch initial={theme} />
      </header>
    );
  }
  return (
    <header className="flex h-11 shrink-0 items-center gap-7 border-b border-line px-[18px] max-[900px]:overflow-x-auto max-[900px]:overflow-y-hidden print:hidden">
      <Link
        prefetch={false}
        href="/designs"
        className="flex items-center gap-2.5 text-base font-bold whitespace-nowrap"
      >
        <Mark />
        Wick Tally
      </Link>
      <nav aria-label="Places" className="flex h-full gap-5">
        {places.map((place) => {
          const here = path.startsWith(place.href);
          return (
            <Link
              prefetch={false}
              key={place.href}
              href={place.href}
              aria-current={here ? 'page' : undefined}
              className={`flex h-full items-center border-b-[3px] pt-[3px] text-sm whitespace-nowrap ${here ? 'border-brand font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
            >
              {place.label}
            </Link>
          );
        })}
      </nav>
      <div className="ml-auto flex items-center gap-2">
        {notes}
        <Find />
        <ThemeSwitch initial={theme} />
      </div>
    </header>
  );
}

function ThemeSwitch({ initial }: { readonly initial: Theme }) {
  const [theme, setTheme] = useState(initial);
  const Icon = ICONS[theme];
  const next = THEMES[(THEMES.indexOf(theme) + 1) % THEMES.length]!;
  const change = (): void => {
    document.cookie = `theme=${next}; path=/; max-age=31536000; samesite=lax`;
    document.documentElement.dataset.theme = next;
    setTheme(next);
  };
  return (
    <button
      type="button"
      onClick={change}
      aria-label={`Light: ${theme}. Change to ${next}.`}
      title={`Light: ${theme}`}
      className="rounded p-1.5 text-soft hover:bg-wash"
    >
      <Icon size={16} aria-hidden="true" />
    </button>
  );
}
