import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listReviews } from '@/features/review/use/reviews';
import { ChangesLedger } from '@/features/review/screen/changes-ledger';

export const metadata: Metadata = { title: 'Change reviews' };

export default async function ReviewsPage() {
  return <ChangesLedger reviews={await listReviews(context())} />;
}
