import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listDesigns } from '@/features/design/use/designs';
import { DesignsLedger } from '@/features/design/screen/designs/designs-ledger';

export const metadata: Metadata = { title: 'Designs' };

export default async function DesignsPage() {
  return <DesignsLedger designs={await listDesigns(context())} />;
}
