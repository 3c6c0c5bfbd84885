/**
 * What holds for everything that this process answers, files and uploads included, before any page or route sees it:
 * foreign names, methods and addresses that cannot be read are refused. And as long as there is no sign-in, the process
 * ends itself if it listens beyond this machine, whichever way it was started.
 */
import http from 'node:http';
import net from 'node:net';
import { refusalOf } from './ours';

const LOOPBACK = /^(127(\.\d{1,3}){3}|::1|::ffff:127(\.\d{1,3}){3})$/;

interface Unreadable {
  readonly status: 400 | 405 | 421;
  readonly message: string;
}

/** Addresses beyond loopback that these servers listen on. */
export function foreignAddresses(servers: readonly unknown[]): string[] {
  return servers.flatMap((server) => {
    const at = server instanceof net.Server && server.listening ? server.address() : null;
    return at && typeof at === 'object' && !LOOPBACK.test(at.address) ? [`${at.address}:${at.port}`] : [];
  });
}

/** Why a request goes no further; null: it does. */
export function unreadable(request: http.IncomingMessage): Unreadable | null {
  const { method = '', url = '', headers } = request;
  const refusal = refusalOf({
    method: method === 'GET' || method === 'HEAD' ? method : 'OPTIONS',
    url: 'http://here/',
    headers: new Headers(headers.host === undefined ? {} : { host: headers.host }),
  });
  if (refusal) return { status: 421, message: refusal.message };
  if (!/^(GET|HEAD|POST|PUT|PATCH|DELETE|OPTIONS)$/.test(method)) {
    return { status: 405, message: 'This method is not taken.' };
  }
  try {
    decodeURIComponent(url.replace(/[?#].*$/s, ''));
    return null;
  } catch {
    return { status: 400, message: 'This address cannot be read: it has a broken % sign.' };
  }
}

const guarded = new WeakSet<http.Server>();

/** Asks before everything that already listens to the server. */
export function guard(server: http.Server): void {
  if (guarded.has(server)) return;
  guarded.add(server);
  const others = server.listeners('request');
  server.removeAllListeners('request');
  server.on('request', (request: http.IncomingMessage, response: http.ServerResponse) => {
    const found = unreadable(request);
    if (!found) {
      for (const listener of others) listener.call(server, request, response);
      return;
    }
    const code = found.status === 421 ? 'misdirected' : 'invalid';
    response.writeHead(found.status, {
      'content-type': 'application/json',
      'x-content-type-options': 'nosniff',
      connection: 'close',
    });
    response.end(JSON.stringify({ error: { code, message: found.message } }));
  });
}

export function guardThisProcess(): void {
  const look = (): void => {
    const handles = (process as unknown as { _getActiveHandles(): unknown[] })._getActiveHandles();
    const [address] = foreignAddresses(handles);
    if (address !== undefined) {
      process.stderr.write(
        `Wick Tally has no sign-in yet and must not listen on ${address}. Start it with ./run serve, or give an address of this machine (-H 127.0.0.1).\n`,
      );
      process.exit(78);
    }
    for (const server of handles) if (server instanceof http.Server) guard(server);
  };
  look();
  // The server may begin to listen after this was called.
  for (const wait of [20, 200, 1000, 3000]) setTimeout(look, wait).unref();
}
