/** GET ?basis=effective|billed: the bill laid against its design. DELETE: the bill with all its rows. */
import { deleteBill, invalid, viewBill } from '@/operations';
import { handler } from '../../answer';

export const GET = handler(async (request, { id }, context) => {
  const basis = new URL(request.url).searchParams.get('basis') ?? 'effective';
  if (basis !== 'effective' && basis !== 'billed') throw invalid('The basis is effective or billed.');
  return Response.json(await viewBill(context(), id!, basis), { headers: { 'cache-control': 'no-store' } });
});

export const DELETE = handler(async (_request, { id }, context) => {
  await deleteBill(context(), id!);
  return new Response(null, { status: 204 });
});
