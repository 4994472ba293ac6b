import type { SessionKind } from '@/core/meter/session';

export const KIND_NAMES: Record<SessionKind, string> = {
  points: 'Light on a plane',
  sweep: 'Round a lamp or light',
  layer: 'Through a layer',
  frames: 'Pictures',
  electric: 'Volts and amps',
  warm: 'Warmth',
  spectrum: 'Spectrum',
};
