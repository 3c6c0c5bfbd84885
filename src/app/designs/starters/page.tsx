import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listStarters } from '@/features/design/use/starters';
import { StartersLedger } from '@/features/design/screen/starters/starters-ledger';

export const metadata: Metadata = { title: 'Starters' };

interface StartersPageProps {
  /** The one that is shown first. */
  readonly searchParams: Promise<{ readonly starter?: string | readonly string[] }>;
}

export default async function StartersPage({ searchParams }: StartersPageProps) {
  const { starter } = await searchParams;
  const starters = await listStarters(context());
  const first = typeof starter === 'string' ? starter : undefined;
  // A new key: what is chosen in the find field while the page is open is shown all the same.
  return <StartersLedger key={first} starters={starters} first={first} />;
}
