/** GET ?region=…&sku=…&kind=…: the rates of some offers, or of all of some kinds, in one region or several. */
import { isKind, readRates } from '@/features/price-books/use/books';
import { handler, revisionOf, unchanging } from '../../../../answer';

const MOST_SKUS = 500;
const MOST_REGIONS = 100;

export const GET = handler(async (request, params, context) => {
  const query = new URL(request.url).searchParams;
  const skus = query.getAll('sku').slice(0, MOST_SKUS);
  const kinds = query.getAll('kind').filter(isKind);
  const regions = [...new Set(query.getAll('region'))].slice(0, MOST_REGIONS);
  const wanted = regions.map((region) => ({ region, skus, kinds }));
  return unchanging(request, () => readRates(context(), params.key!, revisionOf(params), wanted));
});
