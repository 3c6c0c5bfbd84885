/** PUT: a price-book file, streamed in and published whole or refused. GET: how far it is. DELETE: stops it. */
import { cancelImport, importBook, importProgress } from '@/features/price-books/use/import-book';
import { handler } from '../../../answer';
import { uploadOf } from '../../../upload';

export const PUT = handler(async (request, params, context) =>
  Response.json(await importBook(context(), uploadOf(request, params.id!, 'price book')), { status: 201 }),
);

export const GET = handler(async (_request, params, context) =>
  Response.json(await importProgress(context(), params.id!), { headers: { 'cache-control': 'no-store' } }),
);

export const DELETE = handler(async (_request, params, context) => {
  await cancelImport(context(), params.id!);
  return new Response(null, { status: 204 });
});
