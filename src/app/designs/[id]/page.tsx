import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { openedDesign } from '@/app/lib/open-design';
import { LedgerScreen } from '@/features/design/screen/ledger-screen';

interface PageProps {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export async function generateMetadata({ params }: Pick<PageProps, 'params'>): Promise<Metadata> {
  return { title: (await openedDesign((await params).id)).design.title };
}

export default async function DesignPage({ params, searchParams }: PageProps) {
  // Where the checklist was before it had an address of its own.
  if ((await searchParams).view === 'checklist') redirect(`/designs/${(await params).id}/checklist`);
  return <LedgerScreen />;
}
