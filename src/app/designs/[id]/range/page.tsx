import type { Metadata } from 'next';
import { openedDesign } from '@/app/lib/open-design';
import { RangeScreen } from '@/features/range/screen/range-screen';

interface PageProps {
  readonly params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  return { title: `Range of ${(await openedDesign((await params).id)).design.title}` };
}

export default function RangePage() {
  return <RangeScreen />;
}
