/** Calls an address for a watch: within seconds, without following where it leads, and without reading what it answers. */
import type { WebCall } from '@/features/alerts/use/watch-ports';

const PATIENCE = 5000;

export const webCall: WebCall = async ({ url, headers, body }) => {
  let response: Response;
  try {
    response = await fetch(url, {
      ...{ method: 'POST', headers, body, redirect: 'manual' },
      signal: AbortSignal.timeout(PATIENCE),
    });
  } catch (error) {
    const isLate = error instanceof Error && error.name === 'TimeoutError';
    throw new Error(
      isLate ? `Nobody answered within ${PATIENCE / 1000} seconds.` : 'Nobody could be reached.',
    );
  }
  await response.body?.cancel();
  return { status: response.status };
};
