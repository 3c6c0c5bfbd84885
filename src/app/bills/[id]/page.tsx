import { type BillPage, openedBill } from '@/app/lib/open-bill';
import { context } from '@/app/wiring';
import { listAlerts } from '@/features/alerts/use/watches';
import { BillScreen } from '@/features/bills/screen/bill-screen';

/** What watches said of it, the newest. */
const SAID = 2;

export default async function Page({ params, searchParams }: BillPage) {
  const { id } = await params;
  const view = await openedBill(id, (await searchParams).money);
  const said = await listAlerts(context(), id);
  return (
    <BillScreen
      key={`${view.bill.id} ${view.bill.revision}`}
      view={view}
      said={said.slice(0, SAID).map(({ known }) => known.sentence)}
    />
  );
}
