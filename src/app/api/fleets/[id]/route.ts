/** GET: what is planned with a fleet. PUT: saves it. DELETE: takes it off the list; it can be restored. */
import { z } from 'zod';
import { deleteFleet, openFleet, savePlan } from '@/features/fleet/use/fleets';
import { invalid } from '@/platform/use/app-error';
import { boundedJson, handler } from '../../answer';

const body = z.object({ baseRevision: z.int().min(0), plan: z.unknown() });

export const GET = handler(async (_request, { id }, context) =>
  Response.json(await openFleet(context(), id!), { headers: { 'cache-control': 'no-store' } }),
);

export const PUT = handler(async (request, { id }, context) => {
  const read = body.safeParse(await boundedJson(request, 2_000_000));
  if (!read.success) throw invalid('To save a fleet takes the revision it is based on, and its plan.');
  const { baseRevision, plan } = read.data;
  return Response.json({ revision: await savePlan(context(), id!, { baseRevision, plan }) });
});

export const DELETE = handler(async (_request, { id }, context) => {
  await deleteFleet(context(), id!);
  return Response.json({ deleted: true });
});
