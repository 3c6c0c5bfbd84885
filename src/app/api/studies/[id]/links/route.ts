/** GET: the study's read-only links. POST: makes one, and tells its address, which nobody is told again. */
import { createStudyLink } from '@/features/own-or-rent/use/study-links';
import { boundedJson, handler } from '../../../answer';
import { plainStudyLinks } from '../../../plain-links';

export const GET = handler(async (_, { id }, context) =>
  Response.json(await plainStudyLinks(context(), id!)),
);

export const POST = handler(async (request, { id }, context) => {
  const { link, token } = await createStudyLink(context(), id!, await boundedJson(request, 10_000));
  const made = { id: link.id, path: `/shared/${token}` };
  return Response.json({ made, links: await plainStudyLinks(context(), id!) });
});
