import { outerBox } from '../assembly/distance';
import { faultsOf } from '../testing/faults';
import { sample } from '../testing/sample';
import { assemblyViews, stepView } from './assembled';
import { findBuild } from './context';
import { Derivations } from './derive';

const document = sample();
const derive = new Derivations();
const of = (id: string) => derive.assembled(document, findBuild(document, id)!)!;

describe.each(document.builds.map(({ id, name }) => ({ id, name })))('$name', ({ id }) => {
  const { bodies, steps, putIn } = of(id);
  test('with all it carries nothing cuts into anything, and all hangs together', () => {
    expect(faultsOf(bodies)).toEqual([]);
  });
  test('every thing has an id of its own, and a step that puts it in', () => {
    expect(new Set(bodies.map((body) => body.id)).size).toBe(bodies.length);
    // Lamps nobody has chosen have no step yet, and are not there before the end.
    const unknown = bodies.flatMap(({ step }, k) =>
      step && !steps.some((each) => each.id === step) ? [{ step, at: putIn[k] }] : [],
    );
    const bare = document.builds.find((each) => each.id === id)!.name === 'Stamp ring';
    const lamps = bare ? bodies.filter((body) => body.matter === 'lamp') : [];
    expect(unknown).toEqual(lamps.map(() => ({ step: 'lamps-in', at: steps.length })));
    for (const at of putIn) expect(at).toBeGreaterThanOrEqual(0);
  });
  test('its pictures show it', () => {
    for (const { shapes, bounds } of assemblyViews(of(id))) {
      expect(shapes.length).toBeGreaterThan(0);
      expect(bounds.every(Number.isFinite)).toBe(true);
    }
  });
});

describe('as it stands at a step', () => {
  const layers = (id: string, step: string) =>
    new Set(stepView(of(id), step).shapes.map(({ layer }) => layer));
  test('sockets are lit on a board that is there, and bulbs are still to come', () => {
    expect(layers('clerk-ring', 'screw-sockets')).toEqual(new Set(['drill', 'cord', 'hidden']));
  });
  test('at the end nothing is to come', () => {
    expect(layers('clerk-ring', 'meter')).toEqual(new Set(['drill']));
  });
});

test('it is worked out again when a piece is another one, and not for a name', () => {
  const build = findBuild(document, 'clerk-ring')!;
  const again = (change: object) => {
    const other = { ...build, ...change };
    const builds = document.builds.map((each) => (each === build ? other : each));
    return derive.assembled({ ...document, builds }, other)!;
  };
  const known = derive.assembled(document, build);
  expect(again({ name: 'Another name' })).toBe(known);
  const wider = again({ parameters: { ...build.parameters, outerDiameterM: 1 } });
  expect(outerBox(wider.bodies).high[0]).toBeCloseTo(0.5, 3);
});
