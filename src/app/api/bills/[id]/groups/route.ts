/** GET ?by=service|account|region|resource|sku|category|tag:key: the bill by what its rows say. */
import { GROUPED_BY, type GroupedBy } from '@/features/bills/calc';
import { groupBill } from '@/features/bills/use/bill-groups';
import { invalid } from '@/platform/use/app-error';
import { handler } from '../../../answer';

const isGroupedBy = (by: string): by is GroupedBy =>
  (GROUPED_BY as readonly string[]).includes(by) || (by.startsWith('tag:') && by.length < 220);

export const GET = handler(async (request, { id }, context) => {
  const by = new URL(request.url).searchParams.get('by') ?? '';
  if (!isGroupedBy(by)) throw invalid(`A bill is grouped by ${GROUPED_BY.join(', ')}, or by tag: and a key.`);
  return Response.json(await groupBill(context(), id!, by), { headers: { 'cache-control': 'no-store' } });
});
