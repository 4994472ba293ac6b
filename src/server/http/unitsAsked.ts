import * as z from 'zod';
import type { UnitSystem } from '@/core/quantity';

const UNITS = z.enum(['metric', 'imperial']);

/** What lengths of a file are written in: as asked for, else as this device shows them. */
export function unitsAsked(request: Request): UnitSystem {
  const asked = new URL(request.url).searchParams.get('units');
  const kept = /(?:^|; )lantern-units=(\w+)/.exec(request.headers.get('cookie') ?? '')?.[1];
  return UNITS.catch('metric').parse(asked ?? kept);
}
