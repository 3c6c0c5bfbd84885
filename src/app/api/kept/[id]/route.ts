/** DELETE: a kept thing is kept no longer. */
import { forgetKept } from '@/operations';
import { handler } from '../../answer';

export const DELETE = handler(async (_, { id }, context) => {
  await forgetKept(context(), id!);
  return Response.json({ kept: false });
});
