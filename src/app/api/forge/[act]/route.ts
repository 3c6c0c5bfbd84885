/** POST: the next commit, a run of the pipeline, or merging; answered with how the change stands then. */
import { AppError } from '@/platform/use/app-error';
import { mergeChange, namedChange, pushNext, runPipeline } from '@/features/review/use/forge';
import { boundedJson, handler } from '../../answer';

export const POST = handler(async (request, { act }, context) => {
  const named = namedChange(await boundedJson(request, 10_000));
  // Where this application is reached from the machine it runs on; who asks was checked by that very name.
  const address = `${new URL(request.url).protocol}//${request.headers.get('host')}`;
  switch (act) {
    case 'push':
      return Response.json(await pushNext(context(), named));
    case 'run':
      return Response.json(await runPipeline(context(), named, address));
    case 'merge':
      return Response.json(await mergeChange(context(), named, address));
    default:
      throw new AppError('not-found', 'There is no such act.');
  }
});
