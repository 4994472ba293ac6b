import { cleanShutters, isCleanExposure, mainsFlickerHz, nearestCleanShutter } from './shutter';

// docs/model/light.md, “Flicker”: 24 fps with 50 Hz → 172.8°, 24 fps with 60 Hz → 144°, 25 fps with 60 Hz → 150°.
test.each([
  [24, 50, 172.8],
  [24, 60, 144],
  [25, 60, 150],
  [25, 50, 180],
])('%i fps beside %i Hz mains: %f° is clean (common practice)', (fps, mains, angle) => {
  const clean = nearestCleanShutter(172.8, fps, mainsFlickerHz(mains))!;
  const angles = cleanShutters(fps, mainsFlickerHz(mains)).map((s) => s.shutterAngleDeg);
  expect(angles.some((found) => Math.abs(found - angle) < 1e-9)).toBe(true);
  expect(isCleanExposure(clean.exposureTimeS, mainsFlickerHz(mains))).toBe(true);
});

test('50 Hz: 1/100, 1/50 and 1/33.3 s are clean, 1/60 s is not (common practice)', () => {
  expect([1 / 100, 1 / 50, 3 / 100, 1 / 60].map((t) => isCleanExposure(t, 100))).toEqual([
    true,
    true,
    true,
    false,
  ]);
});

test('a frame shorter than a flicker period has no clean shutter', () => {
  expect(nearestCleanShutter(180, 200, 100)).toBeNull();
  expect(isCleanExposure(0, 100)).toBe(false);
});
