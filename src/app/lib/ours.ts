/**
 * Whose request it is. A foreign name that leads to this machine (DNS rebinding) is not ours; another site's page is not
 * ours; a request that changes something says that it comes from our own pages. Without any framework, so that pages,
 * routes and uploads ask the same.
 */
export interface Refusal {
  readonly status: 403 | 405 | 421;
  readonly message: string;
}

const LOOPBACK: ReadonlySet<string> = new Set(['localhost', '127.0.0.1', '[::1]']);
const METHODS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);
const READING: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/** "localhost" of "localhost:4310", "[::1]" of "[::1]:4310". */
function nameOf(host: string): string {
  return host.replace(/:\d+$/, '').toLowerCase();
}

/** Names besides loopback that `WICK_HOSTS` allows, separated by commas. */
function isOurName(host: string | null, configured: string): boolean {
  if (!host) return false;
  const name = nameOf(host);
  const others = configured.split(',').map((each) => each.trim().toLowerCase());
  return LOOPBACK.has(name) || (name !== '' && others.includes(name));
}

/** Null: it is ours. */
export function refusalOf(
  request: { readonly method: string; readonly headers: Headers; readonly url: string },
  configured = process.env.WICK_HOSTS ?? '',
): Refusal | null {
  const { method, headers } = request;
  const host = headers.get('host');
  if (!isOurName(host, configured)) {
    return {
      status: 421,
      message:
        'This name does not lead here. Use localhost, or set WICK_HOSTS to the names that this installation has.',
    };
  }
  if (!METHODS.has(method)) return { status: 405, message: 'This method is not taken.' };
  const site = headers.get('sec-fetch-site');
  const other: Refusal = { status: 403, message: 'Requests from other sites are not accepted.' };
  const isForeign = site !== null && site !== 'same-origin' && site !== 'none';
  if (READING.has(method)) {
    // A link that somebody follows is a page of its own; a picture or a script of another site is not.
    const isFollowed =
      headers.get('sec-fetch-mode') === 'navigate' && headers.get('sec-fetch-dest') === 'document';
    const isData = new URL(request.url).pathname.startsWith('/api/');
    return isForeign && isData && !isFollowed ? other : null;
  }
  if (isForeign) return other;
  const origin = headers.get('origin');
  if (origin !== null) return hostOf(origin) === host ? null : other;
  return site === 'same-origin'
    ? null
    : { status: 403, message: 'A request that changes something must say where it comes from (Origin).' };
}

/** For programs that come with a token: they say nothing of a site. What a browser sends is asked as any other. */
export function refusalOfProgram(request: Parameters<typeof refusalOf>[0]): Refusal | null {
  const { headers } = request;
  const isOfBrowser = headers.has('sec-fetch-site') || headers.has('origin');
  // Where it comes from is asked of whoever says so; the name that it calls us by, of everybody.
  return refusalOf(isOfBrowser ? request : { method: 'GET', headers, url: request.url });
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}
