/** GET: what watches said, the newest first. POST: all of it was seen. */
import { listAlerts, seeAlerts } from '@/features/alerts/use/watches';
import { handler } from '../answer';

export const GET = handler(async (_request, _params, context) =>
  Response.json(await listAlerts(context()), { headers: { 'cache-control': 'no-store' } }),
);

export const POST = handler(async (_request, _params, context) => {
  await seeAlerts(context());
  return new Response(null, { status: 204 });
});
