/** PUT: a price-book file, streamed in and published whole or refused. GET: how far it is. DELETE: stops it. */
import { cut } from '@/core/base';
import { AppError, cancelImport, importBook, importProgress } from '@/operations';
import { handler } from '../../../answer';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

export const PUT = handler(async (request, params, context) => {
  if (!UUID.test(params.id!)) throw new AppError('invalid', 'The import needs an id of its own.');
  const length = Number(request.headers.get('content-length'));
  const name = new URL(request.url).searchParams.get('name') ?? 'price book';
  const upload = {
    id: params.id!,
    fileName: cut(name, 200),
    bytesTotal: Number.isSafeInteger(length) && length > 0 ? length : null,
    // Nothing at all was sent: a file without anything in it, not one that is still on its way.
    source: request.body ?? new Blob([]).stream(),
  };
  return Response.json(await importBook(context(), upload), { status: 201 });
});

export const GET = handler(async (_request, params, context) =>
  Response.json(await importProgress(context(), params.id!), { headers: { 'cache-control': 'no-store' } }),
);

export const DELETE = handler(async (_request, params, context) => {
  await cancelImport(context(), params.id!);
  return new Response(null, { status: 204 });
});
