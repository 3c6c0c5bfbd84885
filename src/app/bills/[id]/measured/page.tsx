import { openedBill } from '@/app/lib/open-bill';
import { MeasuredScreen } from '@/screens/bills/measured-screen';

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  const view = await openedBill((await params).id);
  return <MeasuredScreen key={`${view.bill.id} ${view.design?.revision ?? ''}`} view={view} />;
}
