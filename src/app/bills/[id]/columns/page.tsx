import { openedBill } from '@/app/lib/open-bill';
import { ColumnsScreen } from '@/features/bills/screen/columns-screen';

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  const view = await openedBill((await params).id);
  return <ColumnsScreen key={`${view.bill.id} ${view.bill.revision}`} view={view} />;
}
