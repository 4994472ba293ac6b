import { cctOfUv, planckianUv, type Chromaticity } from '../colour/planck';
import { duvOf, uvOf, xyzOfUv, type Xyz } from '../colour/chromaticity';
import { blend, type Spectrum } from '../colour/grid';
import { colourFigures } from '../colour/rendering';
import { ofUnitLuminance, xyzOf } from '../colour/tristimulus';
import { DIODES, phosphorLed, weightsFor } from '../colour/typical';
import { sourced, type Sourced } from '../origin';
import type { Unit } from './unit';

/** What a lamp of several colours is mixed from. */
export const CHANNEL_IDS = ['warm', 'cool', 'red', 'green', 'blue', 'white'] as const;
export type ChannelId = (typeof CHANNEL_IDS)[number];

/** One colour of a lamp: all of it, by itself. */
export interface Channel {
  id: ChannelId;
  /** of the lamp's light as it is sold, fully up */
  lumensShare: Sourced;
  /** of its watts */
  wattsShare: number;
  /** of a white; null for a diode of one colour */
  white: { cctK: number; criRa: number } | null;
}

export interface Channels {
  channels: readonly Channel[];
  /** two whites share what their driver gives: together no more than one of them alone */
  shared: boolean;
}

/** How far each colour is turned up; `sold`: as the lamp comes. */
export interface Mixture {
  mix: 'sold' | 'whites' | 'colours';
  mixWarm: number;
  mixCool: number;
  mixRed: number;
  mixGreen: number;
  mixBlue: number;
  mixWhite: number;
}
const PART = {
  warm: 'mixWarm',
  cool: 'mixCool',
  red: 'mixRed',
  green: 'mixGreen',
  blue: 'mixBlue',
  white: 'mixWhite',
} as const satisfies Record<ChannelId, keyof Mixture>;

/** Whites of a two-colour lamp whose label is silent, K [typ]. */
const WARM_K = 2700;
const COOL_K = 6500;
/** Of the light of a lamp with a white beside its colours, the white’s [typ: from memory; makers differ]. */
const WHITE_SHARE = 0.5;
/** What red, green and blue make fully up where a white stands beside them [typ]. */
const MIXED_K = 6500;

const SPECTRA = new Map<string, Spectrum>();
function spectrumOf({ id, white }: Channel): Spectrum {
  if (!white) return DIODES[id as keyof typeof DIODES];
  const key = `${white.cctK} ${white.criRa}`;
  if (!SPECTRA.has(key)) SPECTRA.set(key, ofUnitLuminance(phosphorLed(white.cctK, white.criRa)));
  return SPECTRA.get(key)!;
}

const diodeXyz = (id: keyof typeof DIODES): Xyz => xyzOf(DIODES[id]);
const DIODE_XYZ = { red: diodeXyz('red'), green: diodeXyz('green'), blue: diodeXyz('blue') };
/** Tristimulus values of a channel at luminance 1; a white is taken on the Planckian locus. */
export const channelXyz = ({ id, white }: Channel): Xyz =>
  white ? xyzOfUv(planckianUv(white.cctK)) : DIODE_XYZ[id as keyof typeof DIODE_XYZ];

const COLOURS = ['red', 'green', 'blue'] as const;

/** Shares of red, green and blue that make a white, each fully up; equal where none does. */
function primariesFor(cctK: number): number[] {
  const found = weightsFor(
    COLOURS.map((id) => DIODES[id]),
    planckianUv(cctK),
  );
  return found.every((share) => share > 0) ? found : [1 / 3, 1 / 3, 1 / 3];
}

type Label = Partial<Record<string, number | null>>;

/**
 * Colours of a lamp or a tape, by its label or what is typical; null for a lamp of one colour.
 * @param wholeLm  its lumens as it is sold, of one piece or a metre
 */
export function channelsOf(
  unit: Unit,
  wholeLm: number,
  cctK: number,
  criRa: number,
): Channels | null {
  const kind = colourOf(unit);
  if (kind === 'white') return null;
  const label = unit as unknown as Label & Pick<Unit, 'origins'>;
  const said = (id: ChannelId, typicalShare: number): Sourced => {
    const lumens = label[`${id}Lm`];
    return lumens === null || lumens === undefined || !(wholeLm > 0)
      ? sourced(typicalShare, 'typical')
      : sourced(
          lumens / wholeLm,
          unit.origins[`${id}Lm` as keyof typeof unit.origins] ?? 'typical',
        );
  };
  if (kind === 'bi-colour') {
    const white = (id: 'warm' | 'cool', typicalK: number): Channel => ({
      id,
      lumensShare: said(id, 1),
      wattsShare: 1,
      white: { cctK: label[`${id}K`] ?? typicalK, criRa },
    });
    return { channels: [white('warm', WARM_K), white('cool', COOL_K)], shared: true };
  }
  const withWhite = kind === 'rgbw';
  const rest = withWhite ? 1 - WHITE_SHARE : 1;
  const shares = primariesFor(withWhite ? MIXED_K : cctK);
  const wattsShare = 1 / (withWhite ? 4 : 3);
  const channels = COLOURS.map((id, k): Channel => ({
    id,
    lumensShare: said(id, rest * shares[k]!),
    wattsShare,
    white: null,
  }));
  if (withWhite)
    channels.push({
      id: 'white',
      lumensShare: said('white', WHITE_SHARE),
      wattsShare,
      white: { cctK, criRa: Math.max(criRa, 80) },
    });
  return { channels, shared: false };
}

/** What colours a unit has; a wand mixes its own, and a tape of single pixels is taken all alike. */
function colourOf(unit: Unit): 'white' | 'bi-colour' | 'rgb' | 'rgbw' {
  if (unit.colour === 'addressable') return 'rgb';
  return unit.category === 'tube' && unit.technology === 'wand' && unit.colour === 'white'
    ? 'rgb'
    : unit.colour;
}

