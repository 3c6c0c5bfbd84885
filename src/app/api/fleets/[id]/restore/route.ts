/** POST: takes a deletion back. */
import { restoreFleet } from '@/features/fleet/use/fleets';
import { handler } from '../../../answer';

export const POST = handler(async (_request, { id }, context) => {
  await restoreFleet(context(), id!);
  return Response.json({ restored: true });
});
