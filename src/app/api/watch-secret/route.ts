/** GET: with which calls of watches are signed. */
import { callSecret } from '@/features/alerts/use/watch-messages';
import { handler } from '../answer';

export const GET = handler(async (_request, _params, context) =>
  Response.json({ secret: await callSecret(context()) }, { headers: { 'cache-control': 'no-store' } }),
);
