/** GET: regions, offers and availability of a published revision, without its rates. */
import { readCatalogue } from '@/features/price-books/use/books';
import { handler, revisionOf, unchanging } from '../../../answer';

export const GET = handler(async (request, params, context) =>
  unchanging(request, () => readCatalogue(context(), params.key!, revisionOf(params))),
);
