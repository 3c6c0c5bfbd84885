/** For pages: refuses what is not ours and sets the content policy with a fresh nonce; headers of every answer are in next.config.ts. */
import { type NextRequest, NextResponse } from 'next/server';
import { refusalOf } from '@/app/lib/ours';

export function proxy(request: NextRequest): NextResponse {
  const refusal = refusalOf(request);
  if (refusal) {
    const code = refusal.status === 421 ? 'misdirected' : 'forbidden';
    const body = { error: { code, message: refusal.message } };
    return NextResponse.json(body, { status: refusal.status });
  }
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
  const shared = /^\/shared\//.test(request.nextUrl.pathname);
  // The address of a linked report is its key: it is told to nobody and stands in no index.
  response.headers.set('referrer-policy', shared ? 'no-referrer' : 'same-origin');
  if (shared) response.headers.set('x-robots-tag', 'noindex, nofollow');
  return response;
}

// Routes of data ask the same themselves (`api/answer.ts`): what passes here is copied, which for a save is a good part of
// its time and for an upload all of the memory. Their headers are in `next.config.ts`.
export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg|api/).*)'] };
