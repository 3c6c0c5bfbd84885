import { openedBill } from '@/app/lib/open-bill';
import { BillScreen } from '@/screens/bills/bill-screen';

interface PageProps {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}

export default async function Page({ params, searchParams }: PageProps) {
  const { money } = await searchParams;
  const view = await openedBill((await params).id, money === 'billed' ? 'billed' : 'effective');
  return <BillScreen key={`${view.bill.id} ${view.bill.revision}`} view={view} />;
}
