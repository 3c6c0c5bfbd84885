/** What a pipeline is told of its review. */
import type { ReviewTelling } from '@/features/review/format/review/api-schema';
import type { StoredReview } from '@/features/review/use/review-ports';

type Told = Pick<StoredReview, 'id' | 'repository' | 'change' | 'commit' | 'phase' | 'pins' | 'summary'>;

export function tellingOf(request: Request, review: Told): ReviewTelling {
  const { id, repository, change, commit, phase, pins, summary } = review;
  const { protocol } = new URL(request.url);
  const origin = `${protocol}//${request.headers.get('host')}`;
  return {
    ...{ id, repository, change, commit, phase, summary },
    books: [...pins.books],
    self: `${origin}/api/v1/reviews/${id}`,
    page: `${origin}/reviews/${id}`,
  };
}
