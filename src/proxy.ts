import { NextResponse, type NextRequest } from 'next/server';
import { FOREIGN_HOST, isOwnHost } from './server/http/hosts';

/**
 * Pages asked for by another name than this machine's own are turned away. Requests of the API are looked
 * at where they are answered (`server/http/answer.ts`): here their bodies would be held in memory.
 */
export function proxy(request: NextRequest) {
  if (isOwnHost(request.headers.get('host'))) return NextResponse.next();
  return new NextResponse(FOREIGN_HOST, { status: 421 });
}

export const config = { matcher: '/((?!api/|_next/static/).*)' };
