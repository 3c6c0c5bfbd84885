/** POST: takes a deletion back. */
import { restoreStudy } from '@/features/own-or-rent/use/studies';
import { handler } from '../../../answer';

export const POST = handler(async (_request, { id }, context) => {
  await restoreStudy(context(), id!);
  return Response.json({ restored: true });
});
