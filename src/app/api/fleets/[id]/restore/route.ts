/** POST: takes a deletion back. */
import { restoreFleet } from '@/operations';
import { handler } from '../../../answer';

export const POST = handler(async (_request, { id }, context) => {
  await restoreFleet(context(), id!);
  return Response.json({ restored: true });
});
