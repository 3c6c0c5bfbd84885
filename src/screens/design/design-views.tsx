/** The views of one design, in words. Each has an address. */
'use client';
import Link from 'next/link';

export type DesignView = 'ledger' | 'checklist' | 'report';

export function DesignViews({
  id,
  here,
  open,
  onView,
}: {
  readonly id: string;
  readonly here: DesignView;
  /** Findings of the checklist that wait for an answer. */
  readonly open?: number;
  /** Changes between ledger and checklist without leaving the page; undo lives as long as it does. */
  readonly onView?: (view: 'ledger' | 'checklist') => void;
}) {
  const views = [
    { view: 'ledger', label: 'Ledger', href: `/designs/${id}` },
    { view: 'checklist', label: 'Checklist', href: `/designs/${id}?view=checklist` },
    { view: 'report', label: 'Report', href: `/designs/${id}/report` },
  ] as const;
  return (
    <nav aria-label="Views of the design" className="flex h-full shrink-0 gap-4 max-[700px]:h-9">
      {views.map(({ view, label, href }) => (
        <Link
          key={view}
          href={href}
          aria-current={view === here ? 'page' : undefined}
          onClick={(event) => {
            if (!onView || view === 'report' || event.metaKey || event.ctrlKey) return;
            event.preventDefault();
            onView(view);
          }}
          className={`flex h-full items-center gap-1.5 border-b-[3px] pt-[3px] text-sm whitespace-nowrap ${view === here ? 'border-brand font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
        >
          {label}
          {view === 'checklist' && !!open && (
            <span className="text-xs text-soft tabular-nums" aria-label={`${open} open`}>
              {open}
            </span>
          )}
        </Link>
      ))}
    </nav>
  );
}
