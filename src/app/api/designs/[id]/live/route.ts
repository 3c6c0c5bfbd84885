/** GET: a stream of events about one design: each new revision, and how many have it open. */
import { liveHub } from '@/app/wiring';
import { openDesign } from '@/features/design/use/designs';
import { handler } from '../../../answer';

const BEAT = 20_000;

export const GET = handler(async (request, { id }, context) => {
  const { revision } = await openDesign(context(), id!);
  const encoder = new TextEncoder();
  let controller: ReadableStreamDefaultController<Uint8Array> | null = null;
  const send = (text: string): void => {
    try {
      controller?.enqueue(encoder.encode(text));
    } catch {
      leave();
    }
  };
  const tell = (event: string, value: number): void => send(`event: ${event}\ndata: ${value}\n\n`);
  // Before anything is answered: that it is full is an answer of its own.
  const part = liveHub().join(id!, {
    revision: (next) => tell('revision', next),
    present: (count) => tell('present', count),
  });
  const beat = setInterval(() => send(': still here\n\n'), BEAT);
  const leave = (): void => {
    clearInterval(beat);
    part();
  };
  request.signal.addEventListener('abort', leave);
  if (request.signal.aborted) leave();
  const body = new ReadableStream<Uint8Array>({
    start(opened) {
      controller = opened;
      tell('revision', revision);
    },
    cancel: leave,
  });
  return new Response(body, {
    // Not transformed: a compressed stream would wait for more before it sends anything.
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' },
  });
});
