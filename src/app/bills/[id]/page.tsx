import { openedBill } from '@/app/lib/open-bill';
import { context } from '@/app/wiring';
import { listAlerts } from '@/operations';
import { BillScreen } from '@/screens/bills/bill-screen';

/** What watches said of it, the newest. */
const SAID = 2;

interface PageProps {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}

export default async function Page({ params, searchParams }: PageProps) {
  const { money } = await searchParams;
  const { id } = await params;
  const view = await openedBill(id, money === 'billed' ? 'billed' : 'effective');
  const said = (await listAlerts(context())).filter(({ known }) => known.bill === id);
  return (
    <BillScreen
      key={`${view.bill.id} ${view.bill.revision}`}
      view={view}
      said={said.slice(0, SAID).map(({ known }) => known.sentence)}
    />
  );
}
