/** `wick review --send`: what is sent, by whom, and what is said where it is refused. */
import fs from 'node:fs';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { DEMO_PROFILES } from '@/demo/profiles';
import { readSentReview } from '@/features/review/format/review/sent-review';
import { planJson, server } from '@tests/support/plans';
import { runWick } from '@tests/support/run-wick';

vi.setConfig({ testTimeout: 60_000, hookTimeout: 60_000 });

const CANARY = 'canary-2b60';
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-send-'));
const NAMED = ['--repository', 'skerrow/booking', '--change', '7', '--commit', 'a1', '--title', 'More'];

let address = '';
let answer: { status: number; body: object } = { status: 201, body: {} };
let heard: { authorization: string | undefined; url: string | undefined; body: string }[] = [];

const outside = http.createServer((request, response) => {
  let body = '';
  request.on('data', (part: Buffer) => (body += part.toString()));
  request.on('end', () => {
    heard.push({ authorization: request.headers.authorization, url: request.url, body });
    response.writeHead(answer.status, { 'content-type': 'application/json' });
    response.end(JSON.stringify(answer.body));
  });
});

beforeAll(async () => {
  fs.mkdirSync(path.join(folder, 'books'));
  fs.writeFileSync(
    path.join(folder, 'books', 'norvane.json'),
    JSON.stringify(generateBook(DEMO_PROFILES[0]!, DEMO_REVISIONS.at(-1)!)),
  );
  const plan = planJson([
    {
      address: 'norvane_server.web',
      before: server('bal-4-16'),
      after: server('bal-8-32', { start: CANARY }),
    },
  ]);
  fs.writeFileSync(path.join(folder, 'plan.json'), JSON.stringify(plan));
  await new Promise<void>((resolve) => outside.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(outside.address() as AddressInfo).port}`;
});

afterAll(() => outside.close());

async function sent(args: readonly string[], token: string | null = 'wick_key', to = address) {
  heard = [];
  const [plan, books] = [path.join(folder, 'plan.json'), path.join(folder, 'books')];
  const { status, stdout, stderr } = await runWick(
    ['review', plan, '--books', books, '--send', to, ...args],
    token === null ? {} : { env: { WICK_TOKEN: token } },
  );
  return { exit: status, out: stdout, err: stderr };
}

const told = (difference: string) => ({
  ...{ page: `${address}/reviews/x`, summary: { difference, currency: 'USD' } },
});

describe('wick review --send', () => {
  it('hands in the extract with the token, says where it is kept, and prints as without', async () => {
    answer = { status: 201, body: told('-1') };
    const { exit, out, err } = await sent(NAMED);
    expect(exit).toBe(0);
    expect(out).toContain('norvane_server.web');
    expect(err).toContain(`Kept at ${address}/reviews/x`);
    // The books there say another amount than those here.
    expect(err).toContain('the books differ');
    expect(heard).toMatchObject([{ url: '/api/v1/reviews', authorization: 'Bearer wick_key' }]);
    expect(heard[0]!.body).not.toContain(CANARY);
    const read = readSentReview(JSON.parse(heard[0]!.body));
    expect(read.ok && read.value).toMatchObject({
      repository: 'skerrow/booking',
      title: 'More',
      phase: 'open',
    });
  });

  it('says what the other side says where it is refused', async () => {
    answer = { status: 401, body: { detail: 'The token was withdrawn.' } };
    const refused = await sent(NAMED);
    expect(refused.err).toContain('The token was withdrawn.');
    expect(refused.exit).not.toBe(0);
    answer = { status: 500, body: {} };
    expect((await sent(NAMED)).err).toContain('It answered 500.');
    const { exit, err } = await sent(NAMED, 'wick_key', 'http://127.0.0.1:9');
    expect(err).toContain('Nothing answers at http://127.0.0.1:9');
    expect(exit).not.toBe(0);
  });

  it('hears what is missing before anything is worked out or sent', async () => {
    for (const [args, token, words] of [
      [NAMED.slice(2), 'wick_key', '--send needs --repository'],
      [NAMED.slice(0, 4), 'wick_key', '--send needs --commit'],
      [NAMED, null, 'WICK_TOKEN'],
      [[...NAMED, '--phase', 'soon'], 'wick_key', '--phase takes'],
    ] as const) {
      const { exit, out, err } = await sent(args, token);
      expect(exit).toBe(64);
      expect(err).toContain(words);
      expect(out).toBe('');
      expect(heard).toEqual([]);
    }
    expect((await sent(NAMED, 'wick_key', 'nowhere')).exit).toBe(64);
  });
});
