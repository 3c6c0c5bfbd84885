/**
 * GET ?since=…: what was saved after a revision. POST: a batch of edits on a base revision, answered only when it is
 * safe; lists are brought up to date when it is quiet, and everybody who has the design open is told.
 */
import { liveHub, totalsSoon } from '@/app/wiring';
import { editDesign, savedSince } from '@/operations';
import { boundedJson, handler, wholeNumber } from '../../../answer';

export const GET = handler(async (request, { id }, context) => {
  const since = wholeNumber(new URL(request.url).searchParams.get('since'));
  return Response.json(await savedSince(context(), id!, since ?? 0));
});

export const POST = handler(async (request, { id }, context) => {
  const saved = await editDesign(context(), id!, await boundedJson(request, 4_000_000));
  liveHub().saved(id!, saved.revision);
  totalsSoon().note(id!);
  return Response.json(saved);
});
