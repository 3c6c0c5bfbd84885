/** GET ?region=: the rates of one region of a published revision. */
import { context } from '@/app/wiring';
import { readRates } from '@/operations';
import { FOREVER, handler, revisionOf } from '../../../../answer';

export const GET = handler(async (request, params) => {
  const region = new URL(request.url).searchParams.get('region') ?? '';
  return Response.json(await readRates(context(), params.key!, revisionOf(params), region), {
    headers: FOREVER,
  });
});
