import { frontSize } from '../../build/front';
import { readIes, writeIes } from '../../formats/ies';
import { fluxOf } from '../../light/farField';
import { produce } from 'immer';
import { sample } from '../../testing/sample';
import type { Production } from '../../document/production';
import { evaluateKnown as evaluate } from '../testing';
import { findReadout } from '../readouts';
import type { WorkedOut as Readouts } from '../readouts';
import { sensitivities } from '../sensitivity';
import { evaluateSimulated } from '../simulated';
import { backdropOf } from './backdrop';
import { layerParameters } from './layerParameters';
import { layerLadder } from './layers';
import { runFor } from './lightRow';
import { applyVariantInPlace, variantChanges, variants } from './variants';
import { buildPicture, fixturePicture, litBuild, photometryOf } from './scene';
import { glowContext, type GlowId } from './context';

const demo = sample();
const RUN = { photons: 20_000, seed: 1 };
const simulated = (document: Production, id: string, run = RUN): Readouts => {
  const found = evaluateSimulated(document, id, run, { glow: true });
  if (!found.ok) throw new Error(found.problems[0]!.message);
  if (found.value.kind === 'unknown form') throw new Error('its form is known');
  return found.value;
};
const said = (readouts: Readouts, id: GlowId) => findReadout(readouts, id);
const value = (readouts: Readouts, id: GlowId) => said(readouts, id)!.value!;
const lx = (readouts: Readouts) => findReadout(readouts, 'light')!.value!;
const changed = (id: string, parameters: Record<string, unknown>) =>
  produce(demo, (draft) => {
    Object.assign(draft.builds.find((build) => build.id === id)!.parameters, parameters);
  });
const carrying = (id: string, kind: string, parameters: Record<string, unknown> = {}) =>
  produce(demo, (draft) => {
    const build = draft.builds.find((each) => each.id === id)!;
    applyVariantInPlace(draft, id, { kind: 'add', accessory: kind }, 'extra');
    Object.assign(build.accessories.at(-1)!.parameters, parameters);
  });
const lit = demo.builds.filter(({ id }) => id !== 'stamp-ring');

describe.each(lit.map(({ id }) => id))('%s', (id) => {
  const readouts = simulated(demo, id);
  test('every figure is finite, has words, a formula with its numbers, and a source', () => {
    const { glow } = readouts;
    expect(glow!.readouts.length).toBeGreaterThanOrEqual(8);
    for (const readout of glow!.readouts) {
      expect(readout.value === null || Number.isFinite(readout.value)).toBe(true);
      for (const text of [
        readout.label,
        readout.words,
        readout.working.formula,
        readout.working.substituted,
        readout.working.source,
      ]) {
        expect(text.length).toBeGreaterThan(0);
        expect(text).not.toMatch(/NaN|undefined|Infinity/);
      }
    }
  });
  test('no more light leaves than the lamps send; the peak lights the subject at most as an even front would', () => {
    const sent = said(readouts, 'output')!.working.inputs[0]!.value;
    expect(value(readouts, 'output')).toBeLessThan(1.03 * sent);
    expect(value(readouts, 'peak')).toBeGreaterThan(0);
  });
  test('a picture can be made of it: light where the readouts have it', () => {
    const picture = buildPicture(demo, id, null)!;
    expect(picture.faceLx).toBeGreaterThan(0);
    expect(picture.lamps.length).toBeLessThanOrEqual(64);
    expect(picture.tint.every((channel) => channel > 0)).toBe(true);
  });
});

