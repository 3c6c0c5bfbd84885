/** The line under the top: what is open, its views in words, whether it is saved, undo and redo. */
'use client';
import { Redo2, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { Button } from '@/platform/ui/button';
import type { Saving } from '@/platform/screen/use-kept-document';

interface DocumentHeadProps {
  readonly title: string;
  /** Where it is open: its views stand below. */
  readonly base: string;
  readonly viewsOf: string;
  readonly views: readonly (readonly [path: string, words: string])[];
  readonly saving: Saving;
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
}

const ICON = 'rounded p-1.5 text-soft enabled:hover:bg-wash disabled:opacity-40';

export function DocumentHead({ title, base, viewsOf, views, saving, undo, redo }: DocumentHeadProps) {
  const path = usePathname();
  return (
    <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-line px-[18px] max-[700px]:h-auto max-[700px]:flex-wrap max-[700px]:gap-y-0 max-[700px]:pt-2">
      <h1 className="max-w-[34%] min-w-0 truncate text-lg font-semibold max-[700px]:max-w-full">{title}</h1>
      <nav
        aria-label={viewsOf}
        className="flex h-full shrink-0 gap-4 max-[700px]:h-9 max-[700px]:max-w-full max-[700px]:overflow-x-auto max-[700px]:overflow-y-hidden"
      >
        {views.map(([part, label]) => {
          const href = `${base}${part}`;
          const here = path === href;
          return (
            <Link
              key={part}
              href={href}
              prefetch={false}
              aria-current={here ? 'page' : undefined}
              className={`flex h-full items-center border-b-[3px] pt-[3px] text-sm whitespace-nowrap ${here ? 'border-brand font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
            >
              {label}
            </Link>
          );
        })}
      </nav>
      <div className="ml-auto flex min-w-0 items-center gap-1.5">
        <span
          role="status"
          data-testid="saved"
          title={saving.words}
          className={`mr-2 truncate text-xs max-[700px]:sr-only ${saving.remedy ? 'font-semibold text-ember-ink' : 'text-soft'}`}
        >
          {saving.words}
        </span>
        {saving.remedy && <Button onClick={saving.remedy.run}>{saving.remedy.label}</Button>}
        <button type="button" aria-label="Undo" disabled={!undo} onClick={() => undo?.()} className={ICON}>
          <Undo2 size={16} aria-hidden="true" />
        </button>
        <button type="button" aria-label="Redo" disabled={!redo} onClick={() => redo?.()} className={ICON}>
          <Redo2 size={16} aria-hidden="true" />
        </button>
      </div>
    </div>
  );
}
