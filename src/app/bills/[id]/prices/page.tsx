import { context } from '@/app/wiring';
import { openedBill } from '@/app/lib/open-bill';
import { holdPrices } from '@/features/bills/use/book-from-bill';
import { PricesScreen } from '@/features/bills/screen/prices-screen';

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  const { bill } = await openedBill(id);
  return <PricesScreen bill={bill} held={await holdPrices(context(), id)} />;
}
