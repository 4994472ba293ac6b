import Papa from 'papaparse';
import type { Production } from '@/core/document/production';
import { minorDigits } from '@/core/quantity';
import { BESTS, type Answer } from '@/core/evaluate/search/answers';
import { WAYS, type Judged } from '@/core/evaluate/search/judged';
import type { Shot } from '@/core/location/shot';
import { download, exportName } from '../shell/actions';

const money = (minor: number, currency: string) =>
  (minor / 10 ** minorDigits(currency)).toFixed(minorDigits(currency));

/** One light as a row; units stand in the headings. */
const rowOf = (
  found: Judged,
  number: number | null,
  bests: readonly string[],
  currency: string,
) => ({
  answer: number ?? '',
  'best of': bests.join('; '),
  light: found.name,
  'made of': [found.what, ...found.layers].join('; '),
  way: WAYS[found.way],
  'stops over the target': found.stops.toFixed(2),
  '± stops': found.errorStops.toFixed(2),
  'light, lx': found.lux.toPrecision(3),
  'softness, °': found.angleDeg.toFixed(1),
  'several shadows': found.separate ? 'yes' : 'no',
  'evenness, ± stops': found.evennessStops?.toFixed(2) ?? '',
  CRI: found.ra ?? '',
  'colour, K': found.cctK?.toFixed(0) ?? '',
  [`still to spend, ${currency}`]: money(found.nowMinor, currency),
  [`in full, ${currency}`]: money(found.fullMinor, currency),
  'without a price': found.unpriced,
  'making, h': found.hours.toFixed(1),
  'power, W': found.watts.toFixed(0),
  'mass, kg': found.massKg?.toFixed(2) ?? '',
  'longest side, m': found.foldedM?.toFixed(2) ?? '',
  simulated: found.sure ? 'yes' : 'estimate',
});

/** The answers first, then everything that nothing beats. */
export function saveAnswers(
  document: Production,
  shot: Shot,
  answers: readonly Answer[],
  front: readonly Judged[],
): void {
  const { currency } = document;
  const others = front.filter(({ id }) => !answers.some(({ found }) => found.id === id));
  const rows = [
    ...answers.map(({ found, bests }, k) =>
      rowOf(
        found,
        k + 1,
        bests.map((id) => BESTS[id]),
        currency,
      ),
    ),
    ...others.map((found) => rowOf(found, null, [], currency)),
  ];
  const name = shot.name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-');
  // Names are typed by people: none of them is a formula in a table.
  download(
    exportName(document, `answers-${name}`, 'csv'),
    Papa.unparse(rows, { escapeFormulae: true }),
    'text/csv',
  );
}
