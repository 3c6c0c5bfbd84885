/** GET: a change review with its extract. DELETE: takes it off the list; it can be restored. */
import { deleteReview, openReview } from '@/features/review/use/reviews';
import { handler } from '../../answer';

export const GET = handler(async (_request, { id }, context) =>
  Response.json(await openReview(context(), id!), { headers: { 'cache-control': 'no-store' } }),
);

export const DELETE = handler(async (_request, { id }, context) => {
  await deleteReview(context(), id!);
  return Response.json({ deleted: true });
});
