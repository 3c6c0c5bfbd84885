/** GET ?name=…: all revisions of a file of the team, the newest first. */
import { AppError, readTeamFileHistory } from '@/operations';
import { handler } from '../../../answer';

export const GET = handler(async (request, { kind }, context) => {
  if (kind !== 'limits' && kind !== 'map' && kind !== 'bill-rules')
    throw new AppError('not-found', 'There are no such files.');
  const name = new URL(request.url).searchParams.get('name') ?? '';
  return Response.json(await readTeamFileHistory(context(), kind, name));
});
