/** GET ?find=: offers by words, for the find field. */
import { context } from '@/app/wiring';
import { findOffers } from '@/operations';
import { handler } from '../answer';

export const GET = handler(async (request) => {
  const text = new URL(request.url).searchParams.get('find') ?? '';
  return Response.json(await findOffers(context(), text));
});
