/** GET: all studies. POST: a new one, as its file has it. */
import { z } from 'zod';
import { invalid } from '@/platform/use/app-error';
import { listStudies, storeStudy } from '@/features/own-or-rent/use/studies';
import { boundedJson, handler } from '../answer';

const body = z.object({ study: z.unknown() });

export const GET = handler(async (_request, _params, context) => Response.json(await listStudies(context())));

export const POST = handler(async (request, _params, context) => {
  const read = body.safeParse(await boundedJson(request, 2_000_000));
  if (!read.success) throw invalid('To make a study takes the study.');
  return Response.json({ id: await storeStudy(context(), read.data.study) }, { status: 201 });
});
