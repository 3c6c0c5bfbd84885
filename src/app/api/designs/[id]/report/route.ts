/**
 * ?form=xlsx|pdf|md|json&variant=full|quotation&until=…&agreements=1&months=1: the design's report as a file. GET: the
 * file, or where to follow it when it takes longer (202). POST: asks for it, and answers with the job.
 */
import { askReportFile, jobFile, jobProgress } from '@/operations';
import { handler } from '../../../answer';
import { askedAnswer, fileSoon, wantedReport } from '../../../report-file';

export const GET = handler(async (request, { id }, context) => {
  const inside = context();
  const job = await askReportFile(inside, id!, wantedReport(request));
  return fileSoon(
    job,
    (which) => jobProgress(inside, which),
    (which) => jobFile(inside, which),
    '/api/jobs',
  );
});

export const POST = handler(async (request, { id }, context) => {
  const inside = context();
  const job = await askReportFile(inside, id!, wantedReport(request));
  return askedAnswer(job, (which) => jobProgress(inside, which));
});
