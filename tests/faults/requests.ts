/** Hostile requests over a real socket: addresses, methods and bodies that a tidy client would not send. */
import http from 'node:http';
import { type Counts, noCounts } from './count';

const DESIGN = '/api/designs/00000000-0000-4000-8000-000000000101';
const EVIL = [
  '%00',
  '%zz',
  '%',
  '%E0%A4%A',
  '%ED%A0%80',
  '..%2f..%2fetc',
  'a'.repeat(5000),
  '%F0%9F%98%80',
  'constructor',
  '__proto__',
  '%0d%0aX:1',
  "'",
  '%22',
  '-1',
  '99999999999999999999',
  '1e9',
  'NaN',
  '0x10',
  '2147483648',
  '1.5',
  '+',
];
const PATHS: readonly ((evil: string) => string)[] = [
  (evil) => `/designs/${evil}`,
  (evil) => `/api/designs/${evil}`,
  (evil) => `${DESIGN}/history/${evil}`,
  (evil) => `${DESIGN}/history?before=${evil}`,
  (evil) => `${DESIGN}/edits?since=${evil}`,
  (evil) => `${DESIGN}/export?form=${evil}`,
  (evil) => `${DESIGN}/report?form=${evil}`,
  (evil) => `/api/books/${evil}/1`,
  (evil) => `/api/books/norvane/${evil}`,
  (evil) => `/api/books/norvane/1/rates?region=${evil}&sku=${evil}&kind=${evil}`,
  (evil) => `/api/books/norvane/1/offer?sku=${evil}`,
  (evil) => `/api/books/norvane/difference?from=${evil}&to=2`,
  (evil) => `/api/offers?find=${evil}`,
  (evil) => `/api/offers/search?find=${evil}`,
  (evil) => `/api/offers/search?vcpu=${evil}`,
  (evil) => `/api/library?what=${evil}`,
  (evil) => `/api/shared/${evil}/report`,
  (evil) => `/api/shared/${evil}/trace?id=${evil}`,
  (evil) => `/shared/${evil}`,
  (evil) => `/api/books/import/${evil}`,
  (evil) => `/${evil}`,
];
const METHODS = ['TRACE', 'PUT', 'PATCH', 'DELETE', 'HEAD', 'OPTIONS', 'PROPFIND'];
const BODIES = [
  '',
  '{',
  'null',
  '[]',
  '"x"',
  '1',
  '{"__proto__":{"a":1}}',
  '{"title":"\\u0000"}',
  '{"title":"\\ud800"}',
  `{"title":"${'x'.repeat(100_000)}"}`,
  '['.repeat(20_000),
  '{"a":'.repeat(5000),
  '\u0000\u0001',
  '{"baseRevision":9007199254740992,"batch":"00000000-0000-4000-8000-000000000001","edits":[]}',
  '{"baseRevision":0,"batch":"00000000-0000-4000-8000-000000000001","edits":[{"edit":"set-design","field":"title","value":"a\\ud800"}]}',
];
const TARGETS = [
  '/api/designs',
  `${DESIGN}/edits`,
  `${DESIGN}/links`,
  '/api/library',
  '/api/starters',
  '/api/exchange',
  '/api/designs/import',
];

interface Sent {
  readonly method: string;
  readonly path: string;
  readonly body?: string;
}

export const REQUESTS: readonly Sent[] = [
  ...EVIL.flatMap((evil) => PATHS.map((path) => ({ method: 'GET', path: path(evil) }))),
  ...METHODS.flatMap((method) =>
    ['/designs', '/api/designs', `${DESIGN}/edits`].map((path) => ({ method, path })),
  ),
  ...BODIES.flatMap((body) => TARGETS.map((path) => ({ method: 'POST', path, body }))),
];

/** Over an agent of its own, so that what was cut off does not reach the next. */
function answered(address: URL, { method, path, body }: Sent): Promise<number> {
  return new Promise((resolve, reject) => {
    const headers = {
      host: address.host,
      'sec-fetch-site': 'same-origin',
      'content-type': 'application/json',
    };
    const request = http.request(
      { host: address.hostname, port: address.port, method, path, headers, agent: false, timeout: 15_000 },
      (response) => {
        response.resume();
        response.on('end', () => resolve(response.statusCode ?? 0));
        response.on('error', reject);
      },
    );
    request.on('timeout', () => request.destroy(new Error('no answer within 15 s')));
    request.on('error', reject);
    request.end(body);
  });
}

export async function tryRequests(base: string): Promise<Counts> {
  const counts = noCounts();
  const address = new URL(base);
  for (const sent of REQUESTS) {
    counts.tried += 1;
    const what = `${sent.method} ${sent.path.slice(0, 100)} ${(sent.body ?? '').slice(0, 60)}`;
    try {
      const status = await answered(address, sent);
      if (status >= 500) counts.bad.push(`${what}: ${status}`);
      else if (status >= 400) counts.refused += 1;
      else counts.taken += 1;
    } catch (error) {
      counts.bad.push(`${what}: ${String(error)}`);
    }
  }
  return counts;
}
