import { type BillPage, openedBill } from '@/app/lib/open-bill';
import { DaysScreen } from '@/features/bills/screen/days-screen';

export default async function Page({ params, searchParams }: BillPage) {
  return <DaysScreen view={await openedBill((await params).id, (await searchParams).money)} />;
}
