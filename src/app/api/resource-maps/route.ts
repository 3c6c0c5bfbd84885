/** GET: the resource maps: what ships, and the team's own. */
import { listResourceMaps } from '@/features/review/use/team-files';
import { handler } from '../answer';

export const GET = handler(async (_request, _params, context) =>
  Response.json(await listResourceMaps(context()), { headers: { 'cache-control': 'no-store' } }),
);
