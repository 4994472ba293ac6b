import fc from 'fast-check';
import { sample } from '../testing/sample';
import { between, edged, type Edged } from '../testing/clash';
import type { Body } from '../assembly/body';
import { outerBox } from '../assembly/distance';
import { ACCESSORIES } from '../accessories';
import { accessorySchema } from '../accessories/carried';
import { assembleAll, attachAll } from '../accessories/attach';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { sceneOf } from '../evaluate/context';
import type { FormContext, FormDefinition } from './form';
import { FORMS } from './index';
import { anyOf as anyWith } from './testing';

const document = sample();
const { context } = sceneOf(document, document.builds[0]!);
const anyOf = (fields: Parameters<typeof anyWith>[0]) => anyWith(fields, document.shelf);

/** Things touch when they lie no farther apart than a saw's cut, and are in each other from this on. */
const RUNS = 12;
const KERF_M = 0.0015;
const IN_M = 0.0004;
/** What is drawn thicker than it is: cloth, film, tape, the wall of a tin. */
const DRAWN_M = 0.006;

/** Pairs that cut into each other, and what hangs together with nothing. */
export function faultsOf(bodies: readonly Body[]): string[] {
  const all = bodies.map(edged);
  const group = all.map((_, k) => k);
  const rootOf = (k: number): number => (group[k] === k ? k : (group[k] = rootOf(group[k]!)));
  const faults: string[] = [];
  for (let a = 0; a < all.length; a++)
    for (let b = a + 1; b < all.length; b++) {
      const metres = between(all[a]!, all[b]!, KERF_M);
      if (metres <= KERF_M) group[rootOf(a)] = rootOf(b);
      if (metres < -IN_M && !mayPass(all[a]!, all[b]!))
        faults.push(
          `${all[a]!.body.id} in ${all[b]!.body.id} by ${(-metres * 1000).toFixed(1)} mm`,
        );
    }
  const loose = new Map<number, string>();
  all.forEach(({ body }, k) => loose.set(rootOf(k), body.id));
  if (loose.size > 1) faults.push(`apart: ${[...loose.values()].join(', ')}`);
  return faults;
}
const mayPass = ({ body: a }: Edged, { body: b }: Edged) => Boolean(a.fastens ?? b.fastens);

const stopped = ({ findings }: ResolvedBuild) =>
  findings.some(({ severity, topic }) => severity === 'stop' && topic === 'geometry');

/** A form's parameters that can be made; null for others. */
function makeable(form: FormDefinition, parameters: unknown, within: FormContext) {
  if (form.problems(parameters, within).length) return null;
  const resolved = form.resolve(parameters, within);
  return stopped(resolved) ? null : resolved;
}

describe.each([...FORMS.values()])('$id in three dimensions, whatever its parameters', (form) => {
  test('nothing cuts into anything, and everything hangs together', () => {
    fc.assert(
      fc.property(anyOf(form.fields), (parameters) => {
        if (!makeable(form, parameters, context)) return;
        expect(faultsOf(form.assemble(parameters, context))).toEqual([]);
      }),
      { seed: 41, numRuns: RUNS, endOnFailure: true },
    );
  });
  test('every piece to cut has its place, and the whole is as big as it is told', () => {
    fc.assert(
      fc.property(anyOf(form.fields), (parameters) => {
        const resolved = makeable(form, parameters, context);
        if (!resolved) return;
        const bodies = form.assemble(parameters, context);
        for (const piece of resolved.pieces) {
          const own = bodies.filter((body) => body.piece === piece.id);
          expect([piece.id, own.length >= piece.count]).toEqual([piece.id, true]);
        }
        for (const { piece, id } of bodies)
          if (piece)
            expect([id, resolved.pieces.some((each) => each.id === piece)]).toEqual([id, true]);
        const { low, high } = outerBox(bodies);
        const { widthM, heightM, depthM } = resolved.built;
        const off = [widthM, heightM, depthM].map((size, k) => high[k]! - low[k]! - size);
        expect(off.filter((each) => Math.abs(each) > DRAWN_M)).toEqual([]);
      }),
      { seed: 42, numRuns: RUNS, endOnFailure: true },
    );
  });
});

describe.each([...ACCESSORIES.values()])('$id on any form', (kind) => {
  test('sits on the light, cuts into nothing, and every piece of it has its place', () => {
    const form = fc.constantFrom(...FORMS.values());
    fc.assert(
      fc.property(form, anyOf(kind.fields), (on, parameters) => {
        const own = on.defaults();
        const base = makeable(on, own, context);
        if (!base) return;
        const carried = [accessorySchema.parse({ id: 'accessory-1', kind: kind.id, parameters })];
        const attached = attachAll(base, carried, context);
        if (stopped(attached.resolved)) return;
        const bodies = assembleAll(on.assemble(own, context), attached.carried, context);
        expect([on.id, faultsOf(bodies)]).toEqual([on.id, []]);
        for (const piece of attached.resolved.pieces) {
          const count = bodies.filter((body) => body.piece === piece.id).length;
          expect([piece.id, count >= piece.count]).toEqual([piece.id, true]);
        }
      }),
      { seed: 43, numRuns: RUNS, endOnFailure: true },
    );
  });
});
