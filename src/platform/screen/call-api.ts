/** Calls a route of our own; a refusal becomes an `ApiError` with what may be shown. */
import type { FaultLine } from '@/platform/ui/error-note';

export class ApiError extends Error {
  constructor(
    message: string,
    readonly faults: readonly FaultLine[] = [],
    readonly more = 0,
    /** Of the answer; 0: there was none. */
    readonly status = 0,
  ) {
    super(message);
  }
}

export async function callApi<T>(path: string, init: RequestInit = {}): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch {
    throw new ApiError('The server does not answer. Check that Wick Tally is running, then try again.');
  }
  const body = (await response.json().catch(() => null)) as {
    error?: { message: string; faults?: readonly FaultLine[]; more?: number };
  } | null;
  if (response.ok) return body as T;
  throw new ApiError(
    body?.error?.message ?? 'The server gave no usable answer. Try again.',
    body?.error?.faults,
    body?.error?.more,
    response.status,
  );
}

export function postJson<T>(path: string, data: unknown): Promise<T> {
  return callApi<T>(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(data),
  });
}
