import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { countUnseenAlerts, listWatches } from '@/features/alerts/use/watches';
import { watchChoices } from '@/features/alerts/use/watch-choices';
import { WatchesScreen } from '@/features/alerts/screen/watches-screen';

export const metadata: Metadata = { title: 'Watches' };

export default async function WatchesPage() {
  const own = context();
  const [watches, choices, unseen] = await Promise.all([
    listWatches(own),
    watchChoices(own),
    countUnseenAlerts(own),
  ]);
  return <WatchesScreen watches={watches} choices={choices} unseen={unseen} />;
}
