import fc from 'fast-check';
import { sample } from '../testing/sample';
import { attachAll } from '../accessories/attach';
import { accessorySchema } from '../accessories/carried';
import { findBuild, sceneOf } from '../evaluate/context';
import { cavityOf } from '../evaluate/readouts';
import { discToDisc } from '../accessories/hoodLight';
import { cannotRun, simulate } from '../light/transport/run';
import type { CavitySurface } from '../light/transport/arrangement';
import { readParameters, FORMS } from './index';
import type { ResolvedBuild } from '../build/resolvedBuild';

const demo = sample();
const RUN = { photons: 1500, seed: 5 };

/** A demo build with some of its sizes changed, and what it carries. */
function made(id: string, over: Record<string, unknown>, carried: [string, object][] = []) {
  const build = findBuild(demo, id)!;
  const scene = sceneOf(demo, build);
  const form = FORMS.get(build.form)!;
  const read = readParameters(form, { ...build.parameters, ...over } as typeof build.parameters);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  const base = form.resolve(read.value, scene.context);
  const accessories = carried.map(([kind, parameters], k) =>
    accessorySchema.parse({ id: `a${k}`, kind, parameters }),
  );
  return attachAll(base, accessories, scene.context).resolved;
}

/** Nothing flies off: what was sent went out, or was taken. */
function expectClosed(resolved: ResolvedBuild) {
  const room = cavityOf(resolved, demo.shots[0]!)!;
  expect(cannotRun(room.arrangement, RUN)).toBeNull();
  const found = simulate(room.arrangement, RUN);
  const taken = found.absorbed.reduce((sum, { share }) => sum + share, 0);
  expect(found.efficiency + found.spilled + taken + found.unaccounted).toBeCloseTo(1, 9);
  expect(found.unaccounted).toBe(0);
  return found;
}

const size = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('rooms close, whatever the sizes', () => {
  const cases: [id: string, sizes: Record<string, fc.Arbitrary<unknown>>][] = [
    [
      'clerk-pan',
      {
        diameterM: size(0.2, 1),
        depthM: size(0.05, 0.4),
        tapeOn: fc.constantFrom('rim', 'base'),
        finish: fc.constantFrom('foil', 'white-emulsion', 'black-paint'),
      },
    ],
    [
      'cabin-box',
      {
        frontWidthM: size(0.3, 1.2),
        frontHeightM: size(0.3, 1.2),
        backWidthM: size(0.12, 0.3),
        backHeightM: size(0.12, 0.3),
        depthM: size(0.15, 0.8),
      },
    ],
    ['stamp-panel', { widthM: size(0.3, 1.5), heightM: size(0.2, 1), spacerM: size(0.01, 0.15) }],
    [
      'counter-lamp',
      { reflectorM: size(0.12, 0.6), depthM: size(0.08, 0.4), standoffM: size(0, 0.3) },
    ],
    ['booth-stack', { boxM: size(0.6, 2), boxDepthM: size(0.15, 1) }],
    [
      'cabin-bounce',
      { widthM: size(1.25, 2.5), heightM: size(0.5, 2), drapeOutM: size(0.08, 0.5) },
    ],
    ['deck-sky', { widthM: size(1, 8), heightM: size(1, 5), clothDropM: size(0.05, 1) }],
    ['corridor-line', { insideDiameterM: size(0.015, 0.2), strands: fc.constantFrom(1, 2) }],
  ];
  test.each(cases)('%s', (id, sizes) => {
    fc.assert(
      fc.property(fc.record(sizes), (over) => void expectClosed(made(id, over))),
      { seed: 41, numRuns: 14 },
    );
  });
});

