import { threeFigures } from '../../quantity';
import type { BackdropReading, HeadReading, Lit } from '../../set/readings';
import type { Working, WorkingInput } from '../readout';
import type { SetCircuit } from './engine';

/** A figure of a set, told: what it says, how sure it is, and how it came about. */
export interface SetWorking extends Working {
  title: string;
  words: string;
  /** what it may be off by, and by what */
  error: string;
}

const lx = (value: number) => `${threeFigures(value)} lx`;
const percent = (share: number) => `${Math.round(share * 100)} %`;
const stops = (share: number) => Math.log2(1 + share).toFixed(2);

type Part = HeadReading['parts'][number];
type Side = 'frontLx' | 'leftLx' | 'rightLx';

/** Each light’s part, with where its light comes from. */
const partInputs = (parts: readonly Part[], lit: readonly Lit[], side: Side): WorkingInput[] =>
  parts.map((part, k) => {
    const light = lit.find(({ light: { id } }) => id === part.id)?.light;
    return {
      symbol: `E${k + 1}`,
      name: `${part.name}${light ? `: ${light.origin}, ± ${percent(light.share)}` : ''}`,
      value: part[side],
      dimension: 'illuminance',
      origin: 'computed',
    };
  });

const summed = (parts: readonly Part[], side: Side): string =>
  `${parts.map((part) => threeFigures(part[side])).join(' + ')} = ${lx(parts.reduce((sum, part) => sum + part[side], 0))}`;

const SOURCE =
  'Light adds. Each light alone: its own field with what stands in the way, then every order of bounce between patches by Lambert’s law';
const LEAVES_OUT =
  'Finishes as typed or typical, shine of walls and skin, and what is not drawn in the plan.';
const ALONE = 'each light’s own lumens; lights err by themselves';

/** Relative error of light on one side: lights err by themselves. */
const errorOf = (parts: readonly Part[], side: Side): number => {
  const all = parts.reduce((sum, part) => sum + part[side], 0);
  return all > 0 ? Math.hypot(...parts.map((part) => part.share * part[side])) / all : 0;
};

/** Which cheek is the lit one: that of the key. */
function cheeks({ parts, keyId }: HeadReading): [bright: Side, dark: Side] {
  const key = parts.find(({ id }) => id === keyId);
  return key && key.leftLx < key.rightLx ? ['rightLx', 'leftLx'] : ['leftLx', 'rightLx'];
}
const CHEEK_NAME: Record<Side, string> = {
  frontLx: 'face',
  leftLx: 'left cheek',
  rightLx: 'right cheek',
};

/** Of two sides lit by the same lights, how far their ratio may be off, stops: what errs on both alike cancels. */
function ratioError(parts: readonly Part[], bright: Side, dark: Side): number {
  const [more, less] = [bright, dark].map((side) =>
    parts.reduce((sum, part) => sum + part[side], 0),
  );
  if (!more || !less) return 0;
  return Math.hypot(
    ...parts.map((part) => (part.share * (part[bright] / more - part[dark] / less)) / Math.LN2),
  );
}

type HeadFigure =
  'front' | 'stops' | 'together' | 'alone' | 'cheeks' | 'colour' | 'daylight' | 'shadows';

