import { frontSize } from '../build/front';
import { sample } from '../testing/sample';
import { changed as afterChange } from '../document/testing';
import type { Build, Production } from '../document/production';
import type { Shot } from '../location/shot';
import { FORMS } from '../forms';
import { resolveScene, sceneOf } from './context';
import { evaluateKnown as evaluate } from './testing';
import type { WorkedOut as Readouts } from './readouts';

/** Lights that fill themselves to the shot's need would answer each change with more or less tape. */
const demo = afterChange(sample(), (draft) => {
  for (const { parameters } of draft.builds)
    if (parameters.fillMode === 'target') parameters.fillMode = 'fit';
});

/** Readouts of a build after a change of it, of its shot, or of the whole document. */
function after(
  id: string,
  change: (build: Build, shot: Shot, draft: Production) => void = () => undefined,
): Readouts {
  const changed = afterChange(demo, (draft) => {
    const build = draft.builds.find((each) => each.id === id)!;
    change(
      build,
      draft.shots.find((shot) => shot.id === build.shotId)!,
      draft,
    );
  });
  const found = evaluate(changed, id);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value;
}
const value = (found: Readouts, id: string) => found.rungs.find((rung) => rung.id === id)!.value;

const lit = demo.builds
  .map((build) => {
    const scene = sceneOf(demo, build);
    const { resolved } = resolveScene(scene)!;
    return { id: build.id, build, resolved, scene, found: after(build.id) };
  })
  .filter(({ found }) => (value(found, 'light') ?? 0) > 0);

test('most of the demo gives light', () => {
  expect(lit.length).toBeGreaterThan(12);
});

