import { balanced, encode } from '../colour/display';
import { boxFigures, evennessIn } from './boxes';
import { balanceShift, lightOnGrey } from './balance';
import { calibrationOf, cameraLux, globeLux } from './cameraLux';
import { compareFrames, sameShape } from './compare';
import { responseCurve } from './curve';
import { shadowEdge } from './edge';
import { exposureBetween, settingsApart } from './exposure';
import { bandsOfEach, bandsTogether, readRows } from './bandsOfEach';
import { bandsOf } from './flicker';
import { CLIPPED, type FrameData } from './frame';
import { outlineOf } from './outline';
import { registration } from './register';
import { frameOf, pixelsOf, room, type Scene } from './testing';
import { decoded, linearTable } from './tone';

const compared = (first: FrameData, second: FrameData, stops: number) =>
  compareFrames(outlineOf(first), outlineOf(second), stops);
const registered = (first: FrameData, second: FrameData) =>
  registration(outlineOf(first), outlineOf(second));

// Frames of known truth [worked: made here by another path, sRGB of IEC 61966-2-1 from display.ts, back by tone.ts].
const lit = (gain: number, more: Partial<Scene> = {}): Scene => ({
  light: (x, y) => room(x, y).map((v) => v * gain) as unknown as [number, number, number],
  noise: 0.02,
  ...more,
});

test('sRGB there and back', () => {
  for (let value = 0; value < 256; value++)
    expect(Math.round(255 * encode(decoded(value / 255)))).toBe(value);
});

test.each([1.31, 0.5, 2, 0.25, 1])('light times %d is found to 0.02 stops', (gain) => {
  const [first, second] = [frameOf(lit(1)), frameOf(lit(gain, { seed: 7 }))];
  const found = compared(first, second, 0);
  expect(Math.abs(found.stops! - Math.log2(gain))).toBeLessThan(0.02);
  expect(found.registration.verdict).toBe('same');
  const whole = { x: 0.1, y: 0.1, w: 0.8, h: 0.8 };
  const [a, b] = [boxFigures(first, whole), boxFigures(second, whole)];
  expect(Math.abs(b.stops - a.stops - Math.log2(gain))).toBeLessThan(0.02);
});

test('another exposure is taken out', () => {
  const first = { exposureS: 1 / 50, fNumber: 2.8, isoSpeed: 800 };
  const second = { exposureS: 1 / 100, fNumber: 4, isoSpeed: 800 };
  const stops = exposureBetween(first, second)!;
  expect(stops).toBeCloseTo(-1 + 2 * Math.log2(2.8 / 4), 9);
  const found = compared(frameOf(lit(1)), frameOf(lit(1.5 * 2 ** stops, { seed: 3 })), stops);
  expect(Math.abs(found.stops! - Math.log2(1.5))).toBeLessThan(0.02);
  expect(settingsApart(first, second)).toEqual([
    '1/50 s and 1/100 s (−1.0 stops)',
    'f/2.8 and f/4 (−1.0 stops)',
  ]);
  expect(exposureBetween(first, { ...second, isoSpeed: null })).toBeNull();
});

test('clipped and crushed shares to half a point', () => {
  const scene: Scene = {
    light: (x) => (x < 0.07 ? [0.2, 0.97, 0.1] : x > 0.88 ? [0, 0, 0] : [0.3, 0.3, 0.3]),
    width: 1000,
    height: 200,
  };
  const found = frameOf(scene);
  expect(found.clippedShare).toBeCloseTo(0.07, 2);
  expect(found.crushedShare).toBeCloseTo(0.12, 2);
  const { pixels } = pixelsOf(scene);
  const told = Array.from({ length: pixels.length / 4 }, (_, k) =>
    Math.max(pixels[4 * k]!, pixels[4 * k + 1]!, pixels[4 * k + 2]!) >= CLIPPED ? 1 : 0,
  ).reduce<number>((sum, each) => sum + each, 0);
  expect(found.clippedShare).toBeCloseTo(told / (pixels.length / 4), 9);
  // Clipped cells count in no comparison: half the picture clipped, the rest a stop down.
  const half = (gain: number): Scene => ({
    light: (x, y) => (x > 0.5 ? [1, 1, 1] : (room(x, y).map((v) => v * gain) as never)),
  });
  expect(compared(frameOf(half(1)), frameOf(half(0.5)), 0).stops).toBeCloseTo(-1, 1);
});

