/** PUT: all machines of a fleet, new or there already, one a line; all or none. GET: some of them, from a place on. */
import { AppError } from '@/platform/use/app-error';
import { bringMachines, fleetMachines } from '@/features/fleet/use/fleets';
import { handler, wholeNumber } from '../../../answer';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;
const MOST_BYTES = 400_000_000;
const MOST_AT_ONCE = 10_000;

export const PUT = handler(async (request, { id }, context) => {
  if (!UUID.test(id!)) throw new AppError('invalid', 'A fleet needs an id of its own.');
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES)
    throw new AppError('too-large', 'This is larger than 400 MB, which is the most that is taken.');
  const { searchParams } = new URL(request.url);
  const brought = await bringMachines(context(), {
    id: id!,
    title: searchParams.get('title') ?? '',
    origin: searchParams.get('origin') ?? '',
    source: bounded(request.body ?? new Blob([]).stream()),
  });
  return Response.json(brought, { status: brought.isNew ? 201 : 200 });
});

export const GET = handler(async (request, { id }, context) => {
  const { searchParams } = new URL(request.url);
  const after = wholeNumber(searchParams.get('after')) ?? 0;
  const limit = Math.min(MOST_AT_ONCE, wholeNumber(searchParams.get('limit')) ?? MOST_AT_ONCE);
  const machines = await fleetMachines(context(), id!, after, limit);
  return Response.json(machines, { headers: { 'cache-control': 'no-store' } });
});

async function* bounded(source: AsyncIterable<Uint8Array>): AsyncGenerator<Uint8Array> {
  let size = 0;
  for await (const piece of source) {
    size += piece.byteLength;
    if (size > MOST_BYTES)
      throw new AppError('too-large', 'This is larger than 400 MB, which is the most that is taken.');
    yield piece;
  }
}
