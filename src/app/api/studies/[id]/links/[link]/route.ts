/** DELETE: withdraws a link of a study; it opens nothing from then on. */
import { withdrawStudyLink } from '@/features/own-or-rent/use/study-links';
import { handler } from '../../../../answer';
import { plainStudyLinks } from '../../../../plain-links';

export const DELETE = handler(async (_, { id, link }, context) => {
  await withdrawStudyLink(context(), link!);
  return Response.json(await plainStudyLinks(context(), id!));
});
