/** GET: regions, offers and availability of a published revision, without its rates. */
import { context } from '@/app/wiring';
import { readCatalogue } from '@/operations';
import { FOREVER, handler, revisionOf } from '../../../answer';

export const GET = handler(async (_request, params) =>
  Response.json(await readCatalogue(context(), params.key!, revisionOf(params)), { headers: FOREVER }),
);