/** Open lamps with a board, a hooded pan, open sides, a grid, doors, a cloth. */
const FILED = [
  'clerk-ring',
  'clerk-pan',
  'stamp-panel',
  'counter-lamp',
  'corridor-work',
  'cabin-box',
];
describe.each(FILED)('the photometric file of %s', (id) => {
  const run = runFor(demo, id, RUN);
  const found = litBuild(demo, id, run)!;
  const file = photometryOf(demo, id, run, '2026-11-26');
  const read = file && readIes(writeIes(file));
  test('holds the lumens that are said to come out, and the candela that E·d² gives far away', () => {
    if (!file || !read?.ok) return expect(found.light.totalLx).toBe(0);
    const { planesDeg, anglesDeg, cd } = read.value;
    const lm = fluxOf({ planesDeg: planesDeg.slice(0, -1), anglesDeg, cd: cd.slice(0, -1) });
    const { outLm } = glowContext(found.light, found.resolved, found.shot, demo.circuits[0]!);
    expect(Math.abs(lm / outLm - 1)).toBeLessThan(0.005);
    const { widthM, heightM } = frontSize(found.resolved);
    const far = 400 * Math.max(widthM, heightM);
    expect(Math.abs(cd[0]![0]! / (found.light.axisLx(far) * far * far) - 1)).toBeLessThan(0.005);
  });
});

test('a box without its cloth is nearly as hard as the lamp that shows in it; with it, as soft as its front', () => {
  const angle = (document: Production) =>
    litBuild(document, 'cabin-box', runFor(document, 'cabin-box', RUN))!.light.angleDeg;
  const [build] = demo.builds.filter(({ id }) => id === 'cabin-box');
  const none = Object.fromEntries(layerParameters(build!).map((name) => [name, null]));
  const covered = angle(demo);
  expect(angle(changed('cabin-box', none))).toBeLessThan(0.75 * covered);
  expect(covered).toBeGreaterThan(15);
});

describe('estimate and simulation', () => {
  test('each says which it is, and how sure', () => {
    const found = evaluate(demo, 'clerk-pan', { glow: true });
    const estimate = found.ok ? found.value : null;
    expect(said(estimate!, 'extraction')!.words).toContain(
      'instant estimate, within a factor of 3',
    );
    expect(said(estimate!, 'extraction')!.state).toBe('unknown');
    const run = simulated(demo, 'clerk-pan');
    expect(said(run, 'extraction')!.words).toMatch(/simulated, ± 0\.3\d %/);
    expect(said(run, 'extraction')!.working.substituted).toContain('of 20000');
    expect(findReadout(run, 'light')!.words).toContain('simulated');
  });
  test('while a knob is held the estimate is scaled by what the last run showed', () => {
    const at = (light = 1) => {
      const found = evaluate(demo, 'clerk-pan', { estimateScale: { out: 1.1, light } });
      return lx(found.ok ? found.value : (null as never));
    };
    expect(at(1.2) / at()).toBeCloseTo(1.2, 9);
  });
  test('the same seed and count give the same figures; a bad count is refused in words', () => {
    expect(simulated(demo, 'cabin-box').rungs).toEqual(simulated(demo, 'cabin-box').rungs);
    const refused = evaluateSimulated(demo, 'cabin-box', { photons: 0, seed: 1 });
    expect(refused.ok ? '' : refused.problems[0]!.message).toContain('photon count is 0');
    expect(evaluateSimulated(demo, 'nowhere', RUN).ok).toBe(false);
  });
  test('a deeper pan lets less out (common practice)', () => {
    const deep = simulated(changed('clerk-pan', { depthM: 0.3 }), 'clerk-pan');
    expect(deep.extraction!.simulated!).toBeLessThan(
      simulated(demo, 'clerk-pan').extraction!.simulated!,
    );
  });
});

describe('lamps where they cannot be', () => {
  test('a bulb in front of its box: said, nothing is NaN', () => {
    const readouts = simulated(changed('cabin-box', { lampInM: 0.9, depthM: 0.2 }), 'cabin-box');
    expect(readouts.findings.find(({ id }) => id === 'light.outside')!.message).toContain('100 %');
    for (const rung of readouts.rungs)
      expect(rung.value === null || Number.isFinite(rung.value)).toBe(true);
    expect(simulated(demo, 'cabin-box').findings.map(({ id }) => id)).not.toContain(
      'light.outside',
    );
  });
});

