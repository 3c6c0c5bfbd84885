import type { Metadata } from 'next';
import { openedDesign } from '@/app/lib/open-design';
import { ChecklistScreen } from '@/features/checklist/screen/checklist-screen';

interface PageProps {
  readonly params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  return { title: `Checklist of ${(await openedDesign((await params).id)).design.title}` };
}

export default function ChecklistPage() {
  return <ChecklistScreen />;
}
