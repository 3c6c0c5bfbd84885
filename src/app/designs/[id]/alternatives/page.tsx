import type { Metadata } from 'next';
import { openedDesign } from '@/app/lib/open-design';
import { AlternativesScreen } from '@/features/compare/screen/alternatives-screen';

interface PageProps {
  readonly params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  return { title: `Alternatives of ${(await openedDesign((await params).id)).design.title}` };
}

export default function AlternativesPage() {
  return <AlternativesScreen />;
}
