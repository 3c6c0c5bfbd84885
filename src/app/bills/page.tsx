import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { countUnseenAlerts } from '@/features/alerts/use/watches';
import { listBills } from '@/features/bills/use/bills';
import { BillsLedger } from '@/features/bills/screen/bills-ledger';

export const metadata: Metadata = { title: 'Bills' };

export default async function BillsPage() {
  const own = context();
  const [bills, unseen] = await Promise.all([listBills(own), countUnseenAlerts(own)]);
  return <BillsLedger bills={bills} unseen={unseen} />;
}
