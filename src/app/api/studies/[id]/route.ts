/** GET: a study. PUT: saves it. DELETE: takes it off the list; it can be restored. */
import { z } from 'zod';
import { deleteStudy, openStudy, saveStudy } from '@/features/own-or-rent/use/studies';
import { invalid } from '@/platform/use/app-error';
import { boundedJson, handler } from '../../answer';

const body = z.object({ baseRevision: z.int().min(0), study: z.unknown() });

export const GET = handler(async (_request, { id }, context) =>
  Response.json(await openStudy(context(), id!), { headers: { 'cache-control': 'no-store' } }),
);

export const PUT = handler(async (request, { id }, context) => {
  const read = body.safeParse(await boundedJson(request, 2_000_000));
  if (!read.success) throw invalid('To save a study takes the revision it is based on, and the study.');
  const { baseRevision, study } = read.data;
  return Response.json({ revision: await saveStudy(context(), id!, { baseRevision, study }) });
});

export const DELETE = handler(async (_request, { id }, context) => {
  await deleteStudy(context(), id!);
  return Response.json({ deleted: true });
});
