/** GET: offers of the newest revisions by words, kind, place, size, capability and price. */
import { searchOffers } from '@/features/price-books/use/books';
import { handler } from '../../answer';

export const GET = handler(async (request, _params, context) => {
  const { limit, ...asked } = Object.fromEntries(new URL(request.url).searchParams) as Record<string, string>;
  const query = { ...asked, ...(limit === undefined ? {} : { limit: Number(limit) }) };
  return Response.json(await searchOffers(context(), query));
});
