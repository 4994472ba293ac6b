import { NextResponse, type NextRequest } from 'next/server';
import { pagePolicy } from './server/front/policy';
import { FOREIGN_HOST, isOwnHost } from './server/http/hosts';

const NONCE_BYTES = 16;

/**
 * Every page gets a policy with a word of its own, which Next writes on its scripts; a script without
 * it does not run. Requests by another name than this machine's own are turned away; those of the API
 * where they are answered (`server/http/answer.ts`): here their bodies would be held in memory.
 */
export function proxy(request: NextRequest) {
  if (!isOwnHost(request.headers.get('host')))
    return new NextResponse(FOREIGN_HOST, { status: 421 });
  const nonce = Buffer.from(crypto.getRandomValues(new Uint8Array(NONCE_BYTES))).toString('base64');
  const policy = pagePolicy(nonce, process.env.NODE_ENV === 'development');
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  const answer = NextResponse.next({ request: { headers } });
  answer.headers.set('content-security-policy', policy);
  return answer;
}

export const config = { matcher: '/((?!api/|_next/static/).*)' };
