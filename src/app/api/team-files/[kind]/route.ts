/** GET: the team's limits or maps, the newest of each. PUT: the next revision of one. */
import { z } from 'zod';
import { AppError, invalid } from '@/platform/use/app-error';
import { listTeamFiles, saveTeamFile } from '@/features/review/use/team-files';
import { TEAM_FILE_KINDS, type TeamFileKind } from '@/features/review/use/review-ports';
import { boundedJson, handler } from '../../answer';

const body = z.strictObject({
  name: z.string().max(80),
  baseRevision: z.int().min(0),
  text: z.string().max(1_000_000),
});

function kindOf(kind: string | undefined): TeamFileKind {
  const found = TEAM_FILE_KINDS.find((each) => each === kind);
  if (found) return found;
  throw new AppError('not-found', 'There are no such files.');
}

export const GET = handler(async (_request, { kind }, context) =>
  Response.json(await listTeamFiles(context(), kindOf(kind)), { headers: { 'cache-control': 'no-store' } }),
);

export const PUT = handler(async (request, { kind }, context) => {
  const read = body.safeParse(await boundedJson(request, 2_000_000));
  if (!read.success)
    throw invalid('To save a file takes its name, the revision it is based on, and its text.');
  return Response.json({ revision: await saveTeamFile(context(), kindOf(kind), read.data) });
});
