import { openedBill } from '@/app/lib/open-bill';
import { DaysScreen } from '@/screens/bills/days-screen';

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  const view = await openedBill((await params).id);
  return <DaysScreen key={`${view.bill.id} ${view.bill.revision}`} view={view} />;
}
