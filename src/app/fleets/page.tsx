import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listFleets } from '@/features/fleet/use/fleets';
import { FleetsLedger } from '@/features/fleet/screen/fleets-ledger';

export const metadata: Metadata = { title: 'Fleets' };

export default async function FleetsPage() {
  return <FleetsLedger fleets={await listFleets(context())} />;
}
