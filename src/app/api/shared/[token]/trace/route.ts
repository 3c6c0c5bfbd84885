/** GET ?line=…: how one line of a linked report adds up, where the link shows it. */
import { desk, outsideContext } from '@/app/wiring';
import { requireLink } from '@/features/report/use/jobs';
import { handler } from '../../../answer';

export const GET = handler(async (request, { token }) => {
  await requireLink(outsideContext(), token!);
  const line = new URL(request.url).searchParams.get('line') ?? '';
  const asking = { signal: request.signal, lane: 'stranger' } as const;
  return Response.json(await desk().ask('linked-trace', { token: token!, line }, asking));
});
