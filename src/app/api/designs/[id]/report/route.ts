/** GET ?form=xlsx|pdf|md|json&variant=full|quotation&until=…&agreements=1: the design's report as a file. */
import { desk } from '@/app/wiring';
import { handler } from '../../../answer';
import { fileAnswer, wantedReport } from '../../../report-file';

export const GET = handler(async (request, { id }, context) => {
  const given = { actor: context().actor, id: id!, ...wantedReport(request) };
  return fileAnswer(await desk().ask('report-file', given, { signal: request.signal }));
});
