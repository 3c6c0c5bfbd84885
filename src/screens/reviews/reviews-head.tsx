/** The head of the place: its views in words, and what can be done there. */
'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';

const VIEWS = [
  ['/reviews', 'Changes'],
  ['/reviews/history', 'History'],
  ['/reviews/maps', 'Resource maps'],
  ['/reviews/forge', 'Code forge'],
] as const;

export function ReviewsHead({ children }: { readonly children?: ReactNode }) {
  const path = usePathname();
  return (
    <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-line px-[18px] max-[700px]:h-auto max-[700px]:flex-wrap max-[700px]:gap-y-0 max-[700px]:pt-2">
      <h1 className="text-lg font-semibold whitespace-nowrap">Change reviews</h1>
      <nav
        aria-label="Views of the reviews"
        className="flex h-full gap-4 max-[700px]:h-9 max-[700px]:max-w-full max-[700px]:overflow-x-auto"
      >
        {VIEWS.map(([href, label]) => (
          <Link
            key={href}
            href={href}
            prefetch={false}
            aria-current={path === href ? 'page' : undefined}
            className={`flex h-full items-center border-b-[3px] pt-[3px] text-sm whitespace-nowrap ${path === href ? 'border-brand font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
          >
            {label}
          </Link>
        ))}
      </nav>
      <div className="ml-auto flex items-center gap-2 max-[700px]:pb-2">{children}</div>
    </div>
  );
}
