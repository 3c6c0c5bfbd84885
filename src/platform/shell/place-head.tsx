/** The head of a place with several views: its name, the views in words, and what can be done there. */
'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';

interface PlaceHeadProps {
  readonly title: string;
  readonly viewsOf: string;
  readonly views: readonly (readonly [href: string, words: string])[];
  readonly children?: ReactNode;
}

export function PlaceHead({ title, viewsOf, views, children }: PlaceHeadProps) {
  const path = usePathname();
  const isHere = (href: string): boolean => path === href.split('?')[0];
  return (
    <div className="flex min-h-[46px] shrink-0 items-stretch gap-5 border-b border-line px-[18px] max-[700px]:flex-wrap max-[700px]:gap-y-0 max-[700px]:pt-2">
      <h1 className="min-w-0 self-center truncate text-lg font-semibold whitespace-nowrap">{title}</h1>
      <nav
        aria-label={viewsOf}
        className="flex shrink-0 gap-4 max-[700px]:h-9 max-[700px]:max-w-full max-[700px]:overflow-x-auto"
      >
        {views.map(([href, label]) => (
          <Link
            key={href}
            href={href}
            prefetch={false}
            aria-current={isHere(href) ? 'page' : undefined}
            className={`flex h-full items-center border-b-[3px] pt-[3px] text-sm whitespace-nowrap ${isHere(href) ? 'border-brand font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
          >
            {label}
          </Link>
        ))}
      </nav>
      <div className="ml-auto flex items-center gap-2 max-[700px]:ml-0 max-[700px]:flex-wrap max-[700px]:pb-2">
        {children}
      </div>
    </div>
  );
}
