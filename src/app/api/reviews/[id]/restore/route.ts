/** POST: brings a deleted review back. */
import { restoreReview } from '@/features/review/use/reviews';
import { handler } from '../../../answer';

export const POST = handler(async (_request, { id }, context) => {
  await restoreReview(context(), id!);
  return Response.json({ restored: true });
});
