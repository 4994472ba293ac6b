import fc from 'fast-check';
import { ACCESSORIES } from '../accessories';
import { assembleAll, attachAll } from '../accessories/attach';
import { accessorySchema } from '../accessories/carried';
import { outerBox } from '../assembly/distance';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { sceneOf } from '../evaluate/context';
import { finished } from '../making/finishing';
import { faultsOf } from '../testing/faults';
import { sample } from '../testing/sample';
import type { FormDefinition } from './form';
import { FORMS } from './index';
import { nearDefaults } from './testing';

const document = sample();
const { context } = sceneOf(document, document.builds[0]!);
const { shelf } = document;

/** Cloth, film and the wall of a tin are drawn thicker than they are; nobody measures a light finer. */
const DRAWN_M = 0.004;
/** More things than anybody builds take longer to compare than they teach. */
const MOST_BODIES = 60;
/** A frame of pipe has more of them however small it is. */
const MOST_OF_A_FRAME = 110;
const RUNS = 5;

/** What says that a thing has no room there is no light that could be put together. */
const cannotBe = ({ findings }: ResolvedBuild) =>
  findings.some(
    ({ id, severity, topic }) =>
      (severity === 'stop' && topic === 'geometry') || id.startsWith('mount.plate'),
  );

/** A form's build that can be made; null for others. */
function makeable(form: FormDefinition, parameters: unknown): ResolvedBuild | null {
  if (form.problems(parameters, context).length) return null;
  const resolved = form.resolve(parameters, context);
  return cannotBe(resolved) ? null : resolved;
}

function expectPieces({ pieces }: ResolvedBuild, bodies: readonly { piece: string | null }[]) {
  const placed = pieces.map(({ id }) => ({
    id,
    bodies: bodies.filter(({ piece }) => piece === id).length,
  }));
  expect(placed.filter(({ bodies: count }, k) => count < pieces[k]!.count)).toEqual([]);
  const known = new Set(pieces.map(({ id }) => id));
  expect(bodies.filter(({ piece }) => piece !== null && !known.has(piece))).toEqual([]);
}

describe.each([...FORMS.values()])('$id in three dimensions, whatever its parameters', (form) => {
  test('nothing cuts into anything, all hangs together, and it is as big as it is told', () => {
    let tried = 0;
    fc.assert(
      fc.property(nearDefaults(form, shelf), (parameters) => {
        const resolved = makeable(form, parameters);
        if (!resolved) return;
        const bodies = form.assemble(parameters, context);
        expectPieces(resolved, bodies);
        const { low, high } = outerBox(bodies);
        const { widthM, heightM, depthM } = resolved.built;
        const off = [widthM, heightM, depthM].map((size, k) => high[k]! - low[k]! - size);
        expect(off.filter((each) => Math.abs(each) > DRAWN_M)).toEqual([]);
        if (bodies.length > (resolved.frameworks.length ? MOST_OF_A_FRAME : MOST_BODIES)) return;
        tried++;
        expect(faultsOf(bodies)).toEqual([]);
      }),
      { seed: 41, numRuns: RUNS, endOnFailure: true },
    );
    expect(tried).toBeGreaterThan(0);
  });
  test('every step that puts something in is a step of the plan', () => {
    const own = form.defaults();
    const steps = finished(form.resolve(own, context), context).map(({ id }) => id);
    const told = form.assemble(own, context).flatMap(({ step }) => step ?? []);
    // Lamps go in when they are chosen; a build begins without.
    expect(told.filter((step) => step !== 'lamps-in' && !steps.includes(step))).toEqual([]);
  });
});

/** A round light with a cover, a closed box, a board, a frame of pipe: what there is to screw to and to hang on. */
const CARRIERS = ['bulb-ring', 'strip-pan', 'tube-bank', 'foam-box'].map((id) => FORMS.get(id)!);

describe.each([...ACCESSORIES.values()])('$id on a light', (kind) => {
  test.each(CARRIERS)('sits on a $id, cuts into nothing, and all of it is there', (form) => {
    const own = form.defaults();
    const base = makeable(form, own)!;
    const bare = form.assemble(own, context);
    const given = [
      kind.defaults(),
      ...fc.sample(nearDefaults(kind, shelf), { seed: 43, numRuns: 2 }),
    ];
    for (const parameters of given) {
      const carried = [accessorySchema.parse({ id: 'accessory-1', kind: kind.id, parameters })];
      const attached = attachAll(base, carried, context);
      if (cannotBe(attached.resolved)) continue;
      const bodies = assembleAll(bare, attached.carried, context);
      expectPieces(attached.resolved, bodies);
      if (bodies.length <= MOST_BODIES) expect(faultsOf(bodies, bare.length)).toEqual([]);
    }
  });
});
