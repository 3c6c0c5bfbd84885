/** GET ?sku=: everything about one offer. */
import { readOffer } from '@/features/price-books/use/books';
import { handler, revisionOf } from '../../../../answer';

export const GET = handler(async (request, params, context) => {
  const sku = new URL(request.url).searchParams.get('sku') ?? '';
  return Response.json(await readOffer(context(), params.key!, revisionOf(params), sku));
});
