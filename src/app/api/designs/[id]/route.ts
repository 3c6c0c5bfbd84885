/** DELETE: takes the design off the list; it can be restored. */
import { context } from '@/app/wiring';
import { deleteDesign } from '@/operations';
import { handler } from '../../answer';

export const DELETE = handler(async (_request, { id }) => {
  await deleteDesign(context(), id!);
  return Response.json({ deleted: true });
});
