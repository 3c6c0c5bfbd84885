/** GET: the tokens of pipelines, without what opens anything. POST: makes one, and tells it, which nobody is told again. */
import { createToken, listTokens } from '@/features/review/use/pipeline-tokens';
import { boundedJson, handler } from '../answer';
import { plainToken } from '../plain-token';

export const GET = handler(async (_request, _params, context) =>
  Response.json((await listTokens(context())).map(plainToken), { headers: { 'cache-control': 'no-store' } }),
);

export const POST = handler(async (request, _params, context) => {
  const inside = context();
  const { token, secret } = await createToken(inside, await boundedJson(request, 10_000));
  const tokens = (await listTokens(inside)).map(plainToken);
  return Response.json(
    { made: { id: token.id, secret }, tokens },
    { status: 201, headers: { 'cache-control': 'no-store' } },
  );
});
