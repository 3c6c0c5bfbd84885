/** GET: how far the billing feed is. POST: takes what it delivers on the next days. */
import { z } from 'zod';
import { fetchFeed, readFeed } from '@/features/bills/use/feed';
import { invalid } from '@/platform/use/app-error';
import { boundedJson, handler } from '../../answer';

const body = z.strictObject({ days: z.int().min(1).max(31) });

export const GET = handler(async (_request, _params, context) =>
  Response.json(await readFeed(context()), { headers: { 'cache-control': 'no-store' } }),
);

export const POST = handler(async (request, _params, context) => {
  const read = body.safeParse(await boundedJson(request, 1000));
  if (!read.success) throw invalid('Say for how many days, from 1 to 31.');
  return Response.json(await fetchFeed(context(), read.data.days));
});
