import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listAlerts } from '@/features/alerts/use/watches';
import { readMailbox } from '@/features/alerts/use/watch-messages';
import { ToldScreen } from '@/features/alerts/screen/told-screen';

export const metadata: Metadata = { title: 'What watches said' };

export default async function ToldPage() {
  const own = context();
  const [alerts, mailbox] = await Promise.all([listAlerts(own), readMailbox(own)]);
  return <ToldScreen alerts={alerts} mailbox={mailbox} />;
}
