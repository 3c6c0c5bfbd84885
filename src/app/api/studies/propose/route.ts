/** POST: a first study of a design, not stored. (Of a fleet, the page makes it: every machine is placed.) */
import { z } from 'zod';
import { invalid } from '@/platform/use/app-error';
import { proposeDesignStudy } from '@/features/own-or-rent/use/propose-design-study';
import { boundedJson, handler } from '../../answer';

const body = z.object({ design: z.string(), start: z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/) });

export const POST = handler(async (request, _params, context) => {
  const read = body.safeParse(await boundedJson(request, 10_000));
  if (!read.success)
    throw invalid('To propose a study takes a design and its first month, for example 2027-01.');
  const { design, start } = read.data;
  return Response.json({ study: await proposeDesignStudy(context(), design, start) });
});
