import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listTeamFiles } from '@/features/review/use/team-files';
import { PriceListScreen } from '@/features/price-books/screen/price-list-screen';

export const metadata: Metadata = { title: 'From a price list' };

export default async function PriceListPage() {
  const own = context();
  const maps = (await listTeamFiles(own, 'price-list')).filter(({ text }) => text.trim() !== '');
  return <PriceListScreen maps={maps} today={own.now().toISOString().slice(0, 10)} />;
}
