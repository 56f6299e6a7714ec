import { NextResponse, type NextRequest } from 'next/server';
import { documentAddress } from '@ui/visit/documentAddress';
import { FOREIGN, isOwnRequest } from '@server/hosts';

const VISIT = /^\/visits\/([0-9a-f-]{36})\//;

/**
 * Content security policy of every page: scripts only with this answer's nonce, nothing from anywhere else.
 * Ant Design writes its styles into the page, so styles may be inline. Requests under a foreign name are not answered.
 */
export function proxy(request: NextRequest): NextResponse {
  if (!isOwnRequest(request.headers)) {
    return new NextResponse(`${FOREIGN.message} ${FOREIGN.hint}\n`, { status: 421, headers: { 'content-type': 'text/plain' } });
  }
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64');
  const development = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : '';
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  // The visit comes beside its page's scripts instead of after them.
  const visit = VISIT.exec(request.nextUrl.pathname)?.[1];
  if (visit) response.headers.append('link', `<${documentAddress(visit)}>; rel=preload; as=fetch; crossorigin`);
  return response;
}

// Not the API: the body of a matched route would be cut at 10 MB, JSON needs no policy for scripts, and app/api/handle.ts asks the same of it.
export const config = { matcher: ['/((?!api/).*)'] };
