/** Hostile price books sent to the running application: each is answered, and its memory stays under a bound. */
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import http from 'node:http';
import { Readable } from 'node:stream';
import { type Counts, noCounts } from './count';
import { hostileFiles } from './files';

/** Megabytes that the process may ever have had in memory. */
const MOST_MEMORY = 1024;
const PATIENCE = 60_000;

/** Whoever still writes when the answer comes may find the connection closed before having read it. */
const CUT = new Set(['EPIPE', 'ECONNRESET']);
const TRIES = 3;

/** The status; a connection that was cut while writing is tried again, and three cuts are a fault. */
async function statusOf(address: URL, source: () => AsyncIterable<Uint8Array>): Promise<number> {
  for (let left = TRIES - 1; ; left -= 1) {
    try {
      return await upload(address, source());
    } catch (error) {
      if (left === 0 || !CUT.has((error as NodeJS.ErrnoException).code ?? '')) throw error;
    }
  }
}

/** The status, as soon as it comes: a refusal does not wait for the rest of the file. */
function upload(address: URL, source: AsyncIterable<Uint8Array>): Promise<number> {
  return new Promise((resolve, reject) => {
    const request = http.request(
      {
        host: address.hostname,
        port: address.port,
        method: 'PUT',
        path: `/api/books/import/${randomUUID()}?name=book`,
        headers: { host: address.host, 'sec-fetch-site': 'same-origin' },
        agent: false,
        timeout: PATIENCE,
      },
      (response) => {
        resolve(response.statusCode ?? 0);
        response.resume();
        response.on('error', () => undefined);
        // Nothing more of the file is wanted.
        body.destroy();
        request.destroy();
      },
    );
    const body = Readable.from(source);
    body.on('error', () => undefined);
    request.on('timeout', () => request.destroy(new Error('no answer in time')));
    request.on('error', reject);
    body.pipe(request);
  });
}

/** The most that a process ever had in memory, in megabytes. */
export function highestMemory(pid: number): number {
  const status = fs.readFileSync(`/proc/${pid}/status`, 'utf8');
  return Math.round(Number(/VmHWM:\s+(\d+)/.exec(status)![1]) / 1024);
}

export async function tryUploads(base: string, pid: number, count: number): Promise<Counts> {
  const counts = noCounts();
  const address = new URL(base);
  for (const { what, source } of (await hostileFiles(count)).slice(0, count)) {
    counts.tried += 1;
    try {
      const status = await statusOf(address, source);
      if (status >= 500) counts.bad.push(`${what}: ${status}`);
      else if (status >= 400) counts.refused += 1;
      else counts.taken += 1;
      const alive = await fetch(`${base}/api/health`);
      if (!alive.ok) counts.bad.push(`${what}: not well after it (${alive.status})`);
    } catch (error) {
      counts.bad.push(`${what}: ${String(error)}`);
    }
    const memory = highestMemory(pid);
    if (memory > MOST_MEMORY) {
      counts.bad.push(`${what}: ${memory} MB`);
      break;
    }
  }
  return counts;
}
