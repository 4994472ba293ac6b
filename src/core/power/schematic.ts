import type { Shape, View } from '../drawing/drawing';
import { box, circle, line, words, type XY, segment } from '../drawing/shapes';
import type { Wire } from './wire';

/** Drawing units of the schematic: a picture of what is joined to what, not of sizes. */
const WIDE = 2;
const LIVE_Y = 0.42;
const NEUTRAL_Y = 0.3;
const EARTH_Y = 0.18;
const MOST_LAMPS = 6;

/** One thing the current passes on its way to the lamps. */
interface Station {
  name: string;
  ref: string;
}

/** Live, neutral and earth from the plug through everything in their way to the lamps, in parallel. */
export function schematicView(wire: Wire): View {
  const stations: Station[] = [
    { name: wire.plug?.fuseA ? `plug, ${wire.plug.fuseA} A fuse` : 'plug', ref: 'plug' },
    { name: 'switch', ref: 'switch' },
    ...(wire.dimmer ? [{ name: 'dimmer', ref: 'dimmer' }] : []),
    ...(wire.tape
      ? [
          {
            name: wire.tape.run.supplies > 1 ? `${wire.tape.run.supplies} supplies` : 'supply',
            ref: 'supply',
          },
        ]
      : []),
  ];
  const at = (k: number) => 0.14 + k * 0.3;
  const entry = at(stations.length) - 0.06;
  const mainsEnd = wire.tape ? at(stations.length - 1) : WIDE - 0.1;
  const earthed = wire.cord?.earthed ?? false;
  return {
    id: 'schematic',
    title: 'What is joined to what',
    bounds: [0, -0.06, WIDE, 0.62],
    dimensions: [],
    handles: [],
    shapes: [
      segment([at(0), LIVE_Y], [mainsEnd, LIVE_Y], 'cut', 'cord'),
      segment([at(0), NEUTRAL_Y], [mainsEnd, NEUTRAL_Y], 'drill', 'cord'),
      ...(earthed ? [segment([at(0), EARTH_Y], [entry + 0.1, EARTH_Y], 'score', 'earth')] : []),
      ...stations.flatMap(({ name, ref }, k) => stationShapes(name, ref, at(k))),
      ...relief(entry),
      ...(wire.tape
        ? tapeShapes(wire.tape.run.voltageV, at(stations.length - 1), entry)
        : lampShapes(wire.lamps, entry)),
      ...legend(wire, earthed),
    ],
  };
}

const stationShapes = (name: string, ref: string, x: number): Shape[] => [
  box(x, (LIVE_Y + NEUTRAL_Y) / 2, 0.13, 0.2, 'part', ref),
  words(x, LIVE_Y + 0.1, name),
  // The switch breaks the live wire.
  ...(ref === 'switch'
    ? [
        segment([x - 0.04, LIVE_Y], [x + 0.03, LIVE_Y + 0.05], 'cut', ref),
        segment([x - 0.065, NEUTRAL_Y], [x + 0.065, NEUTRAL_Y], 'drill', ref),
      ]
    : []),
];

/** The clamp that holds the cord where it enters the light. */
const relief = (x: number): Shape[] => [
  segment([x, LIVE_Y + 0.07], [x, EARTH_Y - 0.04], 'hidden', 'relief'),
  box(x, LIVE_Y + 0.05, 0.05, 0.05, 'part', 'relief'),
  words(x + 0.02, LIVE_Y + 0.17, 'strain relief'),
];

function lampShapes(lamps: number, entry: number): Shape[] {
  const shown = Math.min(MOST_LAMPS, lamps);
  const step = (WIDE - 0.1 - entry - 0.1) / Math.max(1, MOST_LAMPS);
  const middle = (LIVE_Y + NEUTRAL_Y) / 2;
  return [
    ...Array.from({ length: shown }, (_, k): Shape[] => {
      const x = entry + 0.12 + k * step;
      return [
        segment([x, LIVE_Y], [x, middle + 0.04], 'cut', 'seat-0'),
        circle(x, middle, 0.04, 'part', `seat-${k}`),
        segment([x, middle - 0.04], [x, NEUTRAL_Y], 'drill', 'seat-0'),
      ];
    }).flat(),
    words(
      entry + 0.12 + (shown * step) / 2,
      NEUTRAL_Y - 0.06,
      lamps > shown
        ? `${lamps} lamps in parallel, ${shown} drawn`
        : lamps === 1
          ? '1 lamp'
          : `${lamps} lamps in parallel`,
    ),
  ];
}

function tapeShapes(voltageV: number, supplyX: number, entry: number): Shape[] {
  const rail = (y: number): readonly XY[] => [
    [supplyX + 0.065, y],
    [entry + 0.15, y],
  ];
  const left = entry + 0.15;
  return [
    line(rail(LIVE_Y), 'tape', 'lead'),
    line(rail(NEUTRAL_Y), 'hidden', 'lead'),
    box((left + WIDE - 0.1) / 2, (LIVE_Y + NEUTRAL_Y) / 2, WIDE - 0.1 - left, 0.2, 'glass', 'tape'),
    words(left + 0.04, LIVE_Y + 0.03, '+'),
    words(left + 0.04, NEUTRAL_Y - 0.03, '−'),
    words((left + WIDE - 0.1) / 2, (LIVE_Y + NEUTRAL_Y) / 2, `tape, ${voltageV} V direct current`),
  ];
}

function legend({ cord, marks: [live, neutral, earth] }: Wire, earthed: boolean): Shape[] {
  return [
    words(WIDE * 0.5, 0.06, `thick: ${live}; thin: ${neutral}`),
    words(
      WIDE * 0.5,
      -0.02,
      earthed
        ? `dashed: ${earth}, to every metal part`
        : cord
          ? 'no earth in this cord: double-insulated parts only, no bare metal'
          : 'no cord chosen yet',
    ),
  ];
}