describe.each(lit)('$id', ({ id, build, resolved, scene, found }) => {
  const light = value(found, 'light')!;
  const shot = demo.shots.find((each) => each.id === build.shotId)!;

  test('stops to the target: log2(E / (C·N²/(t·S))) (ISO 2720, from memory)', () => {
    const { calibrationLxS, fNumber, shutterAngleDeg, frameRateHz, isoSpeed, offsetStops } = shot;
    const exposureTimeS = shutterAngleDeg / (360 * frameRateHz);
    const target =
      ((calibrationLxS * fNumber ** 2) / (exposureTimeS * isoSpeed)) * 2 ** offsetStops;
    expect(value(found, 'stops')).toBeCloseTo(Math.log2(light / target), 9);
  });
  test('opening by a stop or doubling the ISO brings a stop', () => {
    const more = after(id, (_build, own) => void (own.isoSpeed *= 2));
    expect(value(more, 'stops')! - value(found, 'stops')!).toBeCloseTo(1, 9);
    const wide = after(id, (_build, own) => void (own.fNumber /= Math.SQRT2));
    expect(value(wide, 'stops')! - value(found, 'stops')!).toBeCloseTo(1, 9);
    expect(value(wide, 'light')).toBe(light);
  });
  test('farther is never brighter; far away it obeys the inverse square', () => {
    const at = (distanceM: number) =>
      value(
        after(id, (_build, own) => void (own.distanceM = distanceM)),
        'light',
      )!;
    const near = [1.5, 3, 6, 12, 24].map(at);
    expect(near).toEqual(near.toSorted((a, b) => b - a));
    const size = Math.max(resolved.apparent.widthM, resolved.apparent.heightM);
    const far = 20 * Math.max(1, size);
    expect(at(far) / at(2 * far)).toBeCloseTo(4, 1);
  });
  test('brightness does not soften, nearness does', () => {
    const brighter = after(id, (_build, own) => void (own.isoSpeed *= 2));
    expect(value(brighter, 'softness')).toBe(value(found, 'softness'));
    const nearer = after(id, (_build, own) => void (own.distanceM *= 0.7));
    expect(value(nearer, 'softness')!).toBeGreaterThan(value(found, 'softness')!);
  });
  test('an angle is 2·atan(width / 2d) of what is seen', () => {
    const { widthM, heightM } = frontSize(resolved);
    const angle = (across: number) => 2 * Math.atan(across / 2 / shot.distanceM);
    const shown = value(found, 'softness')!;
    // What stands in the way may leave the middle of it brighter, or less of it.
    const least = resolved.controls.length > 0 ? 0.5 : 1;
    expect(shown).toBeGreaterThanOrEqual(angle(least * Math.min(widthM, heightM)) - 1e-9);
    expect(shown).toBeLessThanOrEqual(angle(Math.max(widthM, heightM)) + 1e-9);
  });
  test('no more heat than power, none below nothing', () => {
    const power = value(found, 'power')!;
    const heat = value(found, 'heat')!;
    expect(heat).toBeGreaterThanOrEqual(0);
    expect(heat).toBeLessThanOrEqual(power + 1e-9);
  });
  test('lux stay below what all the lumens in one lamp’s sharpest beam would give', () => {
    const flux = resolved.groups.reduce(
      (sum, { count, unit, level }) => sum + count * unit.luminousFluxLm.value * level,
      0,
    );
    // A Lambert source sends Φ/π along its axis; beams of reflectors are counted by their own law.
    const sharpest = resolved.emitters.some(({ spread }) => spread.class === 'reflector') ? 40 : 1;
    const nearest = Math.max(0.05, shot.distanceM - (resolved.frontM ?? 0));
    expect(light).toBeLessThanOrEqual((sharpest * flux) / Math.PI / nearest ** 2 + 1e-9);
  });
  test('twice the lights: the same each, and whole packs never cost more than twice', () => {
    const two = after(id, (own) => void (own.copies *= 2));
    for (const rung of ['light', 'power', 'heat', 'softness'])
      expect([rung, value(two, rung)]).toEqual([rung, value(found, rung)]);
    expect(two.purchase.fullMinor).toBeGreaterThanOrEqual(found.purchase.fullMinor);
    expect(two.purchase.fullMinor).toBeLessThanOrEqual(2 * found.purchase.fullMinor);
  });
  test('the order of the shelf says nothing', () => {
    const turned = after(id, (_build, _shot, draft) => {
      draft.shelf.units.reverse();
      draft.shelf.units.reverse();
      draft.shelf.parts.reverse();
    });
    for (const { id: rung } of found.rungs) expect(value(turned, rung)).toEqual(value(found, rung));
  });
  test('what is not of this build says nothing', () => {
    const alone = after(id, (own, _shot, draft) => {
      draft.builds = draft.builds.filter((each) => each.id === own.id);
    });
    for (const rung of ['light', 'stops', 'softness', 'evenness', 'colour', 'heat', 'cost'])
      expect([rung, value(alone, rung)]).toEqual([rung, value(found, rung)]);
  });
  test('LED light follows its level in proportion, and the colour stays', () => {
    const level = (share: number) =>
      after(id, (own) => {
        if ('level' in own.parameters) own.parameters.level = share;
        for (const group of (own.parameters.groups ?? []) as { level: number }[])
          group.level = share;
      });
    const [full, half] = [level(1), level(0.5)];
    const filament = resolved.groups.some(({ unit }) => unit.filament);
    const dims = FORMS.get(build.form)!.fields.some(({ parameter }) =>
      ['level', 'groups'].includes(parameter),
    );
    if (!dims) return expect(value(half, 'light')).toBe(value(full, 'light'));
    expect(value(half, 'light')! / value(full, 'light')!).toBeCloseTo(0.5, 6);
    if (filament) expect(value(half, 'colour')!).toBeLessThan(value(full, 'colour')!);
    else expect(value(half, 'colour')).toBeCloseTo(value(full, 'colour')!, 6);
  });
  test('the colour lies among its lamps’ after the layers’ shift', () => {
    const shifts = (resolved.mouth?.layers ?? []).reduce((sum, each) => sum + each.shiftMired, 0);
    const mireds = resolved.groups.map(({ unit }) => 1e6 / unit.cctK.value + shifts);
    const seen = 1e6 / value(found, 'colour')!;
    const filament = resolved.groups.some(({ unit }) => unit.filament);
    expect(seen).toBeGreaterThan(Math.min(...mireds) - 1);
    // A dimmed filament is warmer than its label.
    if (!filament) expect(seen).toBeLessThan(Math.max(...mireds) + 1);
    expect(scene.shot.id).toBe(shot.id);
  });
});
