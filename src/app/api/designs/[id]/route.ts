/** GET: the design as it stands. DELETE: takes it off the list; it can be restored. */
import { deleteDesign, openDesign } from '@/features/design/use/designs';
import { handler } from '../../answer';

export const GET = handler(async (_request, { id }, context) => {
  const { design, revision } = await openDesign(context(), id!);
  return Response.json({ design, revision }, { headers: { 'cache-control': 'no-store' } });
});

export const DELETE = handler(async (_request, { id }, context) => {
  await deleteDesign(context(), id!);
  return Response.json({ deleted: true });
});