describe('what stands in the way', () => {
  const bare = simulated(demo, 'cabin-box');
  test('a grid cuts the spill far more than the face, and narrows the beam', () => {
    const gridded = simulated(
      carrying('cabin-box', 'grid', { cellM: 0.05, depthM: 0.1 }),
      'cabin-box',
    );
    expect(lx(gridded)).toBeLessThan(lx(bare));
    const faceStops = Math.log2(lx(bare) / lx(gridded));
    const spillStops = Math.log2(value(bare, 'spill') / value(gridded, 'spill'));
    expect(spillStops).toBeGreaterThan(faceStops + 0.3);
    expect(value(gridded, 'beam')).toBeLessThan(0.6 * value(bare, 'beam'));
    expect(said(gridded, 'spill')!.words).toContain('cut by doors or cloth');
  });
  test('beyond atan(cell/depth) nothing is left (docs/model/light.md, “Controls”)', () => {
    const { field, resolved } = litBuild(
      carrying('cabin-box', 'grid', { cellM: 0.05, depthM: 0.05 }),
      'cabin-box',
      null,
    )!;
    expect(field.passages.length).toBeGreaterThan(0);
    const gridded = simulated(
      carrying('cabin-box', 'grid', { cellM: 0.05, depthM: 0.05 }),
      'cabin-box',
    );
    const { anglesDeg, planesCd } = gridded.glow!.far;
    for (const [k, angle] of anglesDeg.entries()) if (angle > 46) expect(planesCd.right[k]).toBe(0);
    expect(resolved.controls.some(({ kind }) => kind === 'grid')).toBe(true);
  });
  test('doors closed in cut what the subject sees of the front, and its softness with it', () => {
    const closed = changed('corridor-work', { openedRad: 0, aim: 'direct' });
    const open = changed('corridor-work', { openedRad: 1.5, aim: 'direct' });
    expect(value(simulated(closed, 'corridor-work'), 'spill')).toBeLessThan(
      value(simulated(open, 'corridor-work'), 'spill'),
    );
  });
  test('a foil hood throws more forward than a black one; both narrow the beam', () => {
    const hooded = (lining: string) =>
      simulated(
        produce(demo, (draft) => {
          const hood = draft.builds
            .find(({ id }) => id === 'clerk-pan')!
            .accessories.find(({ kind }) => kind === 'hood')!;
          hood.parameters.lining = lining;
        }),
        'clerk-pan',
      );
    expect(hooded('foil').extraction!.simulated!).toBeGreaterThan(
      1.2 * hooded('black').extraction!.simulated!,
    );
    const unhooded = produce(demo, (draft) => {
      draft.builds.find(({ id }) => id === 'clerk-pan')!.accessories = [];
    });
    expect(value(hooded('black'), 'beam')).toBeLessThan(
      value(simulated(unhooded, 'clerk-pan'), 'beam'),
    );
  });
});

describe('quality', () => {
  test('bounced: softer, and stops under the lamp straight at the subject', () => {
    const bounced = simulated(changed('corridor-work', { aim: 'bounce' }), 'corridor-work');
    expect(value(bounced, 'bounceLoss')).toBeLessThan(-1);
    const direct = simulated(changed('corridor-work', { aim: 'direct' }), 'corridor-work');
    expect(said(direct, 'bounceLoss')).toBeUndefined();
    expect(findReadout(bounced, 'softness')!.value!).toBeGreaterThan(
      findReadout(direct, 'softness')!.value!,
    );
  });
  test('dots through a sandwich fade as its spacer grows to the row pitch (common practice)', () => {
    const at = (spacerM: number) =>
      value(simulated(changed('stamp-panel', { spacerM }), 'stamp-panel'), 'ripple');
    expect(at(0.01)).toBeGreaterThan(at(0.03));
    expect(at(0.06)).toBeLessThan(0.06);
  });
  test('catchlights have the shape of what is seen', () => {
    const words = (id: string) => said(simulated(demo, id), 'catchlight')!.words;
    expect(words('clerk-ring')).toContain('ring of dots');
    expect(words('clerk-pan')).toContain('a disc');
    expect(words('cabin-box')).toContain('a window');
    expect(words('corridor-line')).toContain('a bar');
  });
  test('half the light at twice the f-number of 1.4: camera words follow ISO 2720', () => {
    const readouts = simulated(demo, 'clerk-ring');
    const shot = demo.shots.find(({ id }) => id === demo.builds[0]!.shotId)!;
    const time = shot.shutterAngleDeg / 360 / shot.frameRateHz;
    const n = Math.sqrt((lx(readouts) * time * shot.isoSpeed) / shot.calibrationLxS);
    expect(value(readouts, 'camera')).toBeCloseTo(n / 2 ** (shot.offsetStops / 2), 1);
  });
  test('figures of Glow can be asked what changes them most', () => {
    const found = sensitivities(demo, 'clerk-ring', 'peak');
    expect(found.length).toBeGreaterThan(0);
    expect(found.every(({ label }) => label.length > 0)).toBe(true);
  });
});

