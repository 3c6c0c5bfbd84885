/** Whose requests are taken: our own names, our own pages, and links that somebody follows. */
import { describe, expect, it } from 'vitest';
import { refusalOf } from './ours';

const ask = (method: string, path: string, headers: Record<string, string>, configured = ''): number | null =>
  refusalOf({ method, url: `http://localhost:4310${path}`, headers: new Headers(headers) }, configured)
    ?.status ?? null;

const HERE = { host: 'localhost:4310' };
const OWN = { ...HERE, 'sec-fetch-site': 'same-origin' };

describe('a name', () => {
  it.each(['localhost:4310', '127.0.0.1:4310', '[::1]:4310', 'LOCALHOST', 'localhost'])(
    '%s is ours',
    (host) => expect(ask('GET', '/designs', { host })).toBeNull(),
  );
  it.each([
    'evil.example',
    'localhost.evil.example:4310',
    '127.0.0.1.evil.example',
    '127.0.0.1:4310.evil.example',
    'evil.example:4310',
    '192.168.1.20:4310',
    '0.0.0.0:4310',
    '',
    '[::ffff:7f00:1]:4310',
    'localhost:4310:4310',
  ])('“%s” that leads here is not', (host) => {
    expect(ask('GET', '/designs', { host })).toBe(421);
    expect(
      ask('POST', '/api/designs', { host, origin: `http://${host}`, 'sec-fetch-site': 'same-origin' }),
    ).toBe(421);
  });
  it('is ours where it is configured, and only that one', () => {
    const configured = 'tally.example, other.example';
    expect(ask('GET', '/designs', { host: 'tally.example' }, configured)).toBeNull();
    expect(ask('GET', '/designs', { host: 'Other.Example:8443' }, configured)).toBeNull();
    expect(ask('GET', '/designs', { host: 'third.example' }, configured)).toBe(421);
    expect(ask('GET', '/designs', {}, configured)).toBe(421);
  });
});

describe('a request that changes something', () => {
  it.each(['POST', 'PUT', 'PATCH', 'DELETE'])('by %s comes from our own page', (method) => {
    expect(ask(method, '/api/designs', OWN)).toBeNull();
    expect(ask(method, '/api/designs', { ...OWN, origin: 'http://localhost:4310' })).toBeNull();
    expect(ask(method, '/api/designs', { ...HERE, origin: 'http://localhost:4310' })).toBeNull();
  });
  it.each<[string, Record<string, string>]>([
    ['says nothing of where it comes from', {}],
    ['comes from another site', { 'sec-fetch-site': 'cross-site' }],
    ['comes from another name of the same site', { 'sec-fetch-site': 'same-site' }],
    ['was typed into the address line', { 'sec-fetch-site': 'none' }],
    ['has another origin', { origin: 'http://evil.example' }],
    ['has another port', { origin: 'http://localhost:9999' }],
    ['has an origin that is none', { origin: 'null' }],
    ['has an origin that is no address', { origin: 'localhost:4310' }],
    ['says both, and they differ', { 'sec-fetch-site': 'same-origin', origin: 'http://evil.example' }],
  ])('%s: refused', (_, headers) => expect(ask('POST', '/api/designs', { ...HERE, ...headers })).toBe(403));
});

describe('a request that reads', () => {
  it('is taken from our pages, from a script without a browser, and where a link is followed', () => {
    const followed = {
      'sec-fetch-site': 'cross-site',
      'sec-fetch-mode': 'navigate',
      'sec-fetch-dest': 'document',
    };
    expect(ask('GET', '/api/designs/1/report', OWN)).toBeNull();
    expect(ask('GET', '/api/designs/1/report', HERE)).toBeNull();
    expect(ask('GET', '/api/designs/1/report', { ...HERE, ...followed })).toBeNull();
    expect(ask('GET', '/shared/abc', { ...HERE, ...followed })).toBeNull();
  });
  it.each(['image', 'script', 'iframe', 'empty', 'style'])(
    'of data as %s of another site is refused',
    (dest) => {
      const mode = dest === 'iframe' ? 'navigate' : 'no-cors';
      const headers = {
        ...HERE,
        'sec-fetch-site': 'cross-site',
        'sec-fetch-mode': mode,
        'sec-fetch-dest': dest,
      };
      expect(ask('GET', '/api/designs/1/report', headers)).toBe(403);
    },
  );
  it.each(['TRACE', 'CONNECT', 'PROPFIND'])('%s is no method here', (method) =>
    expect(ask(method, '/designs', OWN)).toBe(405),
  );
});
