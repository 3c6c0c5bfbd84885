/** The views of one design, in words. Each has an address. */
'use client';
import Link from 'next/link';

export type DesignView = 'ledger' | 'alternatives' | 'load' | 'paying' | 'range' | 'checklist' | 'report';

export function DesignViews({ id, here }: { readonly id: string; readonly here: DesignView }) {
  const views = [
    { view: 'ledger', label: 'Ledger', href: `/designs/${id}` },
    { view: 'alternatives', label: 'Alternatives', href: `/designs/${id}/alternatives` },
    { view: 'load', label: 'Load', href: `/designs/${id}/load` },
    { view: 'paying', label: 'Paying', href: `/designs/${id}/paying` },
    { view: 'range', label: 'Range', href: `/designs/${id}/range` },
    { view: 'checklist', label: 'Checklist', href: `/designs/${id}/checklist` },
    { view: 'report', label: 'Report', href: `/designs/${id}/report` },
  ] as const;
  return (
    <nav
      aria-label="Views of the design"
      className="flex h-full shrink-0 gap-4 max-[700px]:h-9 max-[700px]:max-w-full max-[700px]:overflow-x-auto max-[700px]:overflow-y-hidden"
    >
      {views.map(({ view, label, href }) => (
        <Link
          key={view}
          href={href}
          prefetch={false}
          aria-current={view === here ? 'page' : undefined}
          className={`flex h-full items-center border-b-[3px] pt-[3px] text-sm whitespace-nowrap ${view === here ? 'border-brand font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
        >
          {label}
        </Link>
      ))}
    </nav>
  );
}
