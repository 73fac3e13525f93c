import { NextResponse, type NextRequest } from 'next/server';
import { contentPolicy, newNonce, NONCE_HEADER } from '@/platform/content-policy';

/** Gives every page its own content policy; the framework puts the nonce on its scripts. */
export function proxy(request: NextRequest): NextResponse {
  const nonce = newNonce();
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set(NONCE_HEADER, nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  return response;
}

/** Files of the build carry no script of a page. */
export const config = {
  matcher: [
    '/((?!_next/static|_next/image|icon.svg|favicon.ico|icon-|apple-icon|sw.js|manifest.webmanifest).*)',
  ],
};
