import fc from 'fast-check';
import { ACCESSORIES } from '../accessories';
import { accessorySchema } from '../accessories/carried';
import { FITTING_WAYS } from '../build/framework';
import type { ClothPiece, SheetPiece } from '../build/pieces';
import type { Build, Production } from '../document/production';
import { changed } from '../document/testing';
import { edgesOf, straightened } from '../drawing/path';
import { shapesExtent } from '../drawing/shapes';
import { FORMS } from '../forms';
import type { FormDefinition } from '../forms/form';
import { polygonAreaM2 } from '../forms/kit/pieces';
import { anyOf } from '../forms/testing';
import { cutCloth } from '../materials/cloth';
import { THREADS, type ThreadId } from '../materials/fasteners';
import { sample } from '../testing/sample';
import { sceneOf } from './context';
import { Derivations } from './derive';

/**
 * What is drawn, cut, bought, labelled and packed is what gets built: rules over every form with every accessory,
 * as the sample has them and with any parameters.
 */
const demo = sample();

interface Made {
  form: FormDefinition;
  document: Production;
  derive: Derivations;
  build: Build;
}

function made(form: FormDefinition, parameters: unknown, kinds: readonly string[]): Made {
  const document = changed(demo, (draft) => {
    const [build] = draft.builds;
    Object.assign(build!, {
      form: form.id,
      parameters,
      copies: 1,
      accessories: kinds.map((kind, k) =>
        accessorySchema.parse({
          id: `own-${k}`,
          kind,
          parameters: ACCESSORIES.get(kind)!.defaults(),
        }),
      ),
    });
    draft.builds = [build!];
  });
  return { form, document, derive: new Derivations(), build: document.builds[0]! };
}

const resolvedOf = ({ derive, document, build }: Made) => derive.resolved(document, build)!;

/** Everything in a list is taken off the bench in a step, every piece is worked on in one. */
function usedInSteps(each: Made): void {
  const { needs, pieces, steps } = resolvedOf(each);
  const ids = new Set(steps.map(({ id }) => id));
  for (const { item, step } of needs)
    expect(`${item.kind} ${item.id} in ${step}: ${ids.has(step)}`).toBe(
      `${item.kind} ${item.id} in ${step}: true`,
    );
  const worked = new Set(steps.flatMap((step) => step.pieces));
  for (const { id } of pieces) expect(`${id} ${worked.has(id)}`).toBe(`${id} true`);
}

/** A hole that names its bolt lets it through, and that bolt is bought, long enough for what it clamps. */
function holesFitBolts(each: Made): void {
  const { pieces, needs } = resolvedOf(each);
  const bought = needs.flatMap(({ item }) =>
    item.kind === 'hardware' && (item.id === 'bolt' || item.id === 'machine-screw')
      ? [item.size ?? '']
      : [],
  );
  for (const piece of pieces) {
    if (piece.kind !== 'sheet') continue;
    for (const shape of piece.shapes) {
      if (shape.layer !== 'drill' || shape.kind !== 'circle') continue;
      const thread = /\b(M\d+|\d\/\d+-\d+)\b/.exec(shape.label ?? '')?.[1] as ThreadId | undefined;
      if (!thread) continue;
      expect(2 * shape.r).toBeGreaterThanOrEqual(THREADS[thread].diameterM);
      expect(2 * shape.r).toBeCloseTo(THREADS[thread].clearanceM, 9);
      expect(bought.some((size) => size.startsWith(thread))).toBe(true);
    }
  }
}

/** Cut lines are closed, hold the piece's area, and stay on the stock it asks for. */
function outlinesClosed({ shapes, areaM2, widthM, heightM }: SheetPiece): void {
  const cuts = shapes.filter(({ layer }) => layer === 'cut');
  let area = 0;
  let outer = 0;
  for (const shape of cuts) {
    if (shape.kind === 'polyline') {
      expect(shape.closed).toBe(true);
      for (const [from, to] of edgesOf(shape))
        expect(from.every(Number.isFinite) && to.every(Number.isFinite)).toBe(true);
    } else expect(shape.kind).toBe('circle');
    const own =
      shape.kind === 'circle'
        ? Math.PI * shape.r ** 2
        : shape.kind === 'polyline'
          ? polygonAreaM2(straightened(shape))
          : 0;
    outer = Math.max(outer, own);
    area += own;
  }
  // The largest line is the outline, what lies in it falls out; a rectangle's own area may leave small holes in.
  const left = 2 * outer - area;
  expect(left).toBeLessThanOrEqual(areaM2 * 1.001 + 1e-6);
  const {
    left: x0,
    bottom,
    right,
    top,
  } = shapesExtent(shapes.filter(({ kind }) => kind !== 'text'));
  expect(x0).toBeGreaterThanOrEqual(-1e-6 - 0.05 * widthM);
  expect(bottom).toBeGreaterThanOrEqual(-1e-6 - 0.9 * Math.max(widthM, heightM) * 40);
  expect(right - x0).toBeGreaterThan(0);
  expect(top - bottom).toBeGreaterThan(0);
}

