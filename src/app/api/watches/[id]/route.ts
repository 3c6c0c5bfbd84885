/** PUT: keeps a watch, a new one where `baseRevision` is 0. DELETE: takes it away; it can be restored. */
import { z } from 'zod';
import { deleteWatch, saveWatch } from '@/features/alerts/use/watches';
import { invalid, notFound } from '@/platform/use/app-error';
import { boundedJson, handler } from '../../answer';

const body = z.strictObject({ baseRevision: z.int().min(0), watch: z.unknown() });

export const PUT = handler(async (request, { id }, context) => {
  if (!z.uuid().safeParse(id).success) throw notFound('watch');
  const read = body.safeParse(await boundedJson(request, 20_000));
  if (!read.success) throw invalid('To keep a watch takes the revision it is based on, and the watch.');
  const { baseRevision, watch } = read.data;
  return Response.json(await saveWatch(context(), id!, { baseRevision, watch }));
});

export const DELETE = handler(async (_request, { id }, context) => {
  await deleteWatch(context(), id!);
  return Response.json({ deleted: true });
});
