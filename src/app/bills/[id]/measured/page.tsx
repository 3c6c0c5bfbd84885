import { openedBill } from '@/app/lib/open-bill';
import { MeasuredScreen } from '@/features/bills/screen/measured-screen';

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  const view = await openedBill((await params).id);
  return <MeasuredScreen key={`${view.bill.id} ${view.design?.revision ?? ''}`} view={view} />;
}