test('a histogram holds every pixel, at its stop', () => {
  const { histogram } = frameOf({ light: () => [0.18, 0.18, 0.18] });
  expect(histogram.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
  expect(histogram.indexOf(1)).toBe(80);
});

describe('a grey card, and the balance known', () => {
  // von Kries in linear sRGB (display.ts) against Bradford here: two models of one camera.
  const grey = (cctK: number, balanceK: number): Scene => {
    const [r, g, b] = balanced(cctK, balanceK);
    return {
      light: () => [0.2 * r, 0.2 * g, 0.2 * b],
      noise: 0.01,
      width: 120,
      height: 80,
    };
  };
  const rgb = (scene: Scene) => boxFigures(frameOf(scene), { x: 0.2, y: 0.2, w: 0.6, h: 0.6 }).rgb;
  test.each([
    [4000, 4200, 4000],
    [5600, 4800, 5600],
    [3200, 3000, 3200],
    [4500, 5000, 4500],
  ])('%d K to %d K in a camera balanced for %d K, within 3 mired', (from, to, balanceK) => {
    const shift = balanceShift(rgb(grey(from, balanceK)), rgb(grey(to, balanceK)), balanceK);
    expect(Math.abs(shift.mired - (1e6 / to - 1e6 / from))).toBeLessThan(3);
  });
  test('neutral grey is the balance itself', () => {
    for (const kelvin of [2800, 3200, 5600, 6500]) {
      const found = lightOnGrey([0.2, 0.2, 0.2], kelvin);
      expect(1e6 / found.cctK).toBeCloseTo(1e6 / kelvin, 0);
    }
  });
  test('with the balance unknown the truth lies in the range that is given', () => {
    const to = 1e6 / (1e6 / 4300 + 30);
    const shift = balanceShift(rgb(grey(4300, 4300)), rgb(grey(to, 4300)), null);
    expect(shift.range[0]).toBeLessThan(31);
    expect(shift.range[1]).toBeGreaterThan(27);
    expect(shift.range[1] - shift.range[0]).toBeGreaterThan(2);
  });
  test('green is told as green', () => {
    expect(balanceShift([0.2, 0.2, 0.2], [0.19, 0.21, 0.19], 5600).duv).toBeGreaterThan(0.004);
  });
});

const grey = (v: number): [number, number, number] => [v, v, v];

describe('bands', () => {
  /** A wave of light, read row by row, each row exposed for a while: averaged in closed form. */
  const banded = (hz: number, modulation: number, exposureS: number, phase = 0): Scene => {
    const readOutS = 0.02;
    const x = Math.PI * hz * exposureS;
    const left = x === 0 ? 1 : Math.sin(x) / x;
    return lit(1, {
      light: (u, v) => {
        const gain = 1 + modulation * left * Math.sin(2 * Math.PI * hz * v * readOutS + phase);
        return room(u, v).map((each) => each * gain) as never;
      },
      height: 640,
    });
  };
  const rowsOf = (scene: Scene) => frameOf(scene).rowLight;
  const given = { reference: null, readOutS: 0.02, exposureS: 1 / 400 };
  const lone = (scene: Scene) => {
    const { rowLight, strips } = frameOf(scene);
    return bandsOf({ ...given, frames: [rowLight], strips });
  };
  const still = rowsOf(lit(1, { height: 640, seed: 11 }));
  test.each([
    [300, 0.1],
    [1000, 0.02],
    [440, 0.5],
    [100, 0.3],
  ])('%d Hz is found to 2 %% against a reference', (hz, modulation) => {
    const found = bandsOf({
      ...given,
      frames: [rowsOf(banded(hz, modulation, 1 / 4000))],
      exposureS: 1 / 4000,
      reference: still,
    })!;
    expect(Math.abs(found.frequencyHz! / hz - 1)).toBeLessThan(0.02);
    expect(Math.abs(found.own! / modulation - 1)).toBeLessThan(0.12);
  });
  test.each([480, 1200])('%d Hz from one frame alone, and from three', (hz) => {
    const one = bandsOf({ ...given, frames: [rowsOf(banded(hz, 0.2, 1 / 4000))] })!;
    expect(Math.abs(one.frequencyHz! / hz - 1)).toBeLessThan(0.02);
    const frames = [0.3, 2.2, 4.5].map((phase) => rowsOf(banded(hz, 0.2, 1 / 4000, phase)));
    const three = bandsOf({ ...given, frames })!;
    expect(Math.abs(three.frequencyHz! / hz - 1)).toBeLessThan(0.02);
  });
  test('averaging over the exposure is taken back; a clean shutter tells nothing of the wave', () => {
    const found = bandsOf({
      ...given,
      frames: [rowsOf(banded(300, 0.4, 1 / 400))],
      reference: still,
    })!;
    expect(found.seen).toBeLessThan(0.25);
    expect(found.own).toBeCloseTo(0.4, 1);
    expect(found.cleanS.at(-1)).toBeCloseTo(1 / 300, 3);
    const clean = { ...given, exposureS: 1 / 300, reference: still };
    expect(bandsOf({ ...clean, frames: [rowsOf(banded(300, 0.4, 1 / 300))] })).toBeNull();
  });
  test('nothing is found where nothing is', () => {
    for (let seed = 1; seed <= 6; seed++) {
      const rows = rowsOf(lit(1, { height: 640, seed: 100 + seed }));
      expect(bandsOf({ ...given, frames: [rows] })).toBeNull();
      expect(bandsOf({ ...given, frames: [rows], reference: still })).toBeNull();
      expect(bandsOf({ ...given, frames: [rows, still] })).toBeNull();
    }
  });
  test.each<[string, Scene['light']]>([
    ['a vignette', (x, y) => grey(0.2 * (1 - 0.8 * ((x - 0.5) ** 2 + (y - 0.5) ** 2)))],
    ['a slope', (_, y) => grey(0.1 + 0.2 * y)],
    ['a horizon', (_, y) => grey(y < 0.45 ? 0.4 : 0.12)],
    ['a head', (x, y) => grey(Math.hypot((x - 0.5) * 1.5, y - 0.45) < 0.28 ? 0.25 : 0.12)],
  ])('%s alone is no bands', (_, light) => {
    for (let seed = 1; seed <= 3; seed++) {
      expect(lone({ light, noise: 0.02, seed, width: 240, height: 480 })).toBeNull();
    }
  });
  test('bands over a head and over the room go right across, and are found', () => {
    const head: Scene['light'] = (x, y) =>
      grey(
        (Math.hypot((x - 0.5) * 1.5, y - 0.45) < 0.28 ? 0.25 : 0.12) *
          (1 + 0.15 * Math.sin(12 * Math.PI * y)),
      );
    expect(lone({ light: head, noise: 0.02, height: 480 })!.perFrame).toBeCloseTo(6, 0);
    for (const hz of [300, 480])
      expect(Math.abs(lone(banded(hz, 0.2, 1 / 4000))!.frequencyHz! / hz - 1)).toBeLessThan(0.02);
    for (let seed = 1; seed <= 4; seed++) expect(lone(lit(1, { height: 640, seed }))).toBeNull();
  });
  test('two waves over a plain wall are found in one frame', () => {
    const light: Scene['light'] = (_, y) => grey(0.2 * (1 + 0.1 * Math.sin(4 * Math.PI * y + 1)));
    const found = bandsOf({ ...given, frames: [rowsOf({ light, noise: 0.02, height: 480 })] })!;
    expect(Math.abs(found.frequencyHz! / 100 - 1)).toBeLessThan(0.02);
  });
  test('beside a frame that shows none a dimmed one is held against it, few waves and all', () => {
    const exposureS = 1 / 4000;
    const frames = [lit(1, { height: 640, seed: 3 }), banded(100, 0.3, exposureS)].map((scene) =>
      readRows(frameOf(scene), false, exposureS),
    );
    const [steady, dimmed] = bandsOfEach(frames, null, 0.02);
    expect(steady).toEqual({ bands: null, against: null });
    if (dimmed!.bands) {
      expect(dimmed!.against).toBe(0);
      expect(Math.abs(dimmed!.bands.frequencyHz! / 100 - 1)).toBeLessThan(0.02);
    }
    const [many] = bandsOfEach(
      [readRows(frameOf(banded(300, 0.2, exposureS)), false, exposureS), frames[0]!],
      null,
      0.02,
    );
    expect(many!.against).toBe(1);
    expect(Math.abs(many!.bands!.frequencyHz! / 300 - 1)).toBeLessThan(0.02);
    const named = bandsOfEach(frames, still, 0.02);
    expect(named.map(({ against }) => against)).toEqual(['reference', 'reference']);
    expect(Math.abs(named[1]!.bands!.frequencyHz! / 100 - 1)).toBeLessThan(0.02);
    expect(bandsTogether([frames[0]!, readRows(frameOf(lit(1)), false, null)], 0.02)).toBeNull();
  });
  test('stripes of the scene are none with a reference', () => {
    const striped = (seed: number): Scene =>
      lit(1, {
        light: (_, v) => (Math.sin(2 * Math.PI * 9 * v) > 0 ? [0.2, 0.2, 0.2] : [0.1, 0.1, 0.1]),
        height: 640,
        seed,
      });
    const frames = [rowsOf(striped(1))];
    expect(bandsOf({ ...given, frames })?.perFrame).toBeCloseTo(9, 0);
    expect(bandsOf({ ...given, frames, reference: rowsOf(striped(2)) })).toBeNull();
  });
});

describe('whether the camera stood still', () => {
  const moved = (dx: number, dy: number, scale: number, turnDeg: number): Scene =>
    lit(0.7, {
      light: (x, y) => {
        const turn = (turnDeg * Math.PI) / 180;
        const [u, v] = [(x - 0.5) * 1.5, y - 0.5];
        const [c, s] = [Math.cos(turn), Math.sin(turn)];
        return room((c * u + s * v) / scale / 1.5 + 0.5 - dx, (c * v - s * u) / scale + 0.5 - dy);
      },
      seed: 5,
    });
  const first = frameOf(lit(1));
  test.each([
    ['nothing', 0, 0, 1, 0, 'same'],
    ['a hair', 0.0008, 0, 1, 0, 'same'],
    ['to the right', 0.03, 0, 1, 0, 'moved'],
    ['down', 0, 0.05, 1, 0, 'moved'],
    ['nearer', 0, 0, 1.03, 0, 'moved'],
    ['turned', 0, 0, 1, 1.5, 'moved'],
  ] as const)('%s', (_, dx, dy, scale, turnDeg, verdict) => {
    const found = registered(first, frameOf(moved(dx, dy, scale, turnDeg)));
    expect(found.verdict).toBe(verdict);
    expect(Math.abs(found.shift[0] - dx)).toBeLessThan(0.004);
    expect(Math.abs(found.scale - scale)).toBeLessThan(0.006);
    expect(Math.abs(found.turnDeg - turnDeg)).toBeLessThan(0.4);
  });
  test('another place is another place', () => {
    const other: Scene = lit(1, {
      light: (x, y) => {
        const v = 0.2 + 0.1 * Math.sin(31 * x * y + 4) + 0.05 * Math.cos(23 * x - 17 * y * y);
        return [v, v, v];
      },
      seed: 9,
    });
    expect(registered(first, frameOf(other)).verdict).toBe('other');
    const flat = frameOf(lit(1, { light: () => [0.2, 0.2, 0.2], seed: 8 }));
    expect(registered(first, flat).verdict).toBe('other');
  });
  test('one size or another, as long as the shape is one', () => {
    const small = frameOf(lit(1, { width: 240, height: 160 }));
    expect(sameShape(first, small)).toBe(true);
    expect(registered(first, small).verdict).toBe('same');
    expect(sameShape(first, frameOf(lit(1, { width: 480, height: 360 })))).toBe(false);
  });
});

test.each([0.05, 0.12, 0.3])('a half-shadow %d of the picture wide', (wide) => {
  const ramp = (x: number) => 0.05 + 0.3 * Math.min(1, Math.max(0, (0.55 - x) / wide + 0.5));
  const frame = frameOf({
    light: (x) => [ramp(x), ramp(x), ramp(x)],
    width: 900,
    height: 300,
    noise: 0.02,
  });
  const line = { x1: 0.25, y1: 0.5, x2: 0.85, y2: 0.5 };
  for (const each of [line, { ...line, x1: line.x2, x2: line.x1 }]) {
    const found = shadowEdge(frame, each)!;
    expect(Math.abs(found.halfShadow / wide - 1)).toBeLessThan(0.06);
    expect(found.contrastStops).toBeCloseTo(Math.log2(0.35 / 0.05), 1);
  }
  expect(shadowEdge(frame, { x1: 0.05, y1: 0.2, x2: 0.1, y2: 0.6 })).toBeNull();
});

test('evenness of a slope, and of noise alone', () => {
  const slope = frameOf({
    light: (x) => [0.1 * 2 ** x, 0.1 * 2 ** x, 0.1 * 2 ** x],
    noise: 0.02,
  });
  const even = evennessIn(slope, { x: 0, y: 0, w: 1, h: 1 });
  expect(even.plusMinusStops).toBeCloseTo(0.5 * (1 - 1 / even.columns), 1);
  const flat = frameOf({ light: () => [0.2, 0.2, 0.2], noise: 0.03 });
  expect(evennessIn(flat, { x: 0, y: 0, w: 1, h: 1 }).plusMinusStops).toBeLessThan(0.01);
});

test('noise of single pixels', () => {
  const frame = frameOf({ light: () => [0.2, 0.2, 0.2], noise: 0.06, width: 2000, height: 600 });
  expect(boxFigures(frame, { x: 0.1, y: 0.1, w: 0.5, h: 0.5 }).noise).toBeCloseTo(0.06, 2);
});

describe('the camera as a light meter', () => {
  const exposure = { exposureS: 1 / 50, fNumber: 2.8, isoSpeed: 400 };
  const card = { exposure, stops: 0, clippedShare: 0, reflectance: 0.18, curve: false };
  test('a card in the middle of the scale, by ISO 2720: E = π·K·N²/(t·S·ρ)', () => {
    const found = cameraLux({ ...card, calibration: null });
    const lux = (Math.PI * 12.5 * 2.8 ** 2) / ((1 / 50) * 400 * 0.18);
    expect(found).toMatchObject({ ok: true, value: { plusMinusStops: 2 / 3, calibrated: false } });
    if (found.ok) expect(found.value.lux).toBeCloseTo(lux, 6);
  });
  test('a bare frosted globe of 806 lm gives about 64 lx at 1 m', () => {
    expect(globeLux(806, 1)).toBeCloseTo(64.1, 1);
  });
  test('held against a meter once it agrees with it, and says how well', () => {
    const known = calibrationOf(card, 150, 0.05);
    if (!known.ok) throw new Error('it is taken');
    const there = cameraLux({ ...card, calibration: known.value });
    const up = cameraLux({ ...card, stops: 1, calibration: known.value });
    const away = cameraLux({ ...card, stops: 2, calibration: known.value });
    if (!there.ok || !up.ok || !away.ok) throw new Error('all are told');
    expect(there.value.lux).toBeCloseTo(150, 6);
    expect(there.value.plusMinusStops).toBeLessThan(0.2);
    expect(up.value.lux).toBeCloseTo(300, 6);
    expect(away.value.plusMinusStops).toBeGreaterThan(0.6);
    const curved = cameraLux({ ...card, stops: 2, curve: true, calibration: known.value });
    expect(curved.ok && curved.value.plusMinusStops).toBeLessThan(0.2);
  });
  test('refused: no settings, a clipped card, a lux that cannot be', () => {
    const none = { ...exposure, isoSpeed: null };
    expect(cameraLux({ ...card, exposure: none, calibration: null }).ok).toBe(false);
    expect(cameraLux({ ...card, clippedShare: 0.2, calibration: null }).ok).toBe(false);
    expect(calibrationOf(card, 50_000, 0.05).ok).toBe(false);
  });
});

describe('the curve of a camera [std: Debevec and Malik 1997], on one that is known', () => {
  // A contrasty curve: x^(1/1.6) with a toe and a shoulder.
  const response = (linear: number) => {
    const x = Math.min(1, Math.max(0, linear)) ** (1 / 1.6);
    return x + 0.12 * Math.sin(2 * Math.PI * x) * -0.5;
  };
  const scene = (gain: number, seed: number): Scene => ({
    light: (x, y) => {
      const v = gain * 0.02 * 2 ** (5 * x) * (0.7 + 0.6 * y);
      return [v, v, v];
    },
    noise: 0.01,
    response,
    seed,
  });
  const times = [1 / 400, 1 / 200, 1 / 100, 1 / 50, 1 / 25];
  const frames = times.map((exposureS, k) => ({
    samples: frameOf(scene(exposureS * 100, k)).samples,
    exposureS,
  }));
  const found = responseCurve(frames);
  test('light times two is a stop, through the whole scale', () => {
    if (!found.ok) throw new Error(found.problems[0]!.message);
    const table = linearTable(found.value.curve);
    for (const light of [0.03, 0.06, 0.12, 0.2, 0.35]) {
      const [low, high] = [light, 2 * light].map(
        (each) => table[Math.round(255 * response(each))]!,
      );
      expect(Math.abs(Math.log2(high! / low!) - 1)).toBeLessThan(0.08);
    }
    expect(found.value.missStops).toBeLessThan(0.1);
  });
  test('too few, too near, or moved between is refused', () => {
    expect(responseCurve(frames.slice(0, 2)).ok).toBe(false);
    expect(responseCurve(frames.map((each) => ({ ...each, exposureS: 0.01 }))).ok).toBe(false);
    const jumbled = frames.map((each, k) => ({ ...each, exposureS: times[(k * 2) % 5]! }));
    expect(responseCurve(jumbled).ok).toBe(false);
  });
});
