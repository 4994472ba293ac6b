import { threeFigures } from '../../quantity';
import type { BackdropReading, Lit } from '../../set/readings';
import type { WorkingInput } from '../readout';
import type { SetCircuit } from './circuits';
import type { GlassReading } from './engine';
import { ALONE, LEAVES_OUT, lx, percent, SOURCE, stops, type SetWorking } from './working';

type BackdropFigure = 'levels' | 'even' | 'against';

/** How a figure of a backdrop came about. @param faceLx  light at who stands before it */
export function backdropWorking(
  figure: BackdropFigure,
  reading: BackdropReading,
  lit: readonly Lit[],
  faceLx: number,
  words: string,
): SetWorking {
  const { leastLx, meanLx, mostLx, cellsLx, spill } = reading;
  const inputs = spill.map(({ id, name, share }, k): WorkingInput => {
    const light = lit.find(({ light: { id: own } }) => own === id)?.light;
    return {
      symbol: `E${k + 1}`,
      name: `${name}${light ? `: ${light.origin}, ± ${percent(light.share)}` : ''}`,
      value: share * meanLx,
      dimension: 'illuminance',
      origin: 'computed',
    };
  });
  const error = Math.hypot(
    ...spill.map(
      ({ id, share }) => share * (lit.find(({ light }) => light.id === id)?.light.share ?? 0),
    ),
  );
  const base = { words, inputs, source: SOURCE, leavesOut: LEAVES_OUT };
  switch (figure) {
    case 'levels':
      return {
        ...base,
        title: 'Light over the backdrop',
        formula: `least, mean and most of ${cellsLx.length} places over it`,
        substituted: `${lx(leastLx)}, ${lx(meanLx)}, ${lx(mostLx)}`,
        error: `± ${percent(error)}: ${ALONE}`,
      };
    case 'even':
      return {
        ...base,
        title: 'Even within',
        formula: '± ½ · log₂(most / least)',
        substituted: `½ · log₂(${threeFigures(mostLx)} / ${threeFigures(leastLx)})`,
        error:
          'a light that is wrong all over leaves it as it is; near the floor places may be 5 % off',
      };
    case 'against':
      return {
        ...base,
        title: 'Backdrop against the subject',
        formula: 'stops = log₂(mean over the backdrop / face), light before either sends any back',
        substituted: `log₂(${threeFigures(meanLx)} / ${threeFigures(faceLx)})`,
        leavesOut: `What the paint sends back: a dark one is darker in the picture. ${LEAVES_OUT}`,
        error: `± ${stops(error)} stops and that of the face`,
      };
  }
}

/** How the watts came about. */
export const wattsWorking = (lit: readonly Lit[], words: string): SetWorking => ({
  title: 'All lamps',
  words,
  formula:
    'Σ watts as dimmed: filaments by the IES exponents, LEDs in proportion, by what is mixed',
  substituted: lit
    .map(({ light, state }) => `${light.name} ${threeFigures(state.wattsW)} W`)
    .join(' + '),
  inputs: lit.map(({ light, state }, k) => ({
    symbol: `P${k + 1}`,
    name: light.name,
    value: state.wattsW,
    dimension: 'power',
    origin: 'computed',
  })),
  source: 'IES Handbook exponents for filaments; labels for the rest',
  leavesOut:
    'Losses of dimmers; amperes beside it are those of lights fully up, so that a breaker holds then too.',
  error: 'labels’ watts are within some 10 %',
});

/** How amperes of a breaker came about. @param lights  on it now, fully up */
export const circuitWorking = (
  { name, limitA, otherA }: Pick<SetCircuit, 'name' | 'limitA' | 'otherA'>,
  lights: readonly { name: string; amps: number }[],
  words: string,
): SetWorking => ({
  title: name,
  words,
  formula: 'I = what else is on it + Σ P / (power factor · V), lights fully up',
  substituted: [
    `${threeFigures(otherA)} A there anyway`,
    ...lights.map((light) => `${light.name} ${threeFigures(light.amps)} A`),
  ].join(' + '),
  inputs: [
    ...lights.map((light, k): WorkingInput => ({
      symbol: `I${k + 1}`,
      name: light.name,
      value: light.amps,
      dimension: 'current',
      origin: 'computed',
    })),
    {
      symbol: 'Imax',
      name: 'for long on this breaker',
      value: limitA,
      dimension: 'current',
      origin: 'yours',
    },
  ],
  source:
    'Breakers by region; a light hangs on its build’s circuit, or on that of the socket next to it',
  leavesOut: 'Inrush at switching on: Wire has it for each build.',
  error: 'labels’ watts and typical power factors: within some 15 %',
});

/** How the mean light of a wall came about. */
export const wallWorking = (
  name: string,
  id: string,
  lit: readonly Lit[],
  words: string,
): SetWorking => {
  const parts = lit.map(({ light, state }) => ({
    light,
    lx: state.factor * (light.means[id] ?? 0),
  }));
  const all = parts.reduce((sum, part) => sum + part.lx, 0);
  const error =
    all > 0 ? Math.hypot(...parts.map(({ light, lx: own }) => light.share * own)) / all : 0;
  return {
    title: name,
    words,
    formula: 'mean of its patches, straight and by way of all others; windows are left out',
    substituted: parts.map(({ light, lx: own }) => `${light.name} ${lx(own)}`).join(' + '),
    inputs: parts.map(({ light, lx: own }, k) => ({
      symbol: `E${k + 1}`,
      name: `${light.name}: ${light.origin}, ± ${percent(light.share)}`,
      value: own,
      dimension: 'illuminance',
      origin: 'computed',
    })),
    source: SOURCE,
    leavesOut: LEAVES_OUT,
    error: `± ${percent(error)}: ${ALONE}`,
  };
};

/** How it came out what a camera sees in a glass. */
export const glassWorking = (
  { name, seen, turns }: Pick<GlassReading, 'name' | 'seen' | 'turns'>,
  words: string,
): SetWorking => ({
  title: name,
  words,
  formula:
    'the camera mirrored behind the glass looks through its frame: a light is seen where any part of its front lies in that',
  substituted: seen.length
    ? `${seen.map((each) => each.name).join(', ')}; all hidden by ${Object.entries(turns)
        .map(([hinge, turn]) =>
          turn === null
            ? `no turn up to 30° (${hinge})`
            : `${((turn * 180) / Math.PI).toFixed(2)}° (${hinge})`,
        )
        .join(' or ')}`
    : 'no front lies in it',
  inputs: [],
  source: 'Law of reflection; the least turn both ways, tried every 0.2° and halved to 0.002°',
  leavesOut: 'Stands and bright walls in it, and a glass that is not flat.',
  error: '± 0.1° by itself; as well as things stand where the plan has them',
});
