import { context } from '@/app/wiring';
import { openedBill } from '@/app/lib/open-bill';
import { backTestBill } from '@/operations';
import { DaysScreen } from '@/screens/bills/days-screen';

export default async function Page({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  const view = await openedBill(id);
  return <DaysScreen view={view} tested={await backTestBill(context(), id)} />;
}
