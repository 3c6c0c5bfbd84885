/** Before any page: a real server, asked over a real socket. */
import http from 'node:http';
import net from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { foreignAddresses, guard } from './server-guard';

const reached: string[] = [];
const server = http.createServer((request, response) => {
  reached.push(request.url ?? '');
  response.end('reached');
});
let port = 0;
beforeAll(async () => {
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  port = (server.address() as net.AddressInfo).port;
  guard(server);
  guard(server);
});
afterAll(() => void server.close());

/** As it goes over the wire: what a tidy client would not send. */
function raw(text: string): Promise<string> {
  return new Promise((resolve) => {
    const socket = net.connect(port, '127.0.0.1', () => socket.write(text));
    let answer = '';
    socket.on('data', (part) => (answer += part.toString()));
    socket.on('close', () => resolve(answer));
    socket.setTimeout(3000, () => socket.destroy());
  });
}
const ask = (line: string, host = 'localhost'): Promise<string> =>
  raw(`${line} HTTP/1.1\r\nHost: ${host}\r\nConnection: close\r\n\r\n`);

describe('a server that is guarded', () => {
  it('answers what can be read, once', async () => {
    reached.length = 0;
    expect(await ask('GET /designs?find=%zz')).toContain('reached');
    expect(await ask('GET /designs/%F0%9F%98%80')).toContain('reached');
    expect(reached).toEqual(['/designs?find=%zz', '/designs/%F0%9F%98%80']);
  });

  it.each([
    ['a broken per cent sign', 'GET /designs/%zz', 'localhost', 400],
    ['half a letter', 'GET /designs/%E0%A4%A', 'localhost', 400],
    ['a lone half of a pair', 'GET /designs/%ED%A0%80', 'localhost', 400],
    ['TRACE', 'TRACE /designs', 'localhost', 405],
    ['PROPFIND', 'PROPFIND /designs', 'localhost', 405],
    ['a foreign name', 'GET /_next/static/x.js', 'evil.example', 421],
    ['a foreign name that brings something', 'POST /api/books/import/1', 'evil.example', 421],
  ])('refuses %s before anything sees it', async (_, line, host, status) => {
    reached.length = 0;
    const answer = await ask(line, host);
    expect(answer).toMatch(new RegExp(`^HTTP/1.1 ${status} `));
    expect(answer).toContain('nosniff');
    expect(reached).toEqual([]);
  });

  it('knows what can be reached from elsewhere', async () => {
    const open = net.createServer();
    await new Promise<void>((resolve) => open.listen(0, '0.0.0.0', resolve));
    expect(foreignAddresses([server, open, {}, null])).toEqual([expect.stringMatching(/^0\.0\.0\.0:\d+$/)]);
    open.close();
    expect(foreignAddresses([server, open])).toEqual([]);
  });
});
