/** GET: the change reviews. POST: takes one in that was read in the browser; of the plan, only the extract comes here. */
import { MOST_SENT_BYTES } from '@/features/review/format/review/sent-review';
import { listReviews, receiveReview } from '@/features/review/use/reviews';
import { boundedJson, handler } from '../answer';

export const GET = handler(async (_request, _params, context) =>
  Response.json(await listReviews(context()), { headers: { 'cache-control': 'no-store' } }),
);

export const POST = handler(async (request, _params, context) => {
  const { review, isNew } = await receiveReview(context(), await boundedJson(request, MOST_SENT_BYTES));
  return Response.json({ id: review.id }, { status: isNew ? 201 : 200 });
});
