/** GET ?find=: offers by words, for the find field. */
import { findOffers } from '@/features/price-books/use/books';
import { handler } from '../answer';

export const GET = handler(async (request, _params, context) => {
  const text = new URL(request.url).searchParams.get('find') ?? '';
  return Response.json(await findOffers(context(), text));
});
