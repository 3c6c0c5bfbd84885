/** POST: takes a deletion back. */
import { restoreDesign } from '@/features/design/use/designs';
import { handler } from '../../../answer';

export const POST = handler(async (_request, { id }, context) => {
  await restoreDesign(context(), id!);
  return Response.json({ restored: true });
});
