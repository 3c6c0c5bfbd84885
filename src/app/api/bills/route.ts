/** GET: the bills of the team, the newest period first. */
import { listBills } from '@/features/bills/use/bills';
import { handler } from '../answer';

export const GET = handler(async (_request, _params, context) =>
  Response.json(await listBills(context()), { headers: { 'cache-control': 'no-store' } }),
);