describe('one-click changes and layers', () => {
  test('a pan offers tape, finish, layers and what it may carry; each is what its label says', () => {
    const pan = demo.builds.find(({ id }) => id === 'clerk-pan')!;
    const ids = variantChanges(demo, pan).map(({ id }) => id);
    expect(ids).toEqual(
      expect.arrayContaining([
        'tapeOn-base',
        'finish-foil',
        'layer-more',
        'without-hood',
        'with-grid',
      ]),
    );
    expect(ids).not.toContain('tapeOn-rim');
  });
  test('what is shown before is what comes after', () => {
    const found = variants(demo, 'clerk-pan', RUN);
    const base = found.find(({ id }) => id === 'tapeOn-base')!;
    const made = produce(demo, (draft) =>
      applyVariantInPlace(draft, 'clerk-pan', base.change, 'x'),
    );
    expect(lx(simulated(made, 'clerk-pan'))).toBeCloseTo(base.lx, 6);
    expect(base.stops).toBeGreaterThan(0);
  });
  test('the ladder of layers: none is brightest, two cost more than one, one row is now', () => {
    const rows = layerLadder(demo, 'cabin-box', RUN);
    expect(rows[0]).toMatchObject({ id: 'none', lost: 0 });
    for (const row of rows.slice(1)) expect(row.lost).toBeLessThan(0);
    expect(rows.filter(({ now }) => now)).toHaveLength(1);
    const now = rows.find((row) => row.now)!;
    const twice = rows.find(({ name }) => name.startsWith('2 ×'))!;
    expect(twice.lost).toBeLessThan(now.lost);
    expect(twice.map).toHaveLength(64);
    expect(layerLadder(demo, 'clerk-ring', RUN)).toEqual([]);
    expect(layerLadder(demo, 'nowhere', RUN)).toEqual([]);
  });
  test('an open ring has no run; an unknown build none either', () => {
    expect(runFor(demo, 'clerk-ring', RUN)).toBeNull();
    expect(runFor(demo, 'nowhere', RUN)).toBeNull();
  });
});

describe('the painted flat', () => {
  test('mapped as it stands, and the best places of one and two, even enough', () => {
    const found = backdropOf(demo, 'sky-bank', null)!;
    expect(found.map.cellsLx).toHaveLength(64 * 48);
    const readouts = simulated(demo, 'sky-bank');
    expect(found.map.plusMinusStops).toBeCloseTo(readouts.evenness!.plusMinusStops, 0);
    const shot = demo.shots.find(
      ({ id }) => id === demo.builds.find((b) => b.id === 'sky-bank')!.shotId,
    )!;
    expect(found.two.plusMinusStops).toBeLessThanOrEqual(shot.evennessStops);
    expect(backdropOf(demo, 'nowhere', null)).toBeNull();
  });
  test('a fixture’s picture gives its own lux at the shot', () => {
    const [fixture, shot] = [demo.fixtures[0]!, demo.shots[0]!];
    const picture = fixturePicture(fixture, shot);
    const lm = picture.lamps.reduce((sum, { source }) => sum + source.luminousFluxLm, 0);
    expect(lm).toBeGreaterThan(0);
    expect(picture.faceLx).toBeGreaterThan(0);
  });
});
