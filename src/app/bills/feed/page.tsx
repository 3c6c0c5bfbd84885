import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { readFeed } from '@/features/bills/use/feed';
import { FeedScreen } from '@/features/bills/screen/feed-screen';

export const metadata: Metadata = { title: 'Billing feed' };

export default async function FeedPage() {
  return <FeedScreen feed={await readFeed(context())} />;
}