/** How a figure at a head came about. @param targetLx  what the shot wants */
export function headWorking(
  figure: HeadFigure,
  reading: HeadReading,
  lit: readonly Lit[],
  targetLx: number,
  words: string,
): SetWorking {
  const { parts, keyId, frontLx, share } = reading;
  const base = {
    words,
    source: SOURCE,
    leavesOut: LEAVES_OUT,
    error: `± ${percent(share)}: ${ALONE}`,
  };
  const front = partInputs(parts, lit, 'frontLx');
  const [bright, dark] = cheeks(reading);
  switch (figure) {
    case 'front':
      return {
        ...base,
        title: 'Light at the face',
        formula:
          'E = Σ level · gel · (straight + by way of surfaces), on a plane that looks at the camera',
        substituted: summed(parts, 'frontLx'),
        inputs: front,
      };
    case 'stops':
      return {
        ...base,
        title: 'Against what the shot wants',
        formula: 'stops = log₂(E / E wanted)',
        substituted: `log₂(${threeFigures(frontLx)} / ${threeFigures(targetLx)})`,
        inputs: [
          ...front,
          {
            symbol: 'Ew',
            name: 'wanted by the shot',
            value: targetLx,
            dimension: 'illuminance',
            origin: 'yours',
          },
        ],
        error: `± ${stops(share)} stops: ${ALONE}`,
      };
    case 'together':
      return {
        ...base,
        title: 'Key + fill : fill',
        formula:
          'everything on the key’s cheek : everything on the other, cheeks 45° aside of the face',
        substituted: `${CHEEK_NAME[bright]} ${summed(parts, bright)};  ${CHEEK_NAME[dark]} ${summed(parts, dark)}`,
        inputs: partInputs(parts, lit, bright),
        error: `± ${ratioError(parts, bright, dark).toFixed(2)} stops: ${ALONE}`,
      };
    case 'alone': {
      const key = parts.filter(({ id }) => id === keyId);
      const others = parts.filter(({ id }) => id !== keyId);
      return {
        ...base,
        title: 'Key : fill alone',
        formula: 'the key on its cheek : all others on theirs; the other school',
        substituted: `${CHEEK_NAME[bright]} ${summed(key, bright)};  ${CHEEK_NAME[dark]} ${summed(others, dark)}`,
        inputs: [...partInputs(key, lit, bright), ...partInputs(others, lit, dark)],
        error: `± ${stops(Math.hypot(errorOf(key, bright), errorOf(others, dark)))} stops: ${ALONE}`,
      };
    }
    case 'cheeks':
      return {
        ...base,
        title: 'Cheeks',
        formula: 'E on planes 45° to the left and right of the face',
        substituted: `left ${summed(parts, 'leftLx')};  right ${summed(parts, 'rightLx')}`,
        inputs: partInputs(parts, lit, 'leftLx'),
        error: `± ${percent(errorOf(parts, 'leftLx'))} and ± ${percent(errorOf(parts, 'rightLx'))}: ${ALONE}`,
      };
    case 'colour':
      return {
        ...base,
        title: 'Mixed colour',
        formula: 'u, v weighted by E/v; the nearest black body, and how far off it (Duv)',
        substituted: parts
          .map(({ name, cctK, frontLx: own }) => `${name} ${Math.round(cctK)} K · ${lx(own)}`)
          .join(' + '),
        inputs: parts.map((part, k) => ({
          symbol: `K${k + 1}`,
          name: part.name,
          value: part.cctK,
          dimension: 'colourTemperature',
          origin: 'computed',
        })),
        source: 'CIE 15: tristimulus values add',
        leavesOut:
          'Tint of whites (their labels do not tell it), and colour that walls add on the way to the face.',
        error: 'labels’ kelvins are within some 5 %; shares as the lux',
      };
    case 'daylight':
      return {
        ...base,
        title: 'By windows',
        formula: 'light of windows on the face / all light on the face',
        substituted: `${lx(parts.filter(({ role }) => role === 'window').reduce((sum, part) => sum + part.frontLx, 0))} / ${lx(frontLx)}`,
        inputs: front,
        error: 'daylight alone is within some 30 %: clouds pass',
      };
    case 'shadows':
      return {
        ...base,
        title: 'Shadows of their own',
        formula: 'lights of which more than 12 % of the face’s light comes straight',
        substituted: parts
          .map(({ name, straightLx }) => `${name} ${lx(straightLx)} straight`)
          .join(', '),
        inputs: front,
        source: 'Common practice: fainter shadows are not seen',
        error: 'near 12 % either may be true',
      };
  }
}

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
