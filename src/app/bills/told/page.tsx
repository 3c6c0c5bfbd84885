import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listAlerts, readMailbox } from '@/operations';
import { ToldScreen } from '@/features/alerts/screen/told-screen';

export const metadata: Metadata = { title: 'What watches said' };

export default async function ToldPage() {
  const own = context();
  const [alerts, mailbox] = await Promise.all([listAlerts(own), readMailbox(own)]);
  return <ToldScreen alerts={alerts} mailbox={mailbox} />;
}
