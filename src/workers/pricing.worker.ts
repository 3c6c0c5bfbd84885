/** The pricing worker: runs the same core as the server, beside the page. */
import { Answerer } from './answer';
import { BookShelf } from './book-shelf';
import type { Reply, Request } from './protocol';

async function fetchJson(path: string): Promise<unknown> {
  const response = await fetch(path);
  if (response.status === 404) return null;
  if (!response.ok) throw new Error('The price books could not be read. Check the connection to the server.');
  return response.json();
}

const answerer = new Answerer(new BookShelf(fetchJson), () => performance.now());

self.onmessage = (event: MessageEvent<Request>) => {
  const { id } = event.data;
  const post = (reply: Reply): void => self.postMessage(reply);
  answerer.answer(event.data).then(
    (answer) => post({ id, ok: true, answer }),
    (error: unknown) =>
      post({
        id,
        ok: false,
        message: error instanceof Error ? error.message : 'The prices could not be worked out.',
      }),
  );
};
