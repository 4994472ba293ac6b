import type { Arrangement } from './arrangement';

/** Digits kept of every number: what differs by less is the same light. */
const DIGITS = 7;

/**
 * A key of an arrangement's content: equal rooms with equal lamps have equal keys, however bright the
 * lamps are together, since a run only knows shares.
 */
export function arrangementKey({ surfaces, emitters }: Arrangement): string {
  const total = emitters.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0) || 1;
  const text = JSON.stringify(
    [
      surfaces,
      emitters.map(({ luminousFluxLm, ...rest }) => ({ ...rest, share: luminousFluxLm / total })),
    ],
    (_, value: unknown) => (typeof value === 'number' ? Number(value.toPrecision(DIGITS)) : value),
  );
  return `${hash(text, 0x811c9dc5)}${hash(text, 0x2545f491)}`;
}

/** FNV-1a over UTF-16 units, as eight hexadecimal digits [std: Fowler, Noll, Vo]. */
function hash(text: string, basis: number): string {
  let h = basis;
  for (let k = 0; k < text.length; k++) h = Math.imul(h ^ text.charCodeAt(k), 0x01000193);
  return (h >>> 0).toString(16).padStart(8, '0');
}