/** Joints have as many pipes as ways, pipes are as long as their joints stand apart less what those take. */
function jointsJoin(each: Made): void {
  const { frameworks, needs, pieces } = resolvedOf(each);
  for (const { joints, pipes, takeOffM, couplerM } of frameworks) {
    const at = new Map(joints.map((joint) => [joint.id, joint]));
    const takes = (id: string) => {
      const { fitting } = at.get(id)!;
      return fitting === 'cap' ? 0 : fitting === 'coupler' ? couplerM : takeOffM;
    };
    for (const joint of joints) {
      const ways = pipes.filter(({ from, to }) => from === joint.id || to === joint.id).length;
      expect(`${joint.fitting} ${ways}`).toBe(`${joint.fitting} ${FITTING_WAYS[joint.fitting]}`);
    }
    for (const { from, to, cutM, piece } of pipes) {
      const [a, b] = [at.get(from)!.atM, at.get(to)!.atM];
      const apart = Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
      expect(apart - takes(from) - takes(to)).toBeCloseTo(cutM, 6);
      const cut = pieces.find(({ id }) => id === piece);
      expect(cut?.kind === 'stick' && cut.lengthM).toBeCloseTo(cutM, 3);
    }
    for (const fitting of Object.keys(FITTING_WAYS)) {
      const drawn = joints.filter((joint) => joint.fitting === fitting).length;
      const bought = needs
        .filter(({ item }) => item.id === fitting)
        .reduce((sum, { quantity }) => sum + quantity, 0);
      expect(`${fitting} ${bought >= drawn}`).toBe(`${fitting} true`);
    }
    const counted = new Map<string, number>();
    for (const { piece } of pipes) counted.set(piece, (counted.get(piece) ?? 0) + 1);
    for (const [id, count] of counted)
      expect(pieces.find((piece) => piece.id === id)?.count).toBe(count);
  }
}

/** The cord that is bought reaches through every piece that the wiring cuts from it, and so do lead and wire. */
function cordReaches(each: Made): void {
  const { derive, document, build } = each;
  const graph = derive.wiring(document, build);
  const resolved = resolvedOf(each);
  const purchase = derive.cost(document, build)!;
  const { cord } = resolved.wiring;
  if (!graph || cord.partId === null || cord.field === undefined) return;
  const part = document.shelf.parts.find(({ id }) => id === cord.partId);
  if (part?.role !== 'cord') return;
  const name = derive.power(document, build)!.plan.cord!.name;
  const sum = (of: (what: string) => boolean) =>
    graph.cuts.filter((cut) => of(cut.of)).reduce((total, { lengthM }) => total + lengthM, 0);
  const line = (key: string) =>
    purchase.lines
      .filter((each) => each.key.startsWith(key))
      .reduce((total, { needed }) => total + needed, 0);
  expect(line(`part:${cord.partId}`)).toBeGreaterThanOrEqual(sum((of) => of === name) - 1e-9);
  expect(line('hardware:tape-lead')).toBeGreaterThanOrEqual(
    sum((of) => of.startsWith('two-core lead')) - 1e-9,
  );
  expect(line('hardware:wire')).toBeGreaterThanOrEqual(
    sum((of) => of.startsWith('single wires')) - 1e-9,
  );
}

/** What is drawn and would be bought stands in a list: by the mark on the drawing. */
const BOUGHT_AS: Record<string, RegExp> = {
  hoist: /hardware:(rope|pulley)/,
  mount: /hardware:(spigot|thread-plate|pipe-clamp|cold-shoe|j-hook)/,
  stand: /hardware:(elbow|cap|five-way)/,
  bolt: /hardware:bolt/,
  dimmer: /part:/,
  ballast: /part:|unit:/,
};

