import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listBills } from '@/operations';
import { BillsLedger } from '@/screens/bills/bills-ledger';

export const metadata: Metadata = { title: 'Bills' };

export default async function BillsPage() {
  return <BillsLedger bills={await listBills(context())} />;
}
