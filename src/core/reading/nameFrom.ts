import { cutText } from '../schema';
import type { FoundField, ReadField } from './line';

/** What a name need not say again: it stands in the table beside it. */
const ELSEWHERE: readonly ReadField[] = [
  'price',
  'currency',
  'packCount',
  'equivalentW',
  'luminousFluxLm',
  'ratedLifeH',
  'dimmable',
  'supplyV',
  'criRa',
];
const MOST = 120;

/** “9 W 806 lm E27”: a name for what has none. */
const FIGURES: readonly [ReadField, string][] = [
  ['base', ''],
  ['wattsW', ' W'],
  ['wattsPerM', ' W/m'],
  ['luminousFluxLm', ' lm'],
  ['cctK', ' K'],
];

/**
 * A product's name: its line without price, pack, claims and what else has a place of its own; made of figures
 * where nothing is left.
 */
export function nameFrom(fields: readonly FoundField[], title = ''): string {
  let rest = title;
  for (const { field, text, at } of fields) {
    if (!ELSEWHERE.includes(field) || at < 0 || text === '') continue;
    const place = rest.indexOf(text);
    if (place >= 0) rest = rest.slice(0, place) + ' ' + rest.slice(place + text.length);
  }
  const tidy = rest
    .replace(/\(\s*[\s,;|]*\)/g, ' ')
    .replace(/\s*[,;|·•–—-]\s*(?=[,;|·•–—-]|$)/gu, ' ')
    .replace(/(?<=\s)[,;|·•–—-](?=\s)/gu, ' ')
    .replace(/\s+([,;])/g, '$1')
    .replace(/([,;])(?:\s*[,;])+/g, '$1')
    .replace(/\s+/g, ' ')
    .replace(/^[\s,;|·•–—-]+|[\s,;|·•–—:(-]+$/gu, '');
  if (/\p{L}{2}|\p{L}\d/u.test(tidy)) return cutText(tidy, MOST);
  const made = FIGURES.flatMap(([field, unit]) => {
    const found = fields.find((each) => each.field === field);
    return found ? [`${String(found.value)}${unit}`] : [];
  });
  return made.join(' ') || cutText(title.trim(), MOST) || 'Unnamed';
}
