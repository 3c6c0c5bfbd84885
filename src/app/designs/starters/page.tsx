import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listStarters } from '@/operations';
import { StartersLedger } from './starters-ledger';

export const metadata: Metadata = { title: 'Starters' };

export default async function StartersPage() {
  return <StartersLedger starters={await listStarters(context())} />;
}
