import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listForge } from '@/features/review/use/forge';
import { listReviews } from '@/features/review/use/reviews';
import { ForgeScreen } from '@/features/review/screen/forge-screen';

export const metadata: Metadata = { title: 'Code forge' };

export default async function ForgePage() {
  const inside = context();
  const [changes, reviews] = await Promise.all([listForge(inside), listReviews(inside)]);
  const kept = reviews.map(({ id, repository, change }) => ({ id, repository, change }));
  return <ForgeScreen changes={changes} kept={kept} />;
}
