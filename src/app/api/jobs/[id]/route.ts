/** GET: how a job stands. DELETE: calls it off. */
import { cancelJob, jobProgress } from '@/features/report/use/jobs';
import { handler } from '../../answer';
import { jobAnswer } from '../../report-file';

export const GET = handler(async (_request, { id }, context) => jobAnswer(await jobProgress(context(), id!)));

export const DELETE = handler(async (_request, { id }, context) => {
  await cancelJob(context(), id!);
  return new Response(null, { status: 204 });
});
