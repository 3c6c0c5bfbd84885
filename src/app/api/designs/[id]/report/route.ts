/** GET ?form=xlsx|pdf|md|json&variant=full|quotation&until=…&agreements=1: the design's report as a file. */
import { context } from '@/app/wiring';
import { readReport } from '@/operations';
import { handler } from '../../../answer';
import { reportFile, wantedReport } from '../../../report-file';

export const GET = handler(async (request, { id }) => {
  const wanted = wantedReport(request);
  return reportFile(
    wanted,
    await readReport(context(), id!, wanted.options),
    context().now(),
    request.signal,
    'team',
  );
});
