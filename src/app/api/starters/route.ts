/** GET: the starters by name. POST: a new design from one. */
import { z } from 'zod';
import { beginWith, starterNames } from '@/features/design/use/starters';
import { invalid } from '@/platform/use/app-error';
import { boundedJson, handler } from '../answer';

const wanted = z.strictObject({ starter: z.string().max(80), book: z.string().max(80) });

export const GET = handler(async (_request, _params, context) =>
  Response.json(await starterNames(context())),
);

export const POST = handler(async (request, _params, context) => {
  const read = wanted.safeParse(await boundedJson(request, 10_000));
  if (!read.success) throw invalid('Name the starter and the price book to begin with.');
  return Response.json(
    { id: await beginWith(context(), read.data.starter, read.data.book) },
    { status: 201 },
  );
});