function drawnIsBought(each: Made): void {
  const { derive, document, build } = each;
  const keys = derive
    .cost(document, build)!
    .lines.map(({ key }) => key)
    .join(' ');
  const refs = new Set(
    derive.drawing(document, build)!.views.flatMap(({ shapes }) => shapes.map(({ ref }) => ref)),
  );
  for (const [ref, listed] of Object.entries(BOUGHT_AS)) {
    if (!refs.has(ref)) continue;
    if (ref === 'dimmer' && resolvedOf(each).wiring.dimmer.partId === null) continue;
    if (ref === 'ballast' && !resolvedOf(each).wiring.ballast) continue;
    expect(`${ref}: ${listed.test(keys)}`).toBe(`${ref}: true`);
  }
}

/** A cloth that light passes covers the front it hangs on, as far as its nominal size goes. */
function clothCovers({ widthM, heightM, seamM, hemM, lit, partId }: ClothPiece): void {
  const part = demo.shelf.parts.find(({ id }) => id === partId);
  if (part?.role !== 'cloth' && part?.role !== 'diffusion') return;
  if (!(widthM > 0) || !(heightM > 0)) return;
  const cut = cutCloth(widthM, heightM, part.widthM, seamM, hemM, lit);
  const sides = [cut.finishedWidthM, cut.finishedHeightM];
  const wanted = [widthM - 2 * hemM, heightM - 2 * hemM];
  const lost = 2 * seamM * cut.seams;
  sides.forEach((side, k) => {
    expect(side).toBeLessThanOrEqual(wanted[k]! + 1e-9);
    expect(side).toBeGreaterThanOrEqual(wanted[k]! - lost - 1e-9);
  });
  // No seam where one length would do.
  if (lit && Math.min(widthM, heightM) <= part.widthM) expect(cut.seams).toBe(0);
  expect(cut.totalM * part.widthM).toBeGreaterThanOrEqual(widthM * heightM - 1e-9);
}

function ruled(each: Made): void {
  usedInSteps(each);
  holesFitBolts(each);
  jointsJoin(each);
  cordReaches(each);
  drawnIsBought(each);
  for (const piece of resolvedOf(each).pieces) {
    if (piece.kind === 'sheet') outlinesClosed(piece);
    if (piece.kind === 'cloth') clothCovers(piece);
  }
}

/** All that comes of parameters. */
function seen(form: FormDefinition, parameters: unknown): string {
  const { derive, document, build } = made(form, parameters, []);
  return JSON.stringify([derive.resolved(document, build), derive.drawing(document, build)]);
}

const KINDS = [...ACCESSORIES.keys()];

describe.each([...FORMS.values()])('$id', (form) => {
  const own = demo.builds
    .filter((build) => build.form === form.id)
    .map(({ parameters }) => parameters);
  test.each([[], ...KINDS.map((kind) => [kind]), KINDS])(
    'as the sample has it, with %s',
    (...kinds) => {
      for (const parameters of [...own, form.defaults()])
        ruled(
          made(
            form,
            structuredClone(parameters),
            kinds.filter((kind) => typeof kind === 'string'),
          ),
        );
    },
  );
  test('with any parameters that can be made', () => {
    fc.assert(
      fc.property(anyOf(form.fields, demo.shelf), fc.constantFrom(...KINDS), (parameters, kind) => {
        const each = made(form, parameters, [kind]);
        const { context } = sceneOf(each.document, each.build);
        const one = resolvedOf(each);
        const stopped = one.findings.some(({ severity }) => severity === 'stop');
        if (form.problems(parameters, context).length > 0 || stopped) return;
        ruled(each);
      }),
      { seed: 11, numRuns: 12 },
    );
  });
  test('no parameter is dead: each changes what is made, drawn or wired', () => {
    const bases = fc.sample(anyOf(form.fields, demo.shelf), { seed: 5, numRuns: 30 });
    const dead = form.fields.flatMap(({ parameter }) =>
      bases.some((base, k) => {
        const other = { ...base, [parameter]: bases[(k + 1) % bases.length]![parameter] };
        return seen(form, base) !== seen(form, other);
      })
        ? []
        : [parameter],
    );
    expect(dead).toEqual([]);
  });
});
