/** Sets the content policy with a fresh nonce, and the other headers that keep a page to itself. */
import { type NextRequest, NextResponse } from 'next/server';

export function proxy(request: NextRequest): NextResponse {
  const nonce = btoa(crypto.randomUUID());
  const development = process.env.NODE_ENV === 'development';
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "worker-src 'self'",
    `connect-src 'self'${development ? ' ws:' : ''}`,
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  const shared = /^\/(api\/)?shared\//.test(request.nextUrl.pathname);
  // The address of a linked report is its key: it is told to nobody and stands in no index.
  response.headers.set('referrer-policy', shared ? 'no-referrer' : 'same-origin');
  if (shared) response.headers.set('x-robots-tag', 'noindex, nofollow');
  response.headers.set('x-frame-options', 'DENY');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  return response;
}

// Uploads of books stay out: what passes here is held in memory, and they are streams. They answer with data only.
export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg|api/books/import).*)'] };
