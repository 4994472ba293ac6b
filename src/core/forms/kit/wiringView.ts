import { REGIONS } from '../../electrics/region';
import type { Shape, View } from '../../drawing/drawing';
import type { FormContext } from '../form';
import { box, circle, line, shapesExtent, view, words, type XY } from '../../drawing/shapes';

/** Sizes of the picture as shares of the build's own, so that it reads alike at every size. */
const LEAST_M = 0.05;
const PART = 0.09;
const ABOVE = 0.22;
const APART = 4.4;
const LETTERS = 0.11;

interface WiringGiven {
  /** outline of the build as seen from behind */
  outline: readonly Shape[];
  /** terminals in wiring order, from the tail on */
  terminals: readonly XY[];
  /** drawn size of a terminal */
  terminalM: number;
  /** a supply sits between mains and lamps */
  supply?: boolean;
  dimmer?: boolean;
  /** tubes that want one, or a build that has one */
  ballast?: boolean;
  refOf?: (terminal: number) => string;
}

/** Terminals drawn; more would be a smear and say no more. */
const MOST_TERMINALS = 80;

/** Plug, dimmer, supply and lamps in the order the current takes, with the region's wire colours. */
export function wiringView(given: WiringGiven, context: FormContext): View {
  const { outline, terminals, terminalM } = given;
  const { left, right, top, bottom } = shapesExtent([...outline]);
  const size = Math.max(right - left, top - bottom, LEAST_M);
  const part = size * PART;
  const level = top + size * ABOVE;
  const start = left + part;
  const inTail: { name: string; ref: string }[] = [
    { name: 'plug', ref: 'plug' },
    ...(given.dimmer ? [{ name: 'dimmer', ref: 'dimmer' }] : []),
    ...(given.supply ? [{ name: 'supply', ref: 'supply' }] : []),
    ...(given.ballast ? [{ name: 'ballast', ref: 'ballast' }] : []),
  ];
  const at = (k: number) => start + k * part * APART;
  const shown = terminals.slice(0, MOST_TERMINALS);
  const last: XY = [at(inTail.length - 1), level];
  const first = shown[0] ?? [0, top];
  const { marks } = REGIONS[context.circuit.region];
  const markSize = size * LETTERS;
  return view('wiring', 'Wiring, from behind', [
    ...outline,
    line([[at(0), level], last, [first[0], level], first], 'cord', 'cord'),
    line(shown, given.supply ? 'tape' : 'cord', given.supply ? 'tape' : 'cord'),
    ...shown.map(([x, y], k) =>
      circle(x, y, terminalM / 2, 'part', given.refOf?.(k) ?? `seat-${k}`),
    ),
    ...inTail.flatMap(({ name, ref }, k) => [
      box(at(k), level, part * 1.3, part, 'part', ref),
      words(at(k), level + part, name),
    ]),
    ...marks.map((text, row) =>
      words((left + right) / 2, bottom - markSize * (1.3 + row * 1.2), text),
    ),
    ...(given.supply
      ? [
          words(
            (left + right) / 2,
            bottom - markSize * (1.3 + marks.length * 1.2),
            'low voltage: + to +, − to −',
          ),
        ]
      : []),
  ]);
}
