/** POST: brings a watch back that was deleted. */
import { restoreWatch } from '@/features/alerts/use/watches';
import { handler } from '../../../answer';

export const POST = handler(async (_request, { id }, context) => {
  await restoreWatch(context(), id!);
  return new Response(null, { status: 204 });
});
