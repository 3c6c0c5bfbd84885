/** GET: how a review stands that a pipeline sent. */
import { readReviewState } from '@/features/review/use/reviews';
import { forPipelines } from '../../problem';
import { tellingOf } from '../../telling';

export const GET = forPipelines(async (request, { id }, context) =>
  Response.json(tellingOf(request, await readReviewState(context, id!)), {
    headers: { 'cache-control': 'no-store' },
  }),
);
