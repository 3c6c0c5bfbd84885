import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listResourceMaps } from '@/features/review/use/team-files';
import { BringScreen } from '@/features/review/screen/bring-screen';

export const metadata: Metadata = { title: 'Review a plan' };

export default async function BringPage() {
  return <BringScreen maps={await listResourceMaps(context())} />;
}