describe('a hood in front', () => {
  test('closes too, cylinder and cone, wider and narrower', () => {
    for (const [shape, mouthDiameterM] of [
      ['cylinder', 0.3],
      ['cone', 0.7],
      ['cone', 0.2],
    ] as const) {
      const hood = {
        shape,
        lengthM: 0.25,
        mouthDiameterM,
        overlapM: 0.02,
        boardPartId: null,
        lining: 'white',
      };
      const found = expectClosed(made('clerk-pan', {}, [['hood', hood]]));
      expect(found.absorbed.map(({ name }) => name)).toEqual(
        expect.arrayContaining(['hood', 'layers', 'wall', 'base']),
      );
    }
  });
  test('black and wide open it takes what does not go straight: the coaxial disc factor', () => {
    const hood = {
      shape: 'cylinder',
      lengthM: 0.3,
      mouthDiameterM: 0.3,
      overlapM: 0.02,
      boardPartId: null,
      lining: 'black',
    };
    const bare = made('clerk-pan', { layer1PartId: null, layer2PartId: null, layer3PartId: null });
    const hooded = made('clerk-pan', {}, [['hood', hood]]);
    const radius = hooded.mouth!.widthM / 2;
    // Behind a layer that scatters, the front is nearly a Lambertian disc; the lining keeps 5 %.
    const run = { photons: 40_000, seed: 6 };
    const inside = simulate(hooded.mouth!.room!, run);
    const front = simulate(made('clerk-pan', {}).mouth!.room!, run);
    const share = inside.efficiency / front.efficiency;
    expect(Math.abs(share - discToDisc(radius, radius, 0.3))).toBeLessThan(0.12);
    expect(bare.mouth!.layers).toHaveLength(0);
  });
  test('on a square front four sides of it become part of the box, and send light on by their lining', () => {
    const hood = {
      shape: 'cylinder',
      lengthM: 0.3,
      mouthDiameterM: 0.3,
      overlapM: 0.02,
      boardPartId: null,
      lining: 'foil',
    };
    const square = made('cabin-box', {}, [['hood', hood]]);
    const found = expectClosed(square);
    expect(square.mouth!.room!.surfaces.filter(({ name }) => name === 'hood')).toHaveLength(4);
    expect(square.controls).toEqual([]);
    const black = expectClosed(made('cabin-box', {}, [['hood', { ...hood, lining: 'black' }]]));
    expect(found.efficiency).toBeGreaterThan(1.3 * black.efficiency);
  });
  test('what is fitted after it stands at its mouth', () => {
    const hood = {
      shape: 'cylinder',
      lengthM: 0.3,
      mouthDiameterM: 0.3,
      overlapM: 0.02,
      boardPartId: null,
      lining: 'foil',
    };
    const grid = { cellM: 0.05, depthM: 0.05, boardPartId: null };
    const both = made('clerk-pan', {}, [
      ['hood', hood],
      ['grid', grid],
    ]);
    const own = both.controls.find(({ kind }) => kind === 'grid');
    expect(own && own.kind === 'grid' && own.zM).toBeCloseTo(both.mouth!.heightOverBackM, 12);
  });
});

describe('what each surface is', () => {
  const surfaces = (id: string): CavitySurface[] => [...made(id, {}).mouth!.room!.surfaces];
  test('the mouth comes first and leads out, in every form', () => {
    for (const id of ['clerk-pan', 'cabin-box', 'stamp-panel', 'deck-sky', 'corridor-line']) {
      const [mouth] = surfaces(id);
      expect(mouth!.matter).toMatchObject({ kind: 'layer', leads: 'out' });
    }
  });
  test('a sandwich is open at its edges, a frame at its top; a skirt is black', () => {
    const open = (id: string, name: RegExp) =>
      surfaces(id).filter((surface) => name.test(surface.name));
    for (const { matter } of open('stamp-panel', /open edge/))
      expect(matter).toMatchObject({ kind: 'layer', transmittance: 1 });
    expect(open('deck-sky', /open top/)).toHaveLength(1);
    for (const { matter } of open('deck-sky', /skirt/))
      expect(matter).toMatchObject({ reflectance: 0.05 });
  });
  test('a lined tube holds its tape and its caps', () => {
    expect(surfaces('corridor-line').map(({ name }) => name)).toEqual([
      'liner',
      'cap',
      'cap',
      'tape',
    ]);
  });
  test('a bounced lamp has no room but a lit surface, an open lamp neither', () => {
    const bounced = made('corridor-work', { aim: 'bounce' });
    expect(cavityOf(bounced, demo.shots[0]!)).toBeNull();
    expect(bounced.mouth!.bounce!.lamps).toHaveLength(16);
    expect(bounced.controls).toEqual([]);
    const direct = made('corridor-work', { aim: 'direct' });
    expect(direct.mouth).toBeNull();
    expect(direct.controls).toHaveLength(4);
  });
});
