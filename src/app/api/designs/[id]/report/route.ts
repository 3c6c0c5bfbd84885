/**
 * ?form=xlsx|pdf|md|json&variant=full|quotation&until=…&agreements=1&months=1: the design's report as a file. GET: the
 * file, or where to follow it when it takes longer (202). POST: asks for it, and answers with the job.
 */
import { askReportFile } from '@/features/report/use/jobs';
import { handler } from '../../../answer';
import { teamAsked, teamFile, wantedReport } from '../../../report-file';

export const GET = handler(async (request, { id }, context) => {
  const inside = context();
  return teamFile(inside, await askReportFile(inside, id!, wantedReport(request)));
});

export const POST = handler(async (request, { id }, context) => {
  const inside = context();
  return teamAsked(inside, await askReportFile(inside, id!, wantedReport(request)));
});
