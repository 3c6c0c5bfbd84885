import type { Metadata } from 'next';
import { openedDesign } from '@/app/lib/open-design';
import { LedgerScreen } from '@/features/design/screen/ledger-screen';
import { SideRoom } from '@/features/compare/screen/side-room';

interface PageProps {
  readonly params: Promise<{ id: string; side: string }>;
}

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  const { id, side } = await params;
  const { design } = await openedDesign(id);
  // One that was made a moment ago may not be saved yet; the page knows it nevertheless.
  const name = design.alternatives?.find((each) => each.id === side)?.name ?? 'An alternative';
  return { title: `${name}, alternative of ${design.title}` };
}

export default async function AlternativePage({ params }: PageProps) {
  const { side } = await params;
  return (
    <SideRoom side={side}>
      <LedgerScreen />
    </SideRoom>
  );
}
