/**
 * What pipelines ask: by token instead of by page, bounded in size and rate, and refused with problem details (RFC 9457).
 * They do not say which site they come from; a browser does, and is refused where it is another.
 */
import 'server-only';
import { randomUUID } from 'node:crypto';
import { outsideContext } from '@/app/wiring';
import { log, pathOf } from '@/app/lib/log';
import { refusalOfProgram } from '@/app/lib/ours';
import { actorOfToken } from '@/features/review/use/pipeline-tokens';
import { AppError, asAppError, ERROR_TABLE } from '@/platform/use/app-error';
import { type Context } from '@/stores/ports';
import type { Params } from '../answer';

/** Requests of one token in a minute. */
const MOST_A_MINUTE = 60;
const MINUTE = 60_000;

const asked = new Map<string, number[]>();

/** Seconds until the next may come; 0: now. */
function waitOf(user: string, now: number): number {
  const recent = (asked.get(user) ?? []).filter((at) => now - at < MINUTE);
  if (recent.length >= MOST_A_MINUTE) {
    asked.set(user, recent);
    return Math.ceil((MINUTE - (now - recent[0]!)) / 1000);
  }
  if (asked.size > 1000) asked.clear();
  asked.set(user, [...recent, now]);
  return 0;
}

type Handler = (request: Request, params: Params, context: Context) => Promise<Response>;

export function forPipelines(handle: Handler) {
  return async (request: Request, { params }: { params: Promise<Params> }): Promise<Response> => {
    try {
      const refusal = refusalOfProgram(request);
      if (refusal) throw new AppError(refusal.status === 421 ? 'misdirected' : 'forbidden', refusal.message);
      const outside = outsideContext();
      const actor = await actorOfToken(outside, bearerOf(request));
      const wait = waitOf(actor.user, Date.now());
      if (wait > 0) {
        const message = `A token may ask ${MOST_A_MINUTE} times a minute. Ask again in ${wait} seconds.`;
        return problem(request, new AppError('busy', message), { 'retry-after': String(wait) });
      }
      return await handle(request, await params, { ...outside, actor });
    } catch (thrown) {
      return problem(request, thrown);
    }
  };
}

function bearerOf(request: Request): string | null {
  return /^Bearer (\S{1,200})$/i.exec(request.headers.get('authorization') ?? '')?.[1] ?? null;
}

const TITLES: Readonly<Partial<Record<AppError['code'], string>>> = {
  'unknown-token': 'The token is not known',
  invalid: 'The request cannot be taken',
  'too-large': 'The request is too large',
  'not-json': 'The request is no JSON',
  'not-found': 'There is no such thing',
  busy: 'Too many requests',
  unavailable: 'Not available at the moment',
};

function problem(request: Request, thrown: unknown, more: Record<string, string> = {}): Response {
  const error = asAppError(thrown);
  const { status } = ERROR_TABLE[error.code];
  const id = randomUUID();
  const what = { id, method: request.method, path: pathOf(request.url), status, code: error.code };
  if (error.code === 'internal') log.error({ ...what, err: thrown }, 'a fault of ours');
  else log.info(what, 'refused');
  const body = {
    type: `urn:wick:${error.code}`,
    title: TITLES[error.code] ?? 'It was refused',
    status,
    detail: error.message,
    instance: `urn:uuid:${id}`,
    ...(error.detail.faults && { faults: error.detail.faults, more: error.detail.more ?? 0 }),
  };
  const headers = {
    'content-type': 'application/problem+json',
    'cache-control': 'no-store',
    ...(status === 401 && { 'www-authenticate': 'Bearer' }),
    ...more,
  };
  return new Response(JSON.stringify(body), { status, headers });
}
