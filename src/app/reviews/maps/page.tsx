import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listResourceMaps, listTeamFiles } from '@/features/review/use/team-files';
import { MapsScreen } from '@/features/review/screen/maps-screen';

export const metadata: Metadata = { title: 'Resource maps' };

export default async function MapsPage() {
  const [maps, own] = await Promise.all([listResourceMaps(context()), listTeamFiles(context(), 'map')]);
  return <MapsScreen maps={maps} own={own} />;
}
