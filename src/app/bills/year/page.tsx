import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { billYears } from '@/features/bills/use/bill-year';
import { countUnseenAlerts } from '@/features/alerts/use/watches';
import { YearScreen } from '@/features/bills/screen/year-screen';

export const metadata: Metadata = { title: 'A year of bills' };

export default async function YearPage() {
  const own = context();
  const [years, unseen] = await Promise.all([billYears(own), countUnseenAlerts(own)]);
  return <YearScreen years={years} unseen={unseen} />;
}
