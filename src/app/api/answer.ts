/** What all route handlers share: bounded bodies, the same-origin check, and errors as their outside form. */
import 'server-only';
import { randomUUID } from 'node:crypto';
import { contextFor, installation } from '@/app/wiring';
import { log, pathOf } from '@/app/lib/log';
import { refusalOf } from '@/app/lib/ours';
import { utf8Text } from '@/platform/formats/utf8';
import { AppError, asAppError, ERROR_TABLE } from '@/platform/use/app-error';
import { type Context } from '@/stores/ports';

export type Params = Record<string, string>;

/** `context` gives the stores with whoever asks as the actor; nothing is opened before somebody wants it. */
type Handler = (request: Request, params: Params, context: () => Context) => Promise<Response>;

export function handler(handle: Handler) {
  return async (request: Request, context: { params: Promise<Params> }): Promise<Response> => {
    try {
      requireOurs(request);
      return await handle(request, await context.params, () => contextFor(request));
    } catch (thrown) {
      return refused(request, thrown);
    }
  };
}

/** One line in the log, and what may be shown: a fault of ours has its cause in the log, and its number in the answer. */
function refused(request: Request, thrown: unknown): Response {
  const error = asAppError(thrown);
  const { status } = ERROR_TABLE[error.code];
  const id = randomUUID();
  const what = { id, method: request.method, path: pathOf(request.url), status, code: error.code };
  if (error.code === 'internal') log.error({ ...what, err: thrown }, 'a fault of ours');
  else log.info(what, 'refused');
  return Response.json(error.outside(), { status, headers: { 'x-request-id': id } });
}

/** Pages are asked the same in `proxy.ts`; routes do not pass there. */
function requireOurs(request: Request): void {
  const refusal = refusalOf(request);
  if (refusal) throw new AppError(refusal.status === 421 ? 'misdirected' : 'forbidden', refusal.message);
}

/** Bytes of a body that is refused already. */
const DISCARDED = 64_000_000;

async function discard(reader: ReadableStreamDefaultReader<Uint8Array>, most: number): Promise<void> {
  try {
    for (let size = 0; size < most;) {
      const { done, value } = await reader.read();
      if (done) return;
      size += value.byteLength;
    }
    await reader.cancel();
  } catch {
    // The sender has gone.
  }
}

/** The body as text, refused with `too-large` as soon as it exceeds `mostBytes`. */
export async function boundedText(request: Request, mostBytes: number): Promise<string> {
  const reader = request.body?.getReader();
  if (!reader) return '';
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > mostBytes) {
      // Read to its end, within reason: cut off in the middle, the sender's connection would end before the answer is read.
      void discard(reader, DISCARDED);
      throw new AppError(
        'too-large',
        `This is larger than ${Math.floor(mostBytes / 1_000_000)} MB, which is the most that is taken.`,
      );
    }
    chunks.push(value);
  }
  const text = utf8Text(Buffer.concat(chunks));
  if (text.ok) return text.value;
  throw new AppError('invalid', text.faults[0]!.message);
}

export async function boundedJson(request: Request, mostBytes: number): Promise<unknown> {
  // What a form of another page can send is not taken for data.
  if (!/^application\/json\b/i.test(request.headers.get('content-type') ?? '')) {
    throw new AppError('not-json', 'The request must be JSON (content-type: application/json).');
  }
  const text = await boundedText(request, mostBytes);
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new AppError('invalid', 'The request is not valid JSON.');
  }
}

/**
 * What never changes in this installation, as published revisions do not: a browser keeps it, and asks whether it is
 * still talking to the same installation before it uses it. Another one may answer at the same address tomorrow.
 */
export async function unchanging(request: Request, read: () => Promise<unknown>): Promise<Response> {
  const mark = `"${await installation()}"`;
  const headers = { 'cache-control': 'private, no-cache', etag: mark };
  if (request.headers.get('if-none-match') === mark) return new Response(null, { status: 304, headers });
  return Response.json(await read(), { headers });
}

export function revisionOf(params: Params): number {
  const revision = Number(params.revision);
  if (!Number.isInteger(revision) || revision < 1 || revision > 2_000_000_000) {
    throw new AppError('not-found', 'There is no such revision.');
  }
  return revision;
}

/** Null: nothing was given. Refused where it is no whole number from 0 on. */
export function wholeNumber(text: string | null): number | null {
  if (text === null) return null;
  if (!/^\d{1,9}$/.test(text)) throw new AppError('invalid', 'A revision is a whole number.');
  return Number(text);
}
