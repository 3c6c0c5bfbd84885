/** GET ?what=component|starter|agreement: what the team keeps. POST: keeps one; a design by its id becomes a starter. */
import { z } from 'zod';
import { invalid } from '@/platform/use/app-error';
import { keep, keepAsStarter, listLibrary } from '@/features/design/use/library';
import { LIBRARY_KINDS } from '@/features/design/use/library-ports';
import { boundedJson, handler } from '../answer';

const starter = z.strictObject({ what: z.literal('starter'), design: z.string().max(80) });

export const GET = handler(async (request, _params, context) => {
  const asked = new URL(request.url).searchParams.get('what');
  const what = LIBRARY_KINDS.find((each) => each === asked);
  if (!what) throw invalid(`What is kept is ${LIBRARY_KINDS.join(', ')}.`);
  return Response.json(await listLibrary(context(), what));
});

export const POST = handler(async (request, _params, context) => {
  const body = await boundedJson(request, 200_000);
  const design = starter.safeParse(body);
  if (design.success) await keepAsStarter(context(), design.data.design);
  else await keep(context(), body);
  return Response.json({ kept: true }, { status: 201 });
});
