/** POST: takes a deletion back. */
import { context } from '@/app/wiring';
import { restoreDesign } from '@/operations';
import { handler } from '../../../answer';

export const POST = handler(async (_request, { id }) => {
  await restoreDesign(context(), id!);
  return Response.json({ restored: true });
});
