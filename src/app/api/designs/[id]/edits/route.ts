/**
 * GET ?since=…: what was saved after a revision. POST: a batch of edits on a base revision, answered only when it is
 * safe; lists are brought up to date soon after, and everybody who has the design open is told.
 */
import { liveHub } from '@/app/wiring';
import { editDesign } from '@/features/design/use/edit-design';
import { savedSince } from '@/features/design/use/history';
import { boundedJson, handler, wholeNumber } from '../../../answer';

export const GET = handler(async (request, { id }, context) => {
  const since = wholeNumber(new URL(request.url).searchParams.get('since'));
  return Response.json(await savedSince(context(), id!, since ?? 0));
});

export const POST = handler(async (request, { id }, context) => {
  const inside = context();
  const saved = await editDesign(inside, id!, await boundedJson(request, 4_000_000));
  liveHub().saved(id!, saved.revision);
  // Not waited for: a list that misses them asks for them itself.
  inside.queue?.totalsSoon(inside.actor.workspace, id!).catch(() => undefined);
  return Response.json(saved);
});
