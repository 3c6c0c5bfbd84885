/** The line under the top: the fleet's name, its views in words, whether it is saved, undo and redo. */
'use client';
import { Redo2, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { Button } from '@/ui/button';
import { useFleet } from './room-context';

const VIEWS = [
  ['', 'Machines'],
  ['/pictures', 'Pictures'],
  ['/groups', 'Groups'],
  ['/placements', 'Placements'],
  ['/matrix', 'Side by side'],
  ['/report', 'Report'],
  ['/again', 'Bring in again'],
] as const;

export function FleetHead() {
  const { id, plan, saving, undo, redo } = useFleet();
  const path = usePathname();
  const icon = 'rounded p-1.5 text-soft enabled:hover:bg-wash disabled:opacity-40';
  return (
    <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-line px-[18px] max-[700px]:h-auto max-[700px]:flex-wrap max-[700px]:gap-y-0 max-[700px]:pt-2">
      <h1 className="max-w-[34%] min-w-0 truncate text-lg font-semibold max-[700px]:max-w-full">
        {plan.title}
      </h1>
      <nav
        aria-label="Views of the fleet"
        className="flex h-full shrink-0 gap-4 max-[700px]:h-9 max-[700px]:max-w-full max-[700px]:overflow-x-auto max-[700px]:overflow-y-hidden"
      >
        {VIEWS.map(([part, label]) => {
          const href = `/fleets/${id}${part}`;
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
        <button type="button" aria-label="Undo" disabled={!undo} onClick={() => undo?.()} className={icon}>
          <Undo2 size={16} aria-hidden="true" />
        </button>
        <button type="button" aria-label="Redo" disabled={!redo} onClick={() => redo?.()} className={icon}>
          <Redo2 size={16} aria-hidden="true" />
        </button>
      </div>
    </div>
  );
}
