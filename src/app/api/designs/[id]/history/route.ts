/** GET ?before=…: revisions of the design, newest first. */
import { designHistory } from '@/features/design/use/history';
import { handler, wholeNumber } from '../../../answer';

export const GET = handler(async (request, { id }, context) => {
  const before = wholeNumber(new URL(request.url).searchParams.get('before'));
  return Response.json(await designHistory(context(), id!, before));
});
