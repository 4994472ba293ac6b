import { threeFigures } from '../../quantity';
import type { HeadReading, Lit } from '../../set/readings';
import type { WorkingInput } from '../readout';
import { ALONE, LEAVES_OUT, lx, percent, SOURCE, stops, type SetWorking } from './working';

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

/** Relative error of light on one side: lights err by themselves. */
const errorOf = (parts: readonly Part[], side: Side): number => {
  const all = parts.reduce((sum, part) => sum + part[side], 0);
  return all > 0 ? Math.hypot(...parts.map((part) => part.share * part[side])) / all : 0;
};

/** Each light’s colour as it is turned up. */
const kelvins = (parts: readonly Part[]): WorkingInput[] =>
  parts.map(({ name, cctK }, k) => ({
    symbol: `K${k + 1}`,
    name,
    value: cctK,
    dimension: 'colourTemperature',
    origin: 'computed',
  }));

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
  'front' | 'stops' | 'together' | 'alone' | 'cheeks' | 'colour' | 'clash' | 'daylight' | 'shadows';

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
        inputs: kelvins(parts),
        source: 'CIE 15: tristimulus values add',
        leavesOut:
          'Tint of whites (their labels do not tell it), and colour that walls add on the way to the face.',
        error: 'labels’ kelvins are within some 5 %; shares as the lux',
      };
    case 'clash':
      return {
        ...base,
        title: 'Colours side by side',
        formula: 'Δ mired = 10⁶/K warm − 10⁶/K cool, of whites with more than 5 % of the light',
        substituted: parts
          .map(
            ({ name, cctK }) => `${name} 10⁶/${Math.round(cctK)} = ${Math.round(1e6 / cctK)} mired`,
          )
          .join(', '),
        inputs: kelvins(parts),
        source: 'Steps from unseen to obvious are common practice',
        leavesOut:
          'Lights of a colour of their own, which are meant to differ, and tint of whites.',
        error: 'labels’ kelvins are within some 5 %: 10 to 20 mired',
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
