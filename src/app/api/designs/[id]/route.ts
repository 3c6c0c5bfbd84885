/** DELETE: takes the design off the list; it can be restored. */
import { deleteDesign } from '@/operations';
import { handler } from '../../answer';

export const DELETE = handler(async (_request, { id }, context) => {
  await deleteDesign(context(), id!);
  return Response.json({ deleted: true });
});
