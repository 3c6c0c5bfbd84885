/** GET: the design as it was at a revision. */
import { context } from '@/app/wiring';
import { designAt, notFound } from '@/operations';
import { handler, wholeNumber } from '../../../../answer';

export const GET = handler(async (_, { id, revision }) => {
  const number = wholeNumber(revision ?? null);
  if (number === null) throw notFound('revision');
  return Response.json(await designAt(context(), id!, number));
});
