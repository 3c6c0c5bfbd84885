/** GET ?form=…: the linked report as a file; which report is the link's affair, not the address's. */
import { outsideContext } from '@/app/wiring';
import { openLink } from '@/operations';
import { handler } from '../../../answer';
import { reportFile, wantedReport } from '../../../report-file';

export const GET = handler(async (request, { token }) => {
  const outside = outsideContext();
  const read = await openLink(outside, token!);
  return reportFile(wantedReport(request), read, outside.now(), request.signal, 'stranger');
});
