/** GET: how a file that a link's reader asked for stands. DELETE: calls it off. */
import { outsideContext } from '@/app/wiring';
import { cancelLinked, linkedProgress } from '@/features/report/use/jobs';
import { handler } from '../../../../answer';
import { jobAnswer } from '../../../../report-file';

export const GET = handler(async (_request, { token, id }) =>
  jobAnswer(await linkedProgress(outsideContext(), token!, id!)),
);

export const DELETE = handler(async (_request, { token, id }) => {
  await cancelLinked(outsideContext(), token!, id!);
  return new Response(null, { status: 204 });
});
