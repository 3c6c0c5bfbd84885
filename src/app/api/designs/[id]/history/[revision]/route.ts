/** GET: the design as it was at a revision. */
import { designAt } from '@/features/design/use/history';
import { notFound } from '@/platform/use/app-error';
import { handler, wholeNumber } from '../../../../answer';

export const GET = handler(async (_, { id, revision }, context) => {
  const number = wholeNumber(revision ?? null);
  if (number === null) throw notFound('revision');
  return Response.json(await designAt(context(), id!, number));
});
