/** POST: a change review from a pipeline. The same repository, change and commit again is the same review. */
import { readBoundedJson } from '@/platform/formats/bounded-json';
import { MOST_SENT_BYTES } from '@/features/review/format/review/sent-review';
import { AppError, invalid } from '@/platform/use/app-error';
import { receiveReview } from '@/features/review/use/reviews';
import { boundedText } from '../../answer';
import { forPipelines } from '../problem';
import { tellingOf } from '../telling';

export const POST = forPipelines(async (request, _params, context) => {
  if (!/^application\/json\b/i.test(request.headers.get('content-type') ?? ''))
    throw new AppError('not-json', 'The request must be JSON (content-type: application/json).');
  const text = await boundedText(request, MOST_SENT_BYTES);
  const read = readBoundedJson(text, { mostBytes: MOST_SENT_BYTES });
  if (!read.ok) throw invalid(read.faults[0]?.message ?? 'The request is not valid JSON.', read.faults);
  const { review, isNew } = await receiveReview(context, read.value);
  const told = tellingOf(request, review);
  // Still being worked out: it is kept, and asked for at its place.
  const status = told.summary === null ? 202 : isNew ? 201 : 200;
  return Response.json(told, { status, headers: { location: told.self, 'cache-control': 'no-store' } });
});
