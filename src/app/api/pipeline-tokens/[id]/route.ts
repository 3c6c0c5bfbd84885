/** DELETE: withdraws a token; whoever has it is refused from now on. Answers with those that are left. */
import { listTokens, withdrawToken } from '@/features/review/use/pipeline-tokens';
import { handler } from '../../answer';
import { plainToken } from '../../plain-token';

export const DELETE = handler(async (_request, { id }, context) => {
  const inside = context();
  await withdrawToken(inside, id!);
  return Response.json((await listTokens(inside)).map(plainToken));
});
