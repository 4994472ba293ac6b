import { ownOffset } from '../meter/simulated';
import { boxFigures } from './boxes';
import { calibrationOf, cameraLux } from './cameraLux';
import { compareFrames } from './compare';
import { outlineOf } from './outline';
import { bandsOf } from './flicker';
import { FrameReader, type FrameData } from './frame';
import { CARD, exposureFor, simulatedFrame, type SimulatedCamera } from './simulatedFrame';
import { linearTable } from './tone';

const SIZE = 160;
/** A head before a wall, as light: what a white card there would send. */
const scene = (cardLx: number) => ({
  size: SIZE,
  cardLx,
  whiteLx: Float32Array.from({ length: 3 * SIZE * SIZE }, (_, k) => {
    const at = Math.floor(k / 3);
    const [x, y] = [(at % SIZE) / SIZE, Math.floor(at / SIZE) / SIZE];
    return cardLx * (Math.hypot(x - 0.55, y - 0.4) < 0.22 ? 0.35 : 0.12 + 0.05 * x);
  }),
});
const taken = (cardLx: number, more: Partial<SimulatedCamera> = {}): FrameData => {
  const exposure = exposureFor(cardLx);
  const { edge, pixels } = simulatedFrame(scene(cardLx), {
    exposure,
    readOutS: 0.02,
    ownStops: 0,
    wave: null,
    seed: 5,
    ...more,
  });
  const reader = new FrameReader(edge, edge, linearTable(null));
  reader.addInPlace(pixels, 0);
  return reader.done();
};
const inside = { x: CARD.x + 0.03, y: CARD.y + 0.03, w: CARD.w - 0.06, h: CARD.h - 0.06 };
const cardOf = (frame: FrameData, cardLx: number) => ({
  exposure: exposureFor(cardLx),
  ...boxFigures(frame, inside),
  reflectance: 0.18,
  curve: false,
  calibration: null,
});

test.each([12, 90, 392, 2400])(
  'a card in %d lx is read as that, its own scale taken off',
  (lux) => {
    for (const ownStops of [-0.5, 0, 0.4]) {
      const found = cameraLux(cardOf(taken(lux, { ownStops }), lux));
      if (!found.ok) throw new Error(found.problems[0]!.message);
      expect(Math.abs(Math.log2(found.value.lux / lux) - ownStops)).toBeLessThan(0.03);
    }
  },
);

test('held against a meter in one light, it reads another within what it says', () => {
  const own = ownOffset('a camera', 0.6);
  const known = calibrationOf(cardOf(taken(200, { ownStops: own }), 200), 200, 0.05);
  if (!known.ok) throw new Error(known.problems[0]!.message);
  const other = cardOf(taken(340, { ownStops: own }), 340);
  const found = cameraLux({ ...other, calibration: known.value });
  if (!found.ok) throw new Error(found.problems[0]!.message);
  expect(Math.abs(Math.log2(found.value.lux / 340))).toBeLessThan(found.value.plusMinusStops);
});

test('a dimmer’s wave is found again against the steady frame, and the camera stood still', () => {
  const steady = taken(392);
  const wave = { hz: 100, modulation: 0.35, phase: 1 };
  const dimmed = taken(392, { wave, seed: 6 });
  const { exposureS } = exposureFor(392);
  const found = bandsOf({
    frames: [dimmed.rowLight],
    reference: steady.rowLight,
    readOutS: 0.02,
    exposureS,
  })!;
  expect(Math.abs(found.frequencyHz! / 100 - 1)).toBeLessThan(0.02);
  expect(Math.abs(found.own! - 0.35)).toBeLessThan(0.03);
  expect(compareFrames(outlineOf(steady), outlineOf(dimmed), 0).registration.verdict).toBe('same');
});

test('the same camera is the same each time, another one another', () => {
  expect(ownOffset('a', 0.6)).toBe(ownOffset('a', 0.6));
  expect(ownOffset('a', 0.6)).not.toBe(ownOffset('b', 0.6));
  const offsets = Array.from({ length: 200 }, (_, k) => ownOffset(`camera ${k}`, 0.6));
  expect(Math.max(...offsets.map(Math.abs))).toBeLessThanOrEqual(0.6);
  expect(Math.abs(offsets.reduce((sum, each) => sum + each, 0) / 200)).toBeLessThan(0.1);
});
