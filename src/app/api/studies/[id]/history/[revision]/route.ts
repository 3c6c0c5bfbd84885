/** GET: a study as it was at a revision. */
import { notFound } from '@/platform/use/app-error';
import { openStudyAt } from '@/features/own-or-rent/use/studies';
import { handler, wholeNumber } from '../../../../answer';

export const GET = handler(async (_request, { id, revision }, context) => {
  const number = wholeNumber(revision ?? null);
  if (number === null) throw notFound('revision');
  return Response.json(await openStudyAt(context(), id!, number));
});
