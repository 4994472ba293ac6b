import type { Vector } from '../vector';
import {
  frustumWalls,
  OPEN,
  rectangleShape,
  type Arrangement,
  type LayerMatter,
  type WallMatter,
} from '../transport/arrangement';
import { packArrangement } from '../transport/pack';
import { SURVEY_PARTS } from '../transport/tally';
import { sheet, standardBox, standardPan, wall } from '../transport/testing';
import { mouthLx } from './gather';
import { mouthField } from './mouthField';
import { surveyPart } from './survey';
import { countedLx } from './testing';

const fieldOf = (room: Arrangement, seed = 1, parts = SURVEY_PARTS) => {
  const packed = packArrangement(room);
  return mouthField(
    room,
    Array.from({ length: parts }, (_, part) => surveyPart(packed, seed, part)),
  );
};
const ahead = (z: number, x = 0) => ({ pointM: [x, 0, z] as Vector, normal: [0, 0, -1] as Vector });

const [SIDE, DEPTH, HIGH, BALL] = [0.4, 0.3, 0.12, 0.03];
/** A straight box of 40 × 40 × 30 cm with a globe of 6 cm, 12 cm above its back, that gives 1 lm. */
const box = (front: LayerMatter, back: WallMatter, sides: WallMatter): Arrangement => ({
  surfaces: [
    { name: 'mouth', shape: rectangleShape(SIDE, SIDE, DEPTH), matter: front },
    { name: 'back', shape: rectangleShape(SIDE, SIDE, 0), matter: back },
    ...frustumWalls([SIDE, SIDE], [SIDE, SIDE], DEPTH, sides),
  ],
  emitters: [
    {
      positionM: [0, 0, HIGH],
      axis: [0, 0, 1],
      luminousFluxLm: 1,
      spread: { class: 'omni' },
      radiusM: BALL,
    },
  ],
});
const BLACK = wall(0);
const MIRROR = wall(1, 1);
const I0 = 1 / (4 * Math.PI);

describe('closed forms', () => {
  test('an open black box: the straight light of its lamp, I/d², and nothing past its rim', () => {
    const open = fieldOf(box(OPEN, BLACK, BLACK));
    const lx = mouthLx(open, ahead(2)).value;
    expect(lx).toBeCloseTo(I0 / (2 - HIGH) ** 2, 4);
    expect(mouthLx(open, ahead(0.5, 2)).value).toBe(0);
  });
  test('a mirror behind it: the lamp again, as far behind the mirror', () => {
    const { value, standardError } = mouthLx(
      fieldOf(box(OPEN, MIRROR, BLACK)),
      ahead(1),
      [],
      32768,
    );
    const wanted = I0 / (1 - HIGH) ** 2 + I0 / (1 + HIGH) ** 2;
    expect(Math.abs(value / wanted - 1)).toBeLessThan(0.02);
    expect(standardError / value).toBeLessThan(0.02);
  });
  // Far away a front that scatters fully has I = η·Φ/π on its axis, however unevenly it glows.
  test.each([
    ['pan', standardPan(sheet(0.6, 0.34)), 36, 0.7626],
    ['box', standardBox(sheet(0.62, 0.3)), 1, 0.6552],
  ])('the standard %s sends out its worked share (docs/model/transport.md)', (_, room, lm, eta) => {
    const far = 1e6;
    const { value } = mouthLx(fieldOf(room), ahead(far), [], 2048);
    expect(Math.abs((value * far * far * Math.PI) / lm / eta - 1)).toBeLessThan(0.01);
  });
});

describe('against photons counted one by one at a disc, by the tests’ own tracer', () => {
  test.each([
    ['open, white walls', OPEN, wall(0.85), 0.8],
    ['open, half mirrors', OPEN, wall(0.85, 0.6), 0.8],
    ['partial layer, white walls', sheet(0.7, 0.25, 40), wall(0.8), 0.8],
    ['partial layer, half mirrors, near', sheet(0.7, 0.25, 40), wall(0.8, 0.5), 0.5],
    ['full layer, half mirrors', sheet(0.62, 0.3), wall(0.85, 0.6), 0.8],
  ])('%s', (_, front, matter, z) => {
    const radiusM = 0.15;
    const room = box(front, matter, matter);
    const found = mouthLx(fieldOf(room), ahead(z), [], 8192, 2 * radiusM);
    const told = countedLx(room, [], z, radiusM, 60_000);
    const apart = Math.abs(found.value - told.value);
    expect(told.standardError / told.value).toBeLessThan(0.025);
    expect(apart).toBeLessThan(3 * Math.hypot(found.standardError, told.standardError));
    expect(apart / told.value).toBeLessThan(0.05);
  });
});

test('the error shown is the spread of eight seeds, within a factor of two and a half', () => {
  const room = box(sheet(0.7, 0.25, 40), wall(0.8, 0.3), wall(0.8, 0.3));
  const reads = [1, 2, 3, 4, 5, 6, 7, 8].map((seed) => mouthLx(fieldOf(room, seed), ahead(1)));
  const mean = reads.reduce((sum, { value }) => sum + value, 0) / 8;
  const spread = Math.sqrt(reads.reduce((sum, { value }) => sum + (value - mean) ** 2, 0) / 7);
  const shown = reads.reduce((sum, { standardError }) => sum + standardError, 0) / 8;
  // Places on the mouth are the same for every seed: what they add to the error shown is not in this spread.
  expect(spread).toBeLessThan(2.5 * shown);
});

test.each([
  ['walls that send back everything', box(sheet(0.5, 0.5), MIRROR, MIRROR)],
  ['a layer that passes nothing', box(sheet(0, 0.5), wall(0.8), wall(0.8))],
  [
    'a mouth of a millimetre',
    {
      ...box(OPEN, BLACK, BLACK),
      surfaces: [
        { name: 'mouth', shape: rectangleShape(0.001, 0.001, 0.3), matter: OPEN },
        ...frustumWalls([0.4, 0.4], [0.001, 0.001], 0.3, wall(0.5)),
        { name: 'back', shape: rectangleShape(0.4, 0.4, 0), matter: wall(0.5) },
      ],
    } satisfies Arrangement,
  ],
])('%s: a number, not a hang', (_, room) => {
  for (const z of [0.05, 0.31, 1, -1]) {
    const { value } = mouthLx(fieldOf(room, 1, 2), ahead(z), [], 64);
    expect(Number.isFinite(value)).toBe(true);
    expect(value).toBeGreaterThanOrEqual(0);
  }
});
