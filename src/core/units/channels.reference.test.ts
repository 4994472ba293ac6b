import { nightFerry } from '@/demo/nightFerry';
import { uvOf, xyOf } from '../colour/chromaticity';
import { cctOfUv } from '../colour/planck';
import { xyzOf } from '../colour/tristimulus';
import {
  channelXyz,
  coloursFor,
  isColoured,
  mixedLight,
  mixedRa,
  mixedSpectrum,
  SOLD,
  whitesFor,
  type Mixture,
} from './channels';
import { oneOf } from './effective';
import { unitSchema, type Unit } from './unit';

const plain = nightFerry().shelf.units.find(({ id }) => id === 'tape-24-120-4000');
const tape = (more: object): Unit => unitSchema.parse({ ...plain, ...more });
const lampOf = (unit: Unit) => oneOf(unit).channels!;
const rgb = lampOf(tape({ colour: 'rgb', cctK: 5000 }));
const rgbw = lampOf(tape({ colour: 'rgbw', cctK: 4000, criRa: 90 }));
const two = lampOf(tape({ colour: 'bi-colour', warmK: 2700, coolK: 6000 }));
const mix = (more: Partial<Mixture>): Mixture => ({ ...SOLD, mix: 'colours', ...more });
const cctOf = (lamp: typeof rgb, mixture: Mixture) => cctOfUv(mixedLight(lamp, mixture)!.uv!);

test('a lamp of one white has nothing to mix, and no mixture changes it', () => {
  const white = oneOf(tape({ colour: 'white' }));
  expect(white.channels).toBeNull();
  expect(mixedLight(white.channels, mix({}))).toBeNull();
});

test('diodes lie where the CIE 1931 observer puts their wavelengths', () => {
  // Spectral locus at 630, 525 and 462 nm [std: CIE 15, table of the 2° observer]; a diode of some width lies a little inside.
  const place = (k: number) => xyOf(channelXyz(rgb.channels[k]!));
  expect(place(0)[0]).toBeCloseTo(0.708, 1);
  expect(place(0)[1]).toBeCloseTo(0.292, 1);
  expect(place(1)[1]).toBeGreaterThan(0.65);
  expect(place(2)[1]).toBeLessThan(0.09);
});

test('all colours up make the light and the white the label names', () => {
  const all = mixedLight(rgb, mix({}))!;
  expect(all.lumensShare).toBeCloseTo(1, 9);
  expect(all.wattsShare).toBeCloseTo(1, 9);
  expect(cctOfUv(all.uv!)).toBeCloseTo(5000, -1);
  // With a white beside them it is there too, and half of the light.
  expect(mixedLight(rgbw, mix({ mixWhite: 1 }))!.lumensShare).toBeCloseTo(1, 9);
  expect(
    mixedLight(rgbw, mix({ mixRed: 0, mixGreen: 0, mixBlue: 0, mixWhite: 1 }))!.lumensShare,
  ).toBeCloseTo(0.5, 9);
});

test('colours add as their spectra do', () => {
  for (const mixture of [
    mix({ mixRed: 0.8, mixGreen: 0.3, mixBlue: 0.1 }),
    mix({ mixRed: 0, mixGreen: 0.5, mixBlue: 1, mixWhite: 0.2 }),
  ]) {
    // Additivity of tristimulus values [std: CIE 15], by way of the spectrum instead.
    const there = uvOf(xyzOf(mixedSpectrum(rgbw, mixture)!));
    const { uv } = mixedLight(rgbw, mixture)!;
    expect(uv!.u).toBeCloseTo(there.u, 2);
    expect(uv!.v).toBeCloseTo(there.v, 2);
  }
});

test('what the label says of one colour counts, and is marked as its', () => {
  const lamp = lampOf(
    tape({ colour: 'rgb', lumensPerM: 1000, redLm: 250, origins: { redLm: 'label' } }),
  );
  expect(lamp.channels[0]!.lumensShare).toEqual({ value: 0.25, origin: 'label' });
  expect(lamp.channels[1]!.lumensShare.origin).toBe('typical');
  const red = mixedLight(lamp, mix({ mixGreen: 0, mixBlue: 0 }))!;
  expect(red.lumensShare).toBeCloseTo(0.25, 9);
  expect(red.wattsShare).toBeCloseTo(1 / 3, 9);
});

test('two whites meet every temperature between them, and never take more than one of them', () => {
  for (const cctK of [2800, 3200, 4000, 5600]) {
    const whites = whitesFor(two, cctK);
    expect(cctOf(two, mix({ mix: 'whites', ...whites }))).toBeCloseTo(cctK, -1);
  }
  expect(whitesFor(two, 2000).mixWarm).toBeCloseTo(1, 4);
  expect(whitesFor(two, 9000).mixCool).toBeCloseTo(1, 4);
  const both = mixedLight(two, mix({ mix: 'whites', mixWarm: 1, mixCool: 1 }))!;
  expect(both.lumensShare).toBeCloseTo(1, 9);
  expect(both.wattsShare).toBeCloseTo(1, 9);
});

test('a white of red, green and blue is white, and renders poorly', () => {
  for (const cctK of [3200, 4000, 5600]) {
    const white = mix(coloursFor(rgb, cctK)!);
    expect(cctOf(rgb, white)).toBeCloseTo(cctK, -1);
    expect(isColoured(mixedLight(rgb, white)!.uv!)).toBe(false);
    // Three narrow bands render far below any white LED [from memory: Ra 20 to 60].
    expect(mixedRa(rgb, white)!).toBeLessThan(65);
    expect(mixedRa(rgb, white)!).toBeLessThan(mixedRa(two, mix({ mix: 'whites' }))! - 20);
  }
});

test('single colours are colours; mixed to nothing there is none, and no light', () => {
  for (const off of [
    { mixGreen: 0, mixBlue: 0 },
    { mixRed: 0, mixBlue: 0 },
    { mixRed: 0, mixGreen: 0 },
  ])
    expect(isColoured(mixedLight(rgb, mix(off))!.uv!)).toBe(true);
  const dark = mixedLight(rgb, mix({ mixRed: 0, mixGreen: 0, mixBlue: 0 }))!;
  expect(dark).toMatchObject({ lumensShare: 0, wattsShare: 0, uv: null });
});

test('a mixture of other colours than the lamp has is none', () => {
  expect(mixedLight(rgb, mix({ mix: 'whites' }))).toBeNull();
  expect(mixedLight(two, mix({}))).toBeNull();
  expect(mixedLight(rgb, SOLD)).toBeNull();
});
