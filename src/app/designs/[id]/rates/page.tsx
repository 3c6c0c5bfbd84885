import type { Metadata } from 'next';
import { openedDesign } from '@/app/lib/open-design';
import { BareDesignScreen } from '@/features/unit-prices/screen/bare-design-screen';

interface PageProps {
  readonly params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  return { title: `Bare rates for ${(await openedDesign((await params).id)).design.title}` };
}

export default function DesignRatesPage() {
  return <BareDesignScreen />;
}
