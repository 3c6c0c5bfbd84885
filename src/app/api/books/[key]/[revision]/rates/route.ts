/** GET ?region=&sku=…&kind=…: the rates of some offers, or of all of some kinds, in a region. */
import { isKind, readRates } from '@/operations';
import { handler, revisionOf, unchanging } from '../../../../answer';

const MOST_SKUS = 500;

export const GET = handler(async (request, params, context) => {
  const query = new URL(request.url).searchParams;
  const wanted = {
    region: query.get('region') ?? '',
    skus: query.getAll('sku').slice(0, MOST_SKUS),
    kinds: query.getAll('kind').filter(isKind),
  };
  return unchanging(request, () => readRates(context(), params.key!, revisionOf(params), [wanted]));
});
