/** GET: the watches as they stand now. */
import { listWatches } from '@/features/alerts/use/watches';
import { handler } from '../answer';

export const GET = handler(async (_request, _params, context) =>
  Response.json(await listWatches(context()), { headers: { 'cache-control': 'no-store' } }),
);
