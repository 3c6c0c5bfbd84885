/** GET ?sku=: everything about one offer. */
import { context } from '@/app/wiring';
import { readOffer } from '@/operations';
import { handler, revisionOf } from '../../../../answer';

export const GET = handler(async (request, params) => {
  const sku = new URL(request.url).searchParams.get('sku') ?? '';
  return Response.json(await readOffer(context(), params.key!, revisionOf(params), sku));
});
