/** PUT: a bill in FOCUS form, streamed in and taken whole or refused. GET: how far it is. DELETE: stops it. */
import { cancelImport, importProgress } from '@/features/price-books/use/import-book';
import { importBill } from '@/features/bills/use/import-bill';
import { handler } from '../../../answer';
import { uploadOf } from '../../../upload';

export const PUT = handler(async (request, { id }, context) =>
  Response.json(await importBill(context(), uploadOf(request, id!, 'bill')), { status: 201 }),
);

export const GET = handler(async (_request, { id }, context) =>
  Response.json(await importProgress(context(), id!), { headers: { 'cache-control': 'no-store' } }),
);

export const DELETE = handler(async (_request, { id }, context) => {
  await cancelImport(context(), id!);
  return new Response(null, { status: 204 });
});
