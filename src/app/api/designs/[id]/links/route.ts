/** GET: the design's read-only links. POST: makes one, and tells its address, which nobody is told again. */
import { createLink } from '@/features/report/use/links';
import { boundedJson, handler } from '../../../answer';
import { plainLinks } from '../../../plain-links';

export const GET = handler(async (_, { id }, context) => Response.json(await plainLinks(context(), id!)));

export const POST = handler(async (request, { id }, context) => {
  const { link, token } = await createLink(context(), id!, await boundedJson(request, 10_000));
  const made = { id: link.id, path: `/shared/${token}` };
  return Response.json({ made, links: await plainLinks(context(), id!) });
});
