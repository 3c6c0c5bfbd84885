/** A pricing worker: runs the same core as the server, beside the page. */
import type { Design } from '@/engine/design';
import { Answerer } from './answer';
import { LoadedBooks } from './loaded-books';
import { heard } from './news';
import type { Question, Reply, Request } from './protocol';

async function fetchJson(path: string): Promise<unknown> {
  const response = await fetch(path);
  if (response.status === 404) return null;
  if (!response.ok) throw new Error('The price books could not be read. Check the connection to the server.');
  return response.json();
}

const answerer = new Answerer(new LoadedBooks(fetchJson), () => performance.now());
let told: Design | null = null;

async function answer({ news, ...question }: Omit<Request, 'id'>) {
  told = heard(told, news);
  return answerer.answer({ ...question, design: told } as Question);
}

self.onmessage = (event: MessageEvent<Request>) => {
  const { id, ...request } = event.data;
  const post = (reply: Reply): void => self.postMessage(reply);
  answer(request).then(
    (found) => post({ id, ok: true, answer: found }),
    (error: unknown) =>
      post({
        id,
        ok: false,
        message: error instanceof Error ? error.message : 'The prices could not be worked out.',
      }),
  );
};
