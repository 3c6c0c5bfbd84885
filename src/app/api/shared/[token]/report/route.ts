/**
 * ?form=…: the linked report as a file; which report is the link's affair, not the address's. GET: the file, or where to
 * follow it (202). POST: asks for it, and answers with the job.
 */
import { outsideContext } from '@/app/wiring';
import { askLinkedFile, linkedFile, linkedProgress } from '@/features/report/use/jobs';
import { handler } from '../../../answer';
import { askedAnswer, fileSoon, wantedReport } from '../../../report-file';

export const GET = handler(async (request, { token }) => {
  const outside = outsideContext();
  const job = await askLinkedFile(outside, token!, wantedReport(request).form);
  return fileSoon(
    job,
    (which) => linkedProgress(outside, token!, which),
    (which) => linkedFile(outside, token!, which),
    `/api/shared/${token!}/jobs`,
  );
});

export const POST = handler(async (request, { token }) => {
  const outside = outsideContext();
  const job = await askLinkedFile(outside, token!, wantedReport(request).form);
  return askedAnswer(job, (which) => linkedProgress(outside, token!, which));
});
