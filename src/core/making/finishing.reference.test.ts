import { ACCESSORIES } from '../accessories';
import type { Build, Production } from '../document/production';
import { changed } from '../document/testing';
import { findBuild, resolveScene, sceneOf } from '../evaluate/context';
import { sample } from '../testing/sample';
import type { Step } from '../build/step';

/** What an electrician and a rigger want of the end of every light [common practice]. */
const stepsOf = (
  id: string,
  change: (build: Build, draft: Production) => void = () => undefined,
): Step[] => {
  const document = changed(sample(), (draft) => change(findBuild(draft, id)!, draft));
  return resolveScene(sceneOf(document, findBuild(document, id)!))!.resolved.steps;
};
const find = (steps: Step[], id: string) => steps.find((step) => step.id === id);
const wordsOf = (step: Step | undefined) =>
  step ? [step.title, step.why, step.check, ...step.tools, ...step.hazards].join(' ') : '';
const partOf = (draft: Production, role: string, over: object) => {
  const part = draft.shelf.parts.find((each) => each.role === role)!;
  const id = `own-${role}` as typeof part.id;
  draft.shelf.parts.push({ ...part, id, ...over } as typeof part);
  return id;
};

describe('mains side', () => {
  const ring = stepsOf('clerk-ring');
  const warm = stepsOf('warm-ring');
  test('wire colours of the region, the earth only where the cord has one', () => {
    expect(find(ring, 'wire-mains')!.check).toContain('live (brown)');
    expect(find(warm, 'wire-mains')!.check).toContain('brass screw');
    expect(find(ring, 'wire-mains')!.check).toContain('no earth in this cord');
    const earthed = stepsOf('clerk-ring', (build, draft) => {
      build.parameters.cordPartId = partOf(draft, 'cord', { cord: 'mm1-3' });
    });
    expect(find(earthed, 'wire-mains')!.check).toContain('green-and-yellow');
    expect(wordsOf(find(earthed, 'fit-plug'))).toContain('comes off last');
  });
  test('the plug has a step of its own: grip, pins, fuse where plugs are fused', () => {
    expect(wordsOf(find(ring, 'fit-plug'))).toMatch(/sheath under the grip.*live \(brown\)/);
    expect(wordsOf(find(ring, 'fit-plug'))).not.toContain('fuse');
    const fused = (fuseA: number | null) =>
      stepsOf('clerk-ring', (build, draft) => {
        draft.circuits.forEach((circuit) => (circuit.region = 'uk-230-50'));
        build.parameters.plugPartId = partOf(draft, 'plug', { fuseA });
      });
    expect(wordsOf(find(fused(3), 'fit-plug'))).toContain('a 3 A fuse');
    expect(wordsOf(find(fused(null), 'fit-plug'))).toContain('none larger than its cord bears');
  });
  test('plugs that go in either way round are said to leave a contact live', () => {
    expect(wordsOf(find(ring, 'fit-plug'))).toContain('either way round');
  });
  test('old colours, stored charge, covers of metal-cased gear', () => {
    const pan = stepsOf('clerk-pan');
    expect(wordsOf(find(pan, 'wire-mains'))).toMatch(/wait five minutes.*own earth terminal/);
    expect(wordsOf(find(ring, 'wire-mains'))).toContain('red live, black neutral');
  });
});

describe('tests before the first power-up', () => {
  test('continuity with the lamps out, and only then the lamps in', () => {
    const steps = stepsOf('clerk-ring');
    const ids = steps.map(({ id }) => id);
    expect(find(steps, 'look-over')!.title).toContain('lamps out');
    expect(ids.indexOf('lamps-in')).toBeGreaterThan(ids.indexOf('look-over'));
    expect(ids.indexOf('power-up')).toBeGreaterThan(ids.indexOf('lamps-in'));
    expect(wordsOf(find(steps, 'lamps-in'))).toContain('cool before any lamp is changed');
  });
  test('earth measured where anything wants one: under 0.1 Ω and the cord’s own', () => {
    expect(find(stepsOf('clerk-ring'), 'measure-earth')).toBeUndefined();
    const metal = stepsOf('clerk-ring', (build, draft) => {
      build.parameters.boardPartId = partOf(draft, 'sheet', { burns: 'no' });
      build.parameters.cordPartId = partOf(draft, 'cord', { cord: 'mm1-3' });
    });
    expect(find(metal, 'measure-earth')!.check).toMatch(/under 0.1 Ω and the cord’s own 0\.\d\d Ω/);
    expect(find(metal, 'power-up')!.needs).toContain('measure-earth');
  });
  const bank = sample().builds.find(({ form }) => form === 'tube-bank')!.id;
  test('LED tubes: which ends are fed is on the label, the free end of the other kind is live', () => {
    expect(wordsOf(find(stepsOf(bank), 'lamps-in'))).toMatch(/one end or at both.*label/);
  });
});

describe('power, warmth, setting up', () => {
  test('through a switched strip behind an RCD whose button was pressed, light up on stone', () => {
    const words = wordsOf(find(stepsOf('clerk-ring'), 'power-up'));
    for (const each of ['switched strip', 'test button', 'stone, tile or sheet metal'])
      expect(words).toContain(each);
    expect(words).not.toContain('floor');
  });
  test('warm checks with layers and hood on, never left alone, hot glass not held', () => {
    for (const build of sample().builds) {
      const steps = stepsOf(build.id);
      const warm = steps.findIndex(({ id }) => id === 'warm-checks');
      if (warm < 0) continue;
      expect(steps.findLastIndex(({ stage }) => stage === 'dress')).toBeLessThan(warm);
      expect(wordsOf(steps[warm])).toContain('never left alone');
    }
  });
  test('hung by ropes: rated points, ladder, somebody below keeps people out; no stand to tip', () => {
    const steps = stepsOf('deck-sky');
    expect(wordsOf(find(steps, 'hoist'))).toMatch(
      /working load.*competent rigger.*footed ladder.*nobody underneath/i,
    );
    expect(find(steps, 'mount-and-tip')).toBeUndefined();
    const pulleys = ACCESSORIES.get('pulley-set')!;
    const pulled = stepsOf('clerk-ring', (build) => {
      build.accessories = [
        { id: 'p' as never, kind: pulleys.id, parameters: pulleys.defaults() as never },
      ];
    });
    expect(pulled.map(({ id }) => id)).toContain('hoist');
    expect(find(pulled, 'mount-and-tip')).toBeUndefined();
  });
});