/** A mixture as it shines. */
export interface MixedLight {
  /** of the lamp's light as it is sold */
  lumensShare: number;
  wattsShare: number;
  /** null in the dark */
  uv: Chromaticity | null;
}

/** How far each channel is up, as its driver allows; null where nothing is mixed. */
function levelsOf({ channels, shared }: Channels, mixture: Mixture): number[] | null {
  const wanted = mixture.mix === 'sold' ? null : shared ? 'whites' : 'colours';
  if (mixture.mix !== wanted) return null;
  const levels = channels.map(({ id }) => mixture[PART[id]]);
  const all = levels.reduce((sum, level) => sum + level, 0);
  return shared && all > 1 ? levels.map((level) => level / all) : levels;
}

/** Channels turned up as a mixture says; null where it says nothing of this lamp: as it is sold. */
export function mixedLight(lamp: Channels | null, mixture: Mixture | null): MixedLight | null {
  const levels = lamp && mixture && levelsOf(lamp, mixture);
  if (!levels) return null;
  let [x, y, z, wattsShare] = [0, 0, 0, 0];
  lamp.channels.forEach((channel, k) => {
    const lumens = levels[k]! * channel.lumensShare.value;
    const [cx, , cz] = channelXyz(channel);
    x += lumens * cx;
    y += lumens;
    z += lumens * cz;
    wattsShare += levels[k]! * channel.wattsShare;
  });
  return { lumensShare: y, wattsShare, uv: y > 0 ? uvOf([x, y, z]) : null };
}

/** Spectrum of a mixture at unit luminance [typ]; null where nothing is mixed, or in the dark. */
export function mixedSpectrum(lamp: Channels | null, mixture: Mixture | null): Spectrum | null {
  const levels = lamp && mixture && levelsOf(lamp, mixture);
  const lit = levels
    ? lamp.channels.flatMap((channel, k) => {
        const lumens = levels[k]! * channel.lumensShare.value;
        return lumens > 0 ? [[lumens, spectrumOf(channel)] as const] : [];
      })
    : [];
  return lit.length > 0 ? ofUnitLuminance(blend(lit)) : null;
}

/** Ra of a mixture; null as for its spectrum. A saturated colour renders nothing and has 0. */
export function mixedRa(lamp: Channels | null, mixture: Mixture | null): number | null {
  const spectrum = mixedSpectrum(lamp, mixture);
  return spectrum && Math.max(0, colourFigures(spectrum).ra);
}

/** Farther from the white line than this a light has a colour, and no colour temperature worth saying [std: CIE 15 says 0.05]. */
const COLOURED_DUV = 0.05;
export const isColoured = (uv: Chromaticity, cctK = cctOfUv(uv)): boolean =>
  Math.abs(duvOf(uv, cctK)) > COLOURED_DUV;

/** A mixture of two whites that comes out at a colour temperature; held within what the two reach. */
export function whitesFor(lamp: Channels, cctK: number): Pick<Mixture, 'mixWarm' | 'mixCool'> {
  const [warm, cool] = lamp.channels as [Channel, Channel];
  const away = (share: number) => {
    const mixture = { ...SOLD, mix: 'whites' as const, mixWarm: share, mixCool: 1 - share };
    return (
      1e6 / cctOfUv(mixedLight({ channels: [warm, cool], shared: true }, mixture)!.uv!) - 1e6 / cctK
    );
  };
  // More warm is more mired, all the way: halving finds it.
  let [low, high] = [0, 1];
  for (let k = 0; k < 20; k++) {
    const middle = (low + high) / 2;
    if (away(middle) > 0) high = middle;
    else low = middle;
  }
  const mixWarm = (low + high) / 2;
  return { mixWarm, mixCool: 1 - mixWarm };
}

/** Red, green and blue for a white, the strongest fully up; null where they do not reach it. */
export function coloursFor(
  lamp: Channels,
  cctK: number,
): Pick<Mixture, 'mixRed' | 'mixGreen' | 'mixBlue'> | null {
  const weights = weightsFor(
    COLOURS.map((id) => DIODES[id]),
    planckianUv(cctK),
  );
  const levels = COLOURS.map(
    (id, k) => weights[k]! / lamp.channels.find((channel) => channel.id === id)!.lumensShare.value,
  );
  const most = Math.max(...levels);
  if (levels.some((level) => level < 0) || !(most > 0)) return null;
  const [mixRed, mixGreen, mixBlue] = levels.map((level) => level / most) as [
    number,
    number,
    number,
  ];
  return { mixRed, mixGreen, mixBlue };
}

/** As a lamp comes. */
export const SOLD: Mixture = {
  mix: 'sold',
  mixWarm: 0.5,
  mixCool: 0.5,
  mixRed: 1,
  mixGreen: 1,
  mixBlue: 1,
  mixWhite: 0,
};

/** Labels of a mixture's fields, wherever one is typed. */
export const MIX_WORDS = {
  mix: 'Colour',
  mixes: { sold: 'as it comes', whites: 'two whites, mixed', colours: 'colours, mixed' },
  parts: {
    mixWarm: 'Warm white',
    mixCool: 'Cool white',
    mixRed: 'Red',
    mixGreen: 'Green',
    mixBlue: 'Blue',
    mixWhite: 'White beside them',
  },
  of: {
    mixWarm: 'whites',
    mixCool: 'whites',
    mixRed: 'colours',
    mixGreen: 'colours',
    mixBlue: 'colours',
    mixWhite: 'colours',
  },
} as const;
export const MIX_PARTS = Object.values(PART);
