import type { Severity } from '@/core/findings/finding';
import type { Sourced } from '@/core/origin';

/** A guess wears a tilde; its word is in the title for those who point at it. */
export const sourcedText = ({ value, origin }: Sourced, figures: (value: number) => string) => (
  <span title={origin === 'typical' ? 'typical of its class' : origin}>
    {origin === 'typical' ? '~' : ''}
    {figures(value)}
  </span>
);

/** Distance from the shot's colour in mired, with its sign. */
export const shiftText = (shift: number | null): string =>
  shift === null
    ? '–'
    : `${shift > 0.5 ? '+' : shift < -0.5 ? '−' : ''}${Math.abs(Math.round(shift))}`;

export const SEVERITY_RANK: Record<Severity, number> = { stop: 0, look: 1, unknown: 2, ok: 3 };
