/** What is drawn of the load. Each has an address. */
'use client';
import Link from 'next/link';
import { type LoadAddress, type LoadView, writeLoadAddress } from './load-address';

const WORDS: Readonly<Record<LoadView, string>> = {
  curve: 'Over one',
  ready: 'Ready questions',
  map: 'Over two',
  fame: 'Sudden fame',
};

export function WaysToLook({ id, address }: { readonly id: string; readonly address: LoadAddress }) {
  return (
    <nav
      aria-label="What is drawn"
      className="flex shrink-0 flex-wrap gap-x-4 gap-y-0.5 px-[18px] pt-2 pr-8 pb-1.5"
    >
      {Object.entries(WORDS).map(([view, label]) => (
        <Link
          key={view}
          href={`/designs/${id}/load${writeLoadAddress({ ...address, view: view as LoadView })}`}
          prefetch={false}
          aria-current={view === address.view ? 'page' : undefined}
          className={`text-sm whitespace-nowrap underline-offset-4 ${view === address.view ? 'font-semibold underline decoration-2' : 'text-brand hover:underline'}`}
        >
          {label}
        </Link>
      ))}
    </nav>
  );
}
