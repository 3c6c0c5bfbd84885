/** DELETE: a kept thing is kept no longer. */
import { context } from '@/app/wiring';
import { forgetKept } from '@/operations';
import { handler } from '../../answer';

export const DELETE = handler(async (_, { id }) => {
  await forgetKept(context(), id!);
  return Response.json({ kept: false });
});
