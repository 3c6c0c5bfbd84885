/** Another site in the same browser: its page, and a witness between the browser and the application that counts answers. */
import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';

export interface Witnessed {
  readonly method: string;
  readonly path: string;
  readonly status: number;
}

export interface Witness {
  /** Leads to the application, under an address of its own. */
  readonly port: number;
  readonly seen: Witnessed[];
  close(): void;
}

async function listening(server: Server): Promise<number> {
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return (server.address() as AddressInfo).port;
}

function ended(server: Server): void {
  server.closeAllConnections();
  server.close();
}

/** Hands every request on as it came, and writes down how it was answered. What a browser hides from a page is seen here. */
export async function witness(application: string): Promise<Witness> {
  const { hostname, port } = new URL(application);
  const seen: Witnessed[] = [];
  const server = createServer((incoming, outgoing) => {
    const { method = '', url = '', headers } = incoming;
    const on = request({ host: hostname, port, path: url, method, headers }, (answer) => {
      seen.push({ method, path: url, status: answer.statusCode ?? 0 });
      outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(outgoing);
    });
    on.on('error', () => outgoing.destroy());
    incoming.pipe(on);
  });
  const own = await listening(server);
  return { port: own, seen, close: () => ended(server) };
}

/** A page of the other site that does nothing by itself. */
export async function otherSite(): Promise<{ readonly address: string; close(): void }> {
  const server = createServer((_, response) => {
    response.writeHead(200, { 'content-type': 'text/html' });
    response.end('<!doctype html><title>Elsewhere</title><iframe name="sink" hidden></iframe>');
  });
  const port = await listening(server);
  // Another name than the application's: to a browser that is another site.
  return {
    address: `http://localhost:${port}/`,
    close: () => ended(server),
  };
}

/**
 * Runs in the other site's page: everything that a page can do to another address without asking. Says of each what it
 * could read: nothing, if all is well.
 */
export async function attack({ at, design }: { at: string; design: string }): Promise<string[]> {
  const read: string[] = [];
  const loaded = (element: HTMLElement, what: string): Promise<void> =>
    new Promise((resolve) => {
      element.addEventListener('load', () => {
        read.push(what);
        resolve();
      });
      element.addEventListener('error', () => resolve());
      document.body.append(element);
    });
  const element = (tag: string, set: Record<string, string>): HTMLElement =>
    Object.assign(document.createElement(tag), set);
  const fetched = async (what: string, path: string, set: RequestInit): Promise<void> => {
    const answer = await fetch(at + path, set).catch(() => null);
    if (answer && (await answer.text()) !== '') read.push(what);
  };
  const report = `/api/designs/${design}/report`;
  for (const form of ['pdf', 'xlsx', 'md', 'json']) {
    await loaded(element('img', { src: `${at}${report}?form=${form}` }), `picture ${form}`);
  }
  await loaded(element('script', { src: `${at}${report}?form=json` }), 'script');
  await loaded(element('link', { rel: 'stylesheet', href: `${at}/api/designs` }), 'style sheet');
  await fetched('list, as a program', '/api/designs', {});
  await fetched('list, with cookies', '/api/designs', { credentials: 'include' });
  await fetched('list, blindly', '/api/designs', { mode: 'no-cors' });
  const title = JSON.stringify({ title: 'Foreign' });
  await fetched('blind post', '/api/designs', { method: 'POST', mode: 'no-cors', body: title });
  const headers = { 'content-type': 'application/json' };
  await fetched('post as JSON', '/api/designs', { method: 'POST', headers, body: title });
  await fetched('delete', `/api/designs/${design}`, { method: 'DELETE' });
  await fetched('upload', '/api/books/import/00000000-0000-4000-8000-000000000999', {
    method: 'PUT',
    body: 'x',
  });
  navigator.sendBeacon(`${at}/api/designs`, title);
  const form = Object.assign(document.createElement('form'), {
    method: 'post',
    enctype: 'text/plain',
    target: 'sink',
    action: `${at}/api/designs`,
  });
  form.append(
    Object.assign(document.createElement('input'), { name: '{"title":"Foreign","x":"', value: '"}' }),
  );
  document.body.append(form);
  const sink = document.querySelector('iframe')!;
  await new Promise((resolve) => {
    sink.addEventListener('load', resolve, { once: true });
    form.submit();
  });
  await new Promise<void>((resolve) => {
    const events = new EventSource(`${at}/api/designs/${design}/live`);
    events.onopen = () => {
      read.push('events');
      resolve();
    };
    events.onerror = () => {
      events.close();
      resolve();
    };
  });
  return read;
}
