/** PUT: the load profile of a review, as the file beside the code; null takes it away. */
import { z } from 'zod';
import { invalid } from '@/platform/use/app-error';
import { saveReviewLoad } from '@/features/review/use/reviews';
import { boundedJson, handler } from '../../../answer';

const body = z.strictObject({ baseRevision: z.int().min(0), load: z.string().max(1_000_000).nullable() });

export const PUT = handler(async (request, { id }, context) => {
  const read = body.safeParse(await boundedJson(request, 2_000_000));
  if (!read.success) throw invalid('To save a load profile takes the revision it is based on, and its text.');
  return Response.json({ revision: await saveReviewLoad(context(), id!, read.data) });
});
