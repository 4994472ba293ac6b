import { nightFerry } from '@/demo/nightFerry';
import { changed as afterChange } from '../document/testing';
import type { Production } from '../document/production';
import { headReading, litOf } from '../set/readings';
import { blankSetup, type Setup } from '../set/setup';
import { newThing, type LightThing } from '../set/things';
import { mixedLight, SOLD, type Mixture } from '../units/channels';
import { oneOf } from '../units/effective';
import { colourSheet } from './colourSheet';
import { buildPicture } from './glow/scene';
import { SetEngine } from './setup/engine';
import { evaluateKnown } from './testing';

const demo = nightFerry();
const ring = demo.builds.find(({ form }) => form === 'strip-ring')!;
const RED: Partial<Mixture> = { mix: 'colours', mixRed: 1, mixGreen: 0, mixBlue: 0, mixWhite: 0 };
const WHITE: Partial<Mixture> = { mix: 'colours', mixRed: 1, mixGreen: 1, mixBlue: 1 };
const taped = (stripId: string, mixture: Partial<Mixture>): Production =>
  afterChange(demo, (draft) => {
    const build = draft.builds.find(({ id }) => id === ring.id)!;
    Object.assign(build.parameters, { stripId, level: 0.8 }, mixture);
  });
const found = (document: Production) => {
  const result = evaluateKnown(document, ring.id);
  if (!result.ok) throw new Error(result.problems[0]!.message);
  return result.value;
};
const rgbLamp = oneOf(demo.shelf.units.find(({ id }) => id === 'tape-rgb-12')!).channels!;

describe('colours mixed in a build', () => {
  const sold = found(taped('tape-rgb-12', {}));
  const red = found(taped('tape-rgb-12', RED));
  const share = mixedLight(rgbLamp, { ...SOLD, ...RED } as Mixture)!;
  test('lux and watts follow what is turned up; fully up it is sized as before', () => {
    const lux = (of: typeof sold) => of.rungs.find(({ id }) => id === 'light')!.value!;
    expect(lux(red) / lux(sold)).toBeCloseTo(share.lumensShare, 6);
    const { nowW, nowA, ...full } = red.wire;
    expect(nowW / sold.wire.nowW).toBeCloseTo(1 / 3, 9);
    expect(nowA / sold.wire.nowA).toBeCloseTo(1 / 3, 9);
    expect(sold.wire).toMatchObject(full);
  });
  test('the rung tells a colour from a white; its drawing and its face have that colour', () => {
    const colour = (of: typeof sold) => of.rungs.find(({ id }) => id === 'colour')!;
    expect(colour(red).words).toContain('coloured');
    expect(colour(red).state).toBe('look');
    expect(colour(sold).words).not.toContain('coloured');
    expect(red.uv).not.toBeNull();
    const [r, g, b] = buildPicture(taped('tape-rgb-12', RED), ring.id, null)!.tint;
    expect(r).toBeGreaterThan(5 * Math.max(g!, b!));
  });
  test('the colour sheet shows the mixture’s own spectrum: red ends past 600 nm', () => {
    const { curve } = colourSheet(taped('tape-rgb-12', RED), ring.id)!.build!;
    const peak = curve.indexOf(Math.max(...curve));
    expect(380 + 5 * peak).toBe(630);
    expect(curve.slice(0, 30).every((power) => power < 0.01)).toBe(true);
  });
  test('a white of three colours renders poorly, and says so', () => {
    const dull = found(taped('tape-rgb-12', WHITE));
    expect(dull.criRa!).toBeLessThan(65);
    expect(dull.findings.some(({ id }) => id === 'colour.cri.0')).toBe(true);
    // A colour is there for its colour.
    expect(red.findings.some(({ id }) => id === 'colour.cri.0')).toBe(false);
  });
  test('a white tape has none to mix: told, and worked out as it comes', () => {
    const plain = found(taped('tape-24-120-4000', {}));
    const asked = found(taped('tape-24-120-4000', RED));
    expect(asked.findings.find(({ id }) => id === 'colour.mix.0')).toMatchObject({
      severity: 'look',
      where: { field: 'mix' },
    });
    expect(asked.rungs.find(({ id }) => id === 'light')!.value).toBe(
      plain.rungs.find(({ id }) => id === 'light')!.value,
    );
  });
});

describe('colours mixed in a set', () => {
  const head = newThing('head', 'h', 'Head', { xM: 2.5, yM: 2.4 });
  const lamp = (more: Partial<LightThing>) =>
    newThing('light', 'l', 'L', {
      unitId: 'tape-rgb-12' as LightThing['unitId'],
      xM: 3.8,
      yM: 1,
      zM: 1.4,
      panDeg: 40,
      ...more,
    });
  const setupOf = (more: Partial<LightThing>): Setup => ({
    ...blankSetup('s', 'S', null),
    things: [head, lamp(more)],
  });
  const engine = new SetEngine(demo);
  const answer = engine.answer(setupOf({}));
  const read = (more: Partial<LightThing>) => {
    const lit = litOf(setupOf(more), answer.lights);
    return { lit: lit[0]!, head: headReading(lit, 'h', null, 4000) };
  };
  test('are sums of what is kept: nothing is worked out again', () => {
    const kept = engine.answer(setupOf(RED));
    expect(kept.lights[0]!.heads).toBe(answer.lights[0]!.heads);
    const share = mixedLight(rgbLamp, { ...SOLD, ...RED } as Mixture)!;
    const straight = (of: ReturnType<typeof read>) => of.head.parts[0]!.straightLx;
    expect(straight(read(RED)) / straight(read({}))).toBeCloseTo(share.lumensShare, 9);
    expect(read(RED).lit.state.wattsW / read({}).lit.state.wattsW).toBeCloseTo(1 / 3, 9);
  });
  test('tint, and are no clash: a colour is meant', () => {
    const { lit, head: face } = read(RED);
    expect(lit.tint[0]).toBeGreaterThan(5 * Math.max(lit.tint[1], lit.tint[2]));
    expect(lit.state.coloured).toBe(true);
    expect(face).toMatchObject({ coloured: ['L'], clash: null, balance: null });
    expect(Math.abs(face.duv!)).toBeGreaterThan(0.05);
  });
  test('mixed to nothing it is dark, and other colours than it has change nothing', () => {
    expect(read({ ...RED, mixRed: 0 }).head.frontLx).toBe(0);
    expect(read({ mix: 'whites' }).head.frontLx).toBe(read({}).head.frontLx);
  });
  test('in a build that is mixed already they start from all it could give', () => {
    const mixed = taped('tape-rgb-12', RED);
    const built = (more: Partial<LightThing>): Setup =>
      setupOf({ unitId: null, buildId: ring.id as LightThing['buildId'], ...more });
    const own = new SetEngine(mixed).answer(built({}));
    const face = (more: Partial<LightThing>) =>
      headReading(litOf(built(more), own.lights), 'h', null, 4000).parts[0]!.straightLx;
    expect(face(RED)).toBeCloseTo(face({}), 6);
    expect(face(WHITE) / face({})).toBeGreaterThan(2);
  });
});
