/** GET: what was paid for a unit, beside the book in use. POST: publishes it as a book. */
import { z } from 'zod';
import { BILL_PRICES, holdPrices, publishFromBill } from '@/features/bills/use/book-from-bill';
import { invalid } from '@/platform/use/app-error';
import { boundedJson, handler } from '../../../answer';

const body = z.strictObject({ as: z.enum(BILL_PRICES) });

export const GET = handler(async (_request, { id }, context) =>
  Response.json(await holdPrices(context(), id!), { headers: { 'cache-control': 'no-store' } }),
);

export const POST = handler(async (request, { id }, context) => {
  const read = body.safeParse(await boundedJson(request, 1000));
  if (!read.success) throw invalid('Say which prices: list or contracted.');
  return Response.json(await publishFromBill(context(), id!, read.data.as));
});
