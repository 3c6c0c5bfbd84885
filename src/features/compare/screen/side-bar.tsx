/** What stands above the ledger of an alternative: which one it is, what it costs against the design, the ways out. */
'use client';
import Link from 'next/link';
import { Decimal } from '@/engine/base';
import type { Alternative } from '@/engine/design';
import { writeMoney } from '@/platform/words';
import type { DesignSummary } from '@/engine/summary';

interface SideBarProps {
  readonly id: string;
  readonly alternative: Alternative;
  readonly refused: number;
  /** Of the design, and of the alternative; null: not yet. */
  readonly own: DesignSummary | null;
  readonly here: DesignSummary | null;
}

export function SideBar({ id, alternative, refused, own, here }: SideBarProps) {
  const count = alternative.changes.length;
  return (
    <section
      aria-label="Alternative that is open"
      className="flex shrink-0 flex-wrap items-baseline gap-x-4 gap-y-0.5 border-b border-line bg-wash px-[18px] py-1.5 text-sm"
    >
      <p className="min-w-0 flex-1 break-words">
        <span className="text-soft">Alternative</span> <strong>{alternative.name}</strong>
        <span className="text-soft">
          , {count === 1 ? 'one change' : `${count} changes`} to the design
          {own && here && `, ${against(own, here)}`}. What is done here becomes one of its changes.
        </span>
        {refused > 0 && (
          <span className="text-ember-ink">
            {' '}
            {refused === 1 ? 'One change does' : `${refused} changes do`} not apply any more; see side by
            side.
          </span>
        )}
      </p>
      <Link href={`/designs/${id}/alternatives`} prefetch={false} className="text-brand underline">
        Side by side
      </Link>
      <Link href={`/designs/${id}`} prefetch={false} className="text-brand underline">
        The design itself
      </Link>
    </section>
  );
}

function against(own: DesignSummary, here: DesignSummary): string {
  const change = new Decimal(here.printed).minus(own.printed);
  if (change.isZero()) return 'at the same amount';
  const amount = writeMoney(change.abs().toString(), here.currency);
  return `${amount} ${here.currency} a month ${change.isNegative() ? 'less' : 'more'} than it`;
}
