import type { Metadata } from 'next';
import { openedDesign } from '@/app/lib/open-design';
import { PayingScreen } from '@/features/paying/screen/paying-screen';

interface PageProps {
  readonly params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  return { title: `Paying for ${(await openedDesign((await params).id)).design.title}` };
}

export default function PayingPage() {
  return <PayingScreen />;
}
