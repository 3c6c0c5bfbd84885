/** GET: regions, offers and availability of a published revision, without its rates. */
import { context } from '@/app/wiring';
import { readCatalogue } from '@/operations';
import { handler, revisionOf, unchanging } from '../../../answer';

export const GET = handler(async (request, params) =>
  unchanging(request, () => readCatalogue(context(), params.key!, revisionOf(params))),
);
