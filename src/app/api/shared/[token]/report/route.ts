/** GET ?form=…: the linked report as a file; which report is the link's affair, not the address's. */
import { desk, outsideContext } from '@/app/wiring';
import { requireLink } from '@/operations';
import { handler } from '../../../answer';
import { fileAnswer, wantedReport } from '../../../report-file';

export const GET = handler(async (request, { token }) => {
  await requireLink(outsideContext(), token!);
  const { form } = wantedReport(request);
  const asking = { signal: request.signal, lane: 'stranger' } as const;
  return fileAnswer(await desk().ask('linked-file', { token: token!, form }, asking));
});
