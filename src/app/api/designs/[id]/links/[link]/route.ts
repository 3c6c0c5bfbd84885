/** DELETE: withdraws a link; it opens nothing from then on. */
import { withdrawLink } from '@/features/report/use/links';
import { handler } from '../../../../answer';
import { plainLinks } from '../../../../plain-links';

export const DELETE = handler(async (_, { id, link }, context) => {
  await withdrawLink(context(), link!);
  return Response.json(await plainLinks(context(), id!));
});
