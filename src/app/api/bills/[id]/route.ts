/** GET ?basis=effective|billed: the bill laid against its design. DELETE: the bill with all its rows. */
import { deleteBill } from '@/features/bills/use/bills';
import { viewBill } from '@/features/bills/use/bill-view';
import { handler } from '../../answer';
import { basisOf } from '../basis';

export const GET = handler(async (request, { id }, context) => {
  return Response.json(await viewBill(context(), id!, basisOf(request)), {
    headers: { 'cache-control': 'no-store' },
  });
});

export const DELETE = handler(async (_request, { id }, context) => {
  await deleteBill(context(), id!);
  return new Response(null, { status: 204 });
});
