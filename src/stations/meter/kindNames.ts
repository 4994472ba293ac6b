import type { SessionKind } from '@/core/meter/session';

export const KIND_NAMES: Record<SessionKind, string> = {
  sweep: 'Round a lamp',
  layer: 'Through a layer',
};
