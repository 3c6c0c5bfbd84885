/** GET: all designs, for the find field. POST: a new, empty design. */
import { z } from 'zod';
import { createDesign, listDesigns } from '@/features/design/use/designs';
import { invalid } from '@/platform/use/app-error';
import { boundedJson, handler } from '../answer';

const body = z.object({ title: z.string() });

export const GET = handler(async (_request, _params, context) => {
  const designs = await listDesigns(context());
  return Response.json(designs.map(({ id, title, components }) => ({ id, title, components })));
});

export const POST = handler(async (request, _params, context) => {
  const parsed = body.safeParse(await boundedJson(request, 100_000));
  if (!parsed.success) throw invalid('A new design needs a title.');
  return Response.json({ id: await createDesign(context(), parsed.data.title) }, { status: 201 });
});
