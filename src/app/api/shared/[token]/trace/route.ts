/** GET ?line=…: how one line of a linked report adds up, where the link shows it. */
import { outsideContext } from '@/app/wiring';
import { linkedTrace } from '@/operations';
import { handler } from '../../../answer';

export const GET = handler(async (request, { token }) => {
  const line = new URL(request.url).searchParams.get('line') ?? '';
  return Response.json(await linkedTrace(outsideContext(), token!, line));
});
