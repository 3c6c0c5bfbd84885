import { openedBill } from '@/app/lib/open-bill';
import { BillScreen } from '@/screens/bills/bill-screen';

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  const view = await openedBill((await params).id);
  return <BillScreen key={`${view.bill.id} ${view.bill.revision}`} view={view} />;
}
