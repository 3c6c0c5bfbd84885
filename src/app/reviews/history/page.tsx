import type { Metadata } from 'next';
import { orNotFound } from '@/app/lib/or-not-found';
import { context } from '@/app/wiring';
import { listReviews, readRepositoryHistory } from '@/features/review/use/reviews';
import { HistoryScreen } from '@/features/review/screen/history-screen';

export const metadata: Metadata = { title: 'History of a repository' };

interface HistoryProps {
  readonly searchParams: Promise<{ readonly repository?: string | readonly string[] }>;
}

export default async function HistoryPage({ searchParams }: HistoryProps) {
  const { repository } = await searchParams;
  const inside = context();
  const repositories = [...new Set((await listReviews(inside)).map((each) => each.repository))].sort();
  const chosen = typeof repository === 'string' ? repository : (repositories[0] ?? null);
  const merged = chosen === null ? [] : await orNotFound(readRepositoryHistory(inside, chosen));
  return <HistoryScreen repositories={repositories} repository={chosen} merged={merged} />;
}
