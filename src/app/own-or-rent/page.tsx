import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listStudies } from '@/features/own-or-rent/use/studies';
import { StudiesLedger } from '@/features/own-or-rent/screen/studies-ledger';

export const metadata: Metadata = { title: 'Own or rent' };

export default async function StudiesPage() {
  return <StudiesLedger studies={await listStudies(context())} />;
}
