import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { billYears } from '@/operations';
import { YearScreen } from '@/screens/bills/year-screen';

export const metadata: Metadata = { title: 'A year of bills' };

export default async function YearPage() {
  return <YearScreen years={await billYears(context())} />;
}
