/** The fleet worker: the machines of one estate, and the core that places them, beside the page. */
import { FleetRoom } from './fleet-room';
import type { FleetReply, FleetRequest } from './fleet-protocol';

const calledOff = new Set<number>();
const room = new FleetRoom(async (path, init) => {
  const response = await fetch(path, init);
  if (response.status === 404 && !init) return null;
  const body = (await response.json().catch(() => null)) as { error?: { message: string } } | null;
  if (!response.ok) throw new Error(body?.error?.message ?? 'The server does not answer. Try again.');
  return body;
});

self.onmessage = (event: MessageEvent<FleetRequest>) => {
  const request = event.data;
  if ('cancel' in request) return void calledOff.add(request.cancel);
  const { id, question } = request;
  const post = (reply: FleetReply): void => self.postMessage(reply);
  const work = {
    told: (done: number, steps: number, words: string) => post({ id, progress: { done, steps, words } }),
    isCalledOff: () => calledOff.has(id),
  };
  room
    .answer(question, work)
    .then(
      (answer) => post({ id, ok: true, answer }),
      (error: unknown) =>
        post({
          id,
          ok: false,
          message: error instanceof Error ? error.message : 'This could not be worked out.',
        }),
    )
    .finally(() => calledOff.delete(id));
};
