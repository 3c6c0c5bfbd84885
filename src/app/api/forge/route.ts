/** GET: the changes in the code forge. */
import { listForge } from '@/features/review/use/forge';
import { handler } from '../answer';

export const GET = handler(async (_request, _params, context) =>
  Response.json(await listForge(context()), { headers: { 'cache-control': 'no-store' } }),
);
