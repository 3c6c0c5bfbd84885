/** GET ?repository=…: which design it moves. PUT: says so, or takes it back. */
import { linkRepository, readRepositoryLink } from '@/features/review/use/repository-links';
import { boundedJson, handler } from '../answer';

export const GET = handler(async (request, _params, context) => {
  const repository = new URL(request.url).searchParams.get('repository') ?? '';
  return Response.json(await readRepositoryLink(context(), repository), {
    headers: { 'cache-control': 'no-store' },
  });
});

export const PUT = handler(async (request, _params, context) => {
  await linkRepository(context(), await boundedJson(request, 4_000_000));
  return Response.json({ linked: true });
});
