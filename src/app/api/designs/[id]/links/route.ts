/** GET: the design's read-only links. POST: makes one. Both answer with all of them. */
import { context } from '@/app/wiring';
import { createLink } from '@/operations';
import { boundedJson, handler } from '../../../answer';
import { plainLinks } from '../../../plain-links';

export const GET = handler(async (_, { id }) => Response.json(await plainLinks(context(), id!)));

export const POST = handler(async (request, { id }) => {
  await createLink(context(), id!, await boundedJson(request, 10_000));
  return Response.json(await plainLinks(context(), id!));
});
