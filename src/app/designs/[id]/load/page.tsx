import type { Metadata } from 'next';
import { openedDesign } from '@/app/lib/open-design';
import { LoadScreen } from '@/features/load/screen/load-screen';

interface PageProps {
  readonly params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  return { title: `Load of ${(await openedDesign((await params).id)).design.title}` };
}

export default function LoadPage() {
  return <LoadScreen />;
}
