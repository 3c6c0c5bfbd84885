/** What is compared: sides that somebody made, or a whole axis at once. Each has an address. */
'use client';
import Link from 'next/link';
import { AXES, type Axis } from '@/features/compare/calc/axes';

export const AXIS_WORDS: Readonly<Record<Axis, string>> = {
  regions: 'Every region',
  providers: 'Every provider',
  sizes: 'Every size',
  paying: 'Every way of paying',
  forms: 'Every form',
};

interface WaysToCompareProps {
  readonly id: string;
  /** Null: side by side. */
  readonly here: Axis | 'rates' | null;
  /** What is asked about, kept from one axis to the next. */
  readonly of: string;
}

export function WaysToCompare({ id, here, of }: WaysToCompareProps) {
  const path = `/designs/${id}/alternatives`;
  const ways = [
    { axis: null, label: 'Side by side', href: path },
    ...AXES.map((axis) => ({
      axis,
      label: AXIS_WORDS[axis],
      href: `${path}?${new URLSearchParams({ axis, ...(of === 'all' ? {} : { of }) })}`,
    })),
    { axis: 'rates', label: 'Bare rates', href: `/designs/${id}/rates` },
  ];
  return (
    <nav
      aria-label="What is compared"
      className="flex shrink-0 flex-wrap gap-x-4 gap-y-0.5 px-[18px] pt-2 pr-8 pb-1.5"
    >
      {ways.map(({ axis, label, href }) => (
        <Link
          key={label}
          href={href}
          prefetch={false}
          aria-current={axis === here ? 'page' : undefined}
          className={`text-sm whitespace-nowrap underline-offset-4 ${axis === here ? 'font-semibold underline decoration-2' : 'text-brand hover:underline'}`}
        >
          {label}
        </Link>
      ))}
    </nav>
  );
}
