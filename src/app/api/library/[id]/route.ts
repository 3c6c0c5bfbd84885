/** DELETE: a kept thing is kept no longer. */
import { removeFromLibrary } from '@/features/design/use/library';
import { handler } from '../../answer';

export const DELETE = handler(async (_, { id }, context) => {
  await removeFromLibrary(context(), id!);
  return Response.json({ kept: false });
});
