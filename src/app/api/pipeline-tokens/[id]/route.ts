/** DELETE: withdraws a token; whoever has it is refused from now on. */
import { withdrawToken } from '@/operations';
import { handler } from '../../answer';

export const DELETE = handler(async (_request, { id }, context) => {
  await withdrawToken(context(), id!);
  return Response.json({ withdrawn: true });
});
