/** GET ?name=…: all revisions of a file of the team, the newest first. */
import { AppError } from '@/platform/use/app-error';
import { readTeamFileHistory } from '@/features/review/use/team-files';
import { TEAM_FILE_KINDS } from '@/features/review/use/review-ports';
import { handler } from '../../../answer';

export const GET = handler(async (request, { kind }, context) => {
  const found = TEAM_FILE_KINDS.find((each) => each === kind);
  if (!found) throw new AppError('not-found', 'There are no such files.');
  const name = new URL(request.url).searchParams.get('name') ?? '';
  return Response.json(await readTeamFileHistory(context(), found, name));
});
