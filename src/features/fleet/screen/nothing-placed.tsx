/** Without a placement there is nothing to compare and nothing to report. */
import Link from 'next/link';
import type { ReactNode } from 'react';
import { Empty } from '@/platform/ui/empty';

interface NothingPlacedProps {
  readonly title: string;
  readonly id: string;
  readonly children: ReactNode;
}

export function NothingPlaced({ title, id, children }: NothingPlacedProps) {
  return (
    <div className="min-h-0 flex-1 bg-surface">
      <Empty
        title={title}
        acts={
          <Link
            className="inline-flex h-7 items-center rounded border border-brand bg-brand px-2.5 text-sm font-medium text-on-brand"
            href={`/fleets/${id}/placements`}
          >
            Make a placement
          </Link>
        }
      >
        {children}
      </Empty>
    </div>
  );
}
